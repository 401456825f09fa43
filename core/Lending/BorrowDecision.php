<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Catalogue\Audience;

/** May this card borrow this title now? The first refusal wins. */
final class BorrowDecision
{
    /**
     * @param  list<Licence>  $licences  those of the title that this card's library can use
     * @param  int|null  $openLoanId  the loan of this title already open on the card
     * @param  int|null  $keptLicenceId  the licence whose copy is kept for this card's ready hold
     * @param  LoanLength|null  $length  null for the default
     */
    public static function decide(
        CardStanding $card,
        LoanTerms $terms,
        Audience $titleAudience,
        array $licences,
        ?int $openLoanId,
        ?int $keptLicenceId,
        ?LoanLength $length,
        DateTimeZone $libraryZone,
        DateTimeImmutable $now,
    ): Granted|AlreadyOnLoan|Refused {
        $standing = $card->refusal($now);
        if ($standing !== null) {
            return $standing;
        }
        if (! $terms->audienceCeiling->covers($titleAudience)) {
            return new Refused(Refusal::AboveAudience);
        }

        $kept = null;
        $anyLive = false;
        foreach ($licences as $licence) {
            $anyLive = $anyLive || $licence->isLive($now);
            if ($licence->id === $keptLicenceId && $licence->isLive($now)) {
                $kept = $licence;
            }
        }
        if (! $anyLive && $openLoanId === null) {
            return new Refused(Refusal::NoLicence);
        }
        if ($openLoanId !== null) {
            return new AlreadyOnLoan($openLoanId);
        }

        $counted = $terms->loansCountedByFormat ? $card->loansOpenOfFormat : $card->loansOpen;
        if ($counted >= $terms->maxLoans) {
            return new Refused(Refusal::LoanLimit, limit: $terms->maxLoans, soonestDue: $card->soonestDue);
        }
        $length ??= $terms->defaultLength;
        if (! $terms->offers($length)) {
            return new Refused(Refusal::LengthNotOffered);
        }

        $licence = $kept ?? SpendingOrder::choose($licences, $now);
        if ($licence === null) {
            return new Refused(Refusal::NoCopyFree);
        }

        return new Granted($licence, $length, $length->dueAt($now, $libraryZone));
    }
}
