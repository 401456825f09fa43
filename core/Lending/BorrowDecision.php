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
     * @param  PayPerLoan|null  $payPerLoan  the card's month, where a licence is paid per loan
     * @param  LoanLength|null  $length  null for the default
     */
    public static function decide(
        CardStanding $card,
        LoanTerms $terms,
        Audience $titleAudience,
        array $licences,
        ?int $openLoanId,
        ?int $keptLicenceId,
        ?PayPerLoan $payPerLoan,
        ?LoanLength $length,
        DateTimeZone $libraryZone,
        DateTimeImmutable $now,
    ): Granted|AlreadyOnLoan|Refused {
        $refused = self::ofCard($card, $terms, $titleAudience, $now);
        if ($refused !== null) {
            return $refused;
        }

        $kept = null;
        $anyFuture = false;
        $onOrder = false;
        foreach ($licences as $licence) {
            $anyFuture = $anyFuture || $licence->hasFuture($now);
            $onOrder = $onOrder || $licence->onOrder;
            if ($licence->id === $keptLicenceId && $licence->isLive($now)) {
                $kept = $licence;
            }
        }
        if (!$anyFuture && $openLoanId === null) {
            return new Refused(Refusal::NoLicence);
        }
        if ($openLoanId !== null) {
            return new AlreadyOnLoan($openLoanId);
        }
        if ($onOrder) {
            return new Refused(Refusal::OnOrder);
        }

        $limit = self::atLimit($card, $terms);
        if ($limit !== null) {
            return $limit;
        }
        $length ??= $terms->defaultLength;
        if (!$terms->offers($length)) {
            return new Refused(Refusal::LengthNotOffered);
        }

        $capped = $payPerLoan?->capReached() === true;
        $usable = array_filter($licences, fn(Licence $l): bool => !$capped || $l->model !== LicenceModel::PayPerLoan);
        $licence = $kept ?? SpendingOrder::choose($usable, $card->libraryId, $now);

        return $licence === null
            ? self::nothingToLend($licences, $payPerLoan, $now)
            : new Granted($licence, $length, $length->dueAt($now, $libraryZone));
    }

    /** What speaks against any loan of such a title to the card. */
    public static function ofCard(
        CardStanding $card,
        LoanTerms $terms,
        Audience $titleAudience,
        DateTimeImmutable $now,
    ): ?Refused {
        return $card->refusal($now) ??
            ($terms->audienceCeiling->covers($titleAudience) ? null : new Refused(Refusal::AboveAudience));
    }

    /** Whether the card has as many loans as it may have. */
    public static function atLimit(CardStanding $card, LoanTerms $terms): ?Refused
    {
        $counted = $terms->loansCountedByFormat ? $card->loansOpenOfFormat : $card->loansOpen;

        return $counted < $terms->maxLoans
            ? null
            : new Refused(Refusal::LoanLimit, limit: $terms->maxLoans, soonestDue: $card->soonestDue);
    }

    /** @param  list<Licence>  $licences */
    private static function nothingToLend(array $licences, ?PayPerLoan $payPerLoan, DateTimeImmutable $now): Refused
    {
        $waitedFor = array_filter($licences, fn(Licence $l): bool => $l->canFillHolds($now));
        $begun = array_filter($waitedFor, fn(Licence $l): bool => $l->startsAt <= $now);

        return match (true) {
            $begun !== [] => new Refused(Refusal::NoCopyFree),
            $waitedFor !== [] => new Refused(
                Refusal::NotYet,
                at: min(array_map(fn(Licence $l): DateTimeImmutable => $l->startsAt, $waitedFor)),
            ),
            $payPerLoan?->capReached() === true => new Refused(
                Refusal::PayPerLoanCap,
                limit: $payPerLoan->most,
                at: $payPerLoan->resetsAt,
            ),
            default => new Refused(Refusal::PayPerLoanBudget, at: $payPerLoan?->resetsAt),
        };
    }
}
