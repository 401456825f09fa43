<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use FigPorch\Core\Catalogue\Audience;

/** May this card join the line for this title? Null means yes. */
final class HoldDecision
{
    /**
     * @param  list<Licence>  $licences those of the title that this card's library can use
     * @param  bool  $evenIfFree  the line is formed before the copies are given out
     */
    public static function refusal(
        CardStanding $card,
        LoanTerms $terms,
        Audience $titleAudience,
        array $licences,
        bool $alreadyOnLoan,
        bool $alreadyHeld,
        ?PayPerLoan $payPerLoan,
        DateTimeImmutable $now,
        bool $evenIfFree = false,
    ): ?Refused {
        $standing = $card->refusal($now);
        if ($standing !== null) {
            return $standing;
        }
        if (!$terms->audienceCeiling->covers($titleAudience)) {
            return new Refused(Refusal::AboveAudience);
        }
        if ($alreadyOnLoan) {
            return new Refused(Refusal::AlreadyOnLoan);
        }
        if ($alreadyHeld) {
            return new Refused(Refusal::AlreadyHeld);
        }
        $capped = $payPerLoan?->capReached() === true;
        $future = false;
        foreach ($licences as $licence) {
            if (!$evenIfFree && $licence->canLend($now) && !($capped && $licence->model === LicenceModel::PayPerLoan)) {
                return new Refused(Refusal::CopyFree);
            }
            $future = $future || $licence->canFillHolds($now);
        }
        if (!$future) {
            return new Refused(Refusal::NoLicence);
        }
        $counted = $terms->holdsCountedByFormat ? $card->holdsOpenOfFormat : $card->holdsOpen;

        return $counted >= $terms->maxHolds ? new Refused(Refusal::HoldLimit, limit: $terms->maxHolds) : null;
    }
}
