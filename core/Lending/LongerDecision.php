<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;

/**
 * May a short look, a loan of hours, become a loan of days? It stays the same loan: counted once, paid once, from its
 * own beginning. The first refusal wins.
 */
final class LongerDecision
{
    /**
     * @param  Licence  $licence  that of the loan
     * @param  int  $waiting  holds of others that wait for the title and might take this copy
     * @param  int  $copiesFree  copies of the title that this card's library can use and that are free now
     * @param  LoanLength|null  $length  null for the default, or the shortest in days where that is in hours itself
     */
    public static function decide(
        CardStanding $card,
        LoanTerms $terms,
        Licence $licence,
        LoanLength $was,
        DateTimeImmutable $startedAt,
        int $waiting,
        int $copiesFree,
        ?LoanLength $length,
        DateTimeZone $libraryZone,
        DateTimeImmutable $now,
    ): Granted|Refused {
        $length ??= self::usual($terms);

        return $card->refusal($now) ??
            match (true) {
                !$was->inHours, $length === null, $length->inHours, !$terms->offers($length) => new Refused(
                    Refusal::LengthNotOffered,
                ),
                $waiting > 0 && $copiesFree < 1 => new Refused(Refusal::OthersWait),
                default => new Granted($licence, $length, $length->dueAt($startedAt, $libraryZone)),
            };
    }

    /** What a short look becomes if nothing else is said; null where a library lends for hours only. */
    public static function usual(LoanTerms $terms): ?LoanLength
    {
        $days = array_values(array_filter($terms->lengths, fn(LoanLength $of): bool => !$of->inHours));

        return $terms->defaultLength->inHours ? $days[0] ?? null : $terms->defaultLength;
    }
}
