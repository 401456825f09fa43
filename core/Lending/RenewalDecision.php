<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;

/**
 * May this loan be renewed now? The first refusal wins. A renewal counts as one more loan where the licence counts
 * loans or pays for each (common practice, no source).
 */
final class RenewalDecision
{
    /**
     * @param  Licence  $licence  that of the loan
     * @param  int  $waiting  holds that wait for the title and might take this copy
     * @param  int  $copiesFree  copies of the title that this card's library can use and that are free now
     * @param  LoanLength|null  $length  null for the default
     */
    public static function decide(
        CardStanding $card,
        LoanTerms $terms,
        Licence $licence,
        DateTimeImmutable $dueAt,
        int $renewals,
        int $waiting,
        int $copiesFree,
        ?PayPerLoan $payPerLoan,
        ?LoanLength $length,
        DateTimeZone $libraryZone,
        DateTimeImmutable $now,
    ): Granted|Refused {
        $opensAt = self::opensAt($terms, $dueAt, $libraryZone);
        $length ??= $terms->defaultLength;

        return $card->refusal($now) ??
            match (true) {
                $renewals >= $terms->maxRenewals => new Refused(Refusal::RenewedEnough, limit: $terms->maxRenewals),
                $now < $opensAt => new Refused(Refusal::TooEarlyToRenew, at: $opensAt),
                $waiting > 0 && $copiesFree < 1 => new Refused(Refusal::OthersWait),
                !$terms->offers($length) => new Refused(Refusal::LengthNotOffered),
                $licence->model === LicenceModel::PayPerLoan && $payPerLoan?->capReached() === true => new Refused(
                    Refusal::PayPerLoanCap,
                    limit: $payPerLoan->most,
                    at: $payPerLoan->resetsAt,
                ),
                !$licence->isLive($now) => new Refused(Refusal::LicenceEnded),
                default => new Granted($licence, $length, $length->dueAt($dueAt, $libraryZone)),
            };
    }

    /** When the renewal window opens: the rule's days before the due time, or the whole of a loan that is shorter. */
    public static function opensAt(
        LoanTerms $terms,
        DateTimeImmutable $dueAt,
        DateTimeZone $libraryZone,
    ): DateTimeImmutable {
        return $dueAt
            ->setTimezone($libraryZone)
            ->modify("-{$terms->renewalWindowDays} days")
            ->setTimezone(new DateTimeZone('UTC'));
    }
}
