<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Lending\LoanRules\CardEligibility;
use App\Shared\Sql;
use DateTimeImmutable;

/**
 * What patrons of a library can get of a title, now or by waiting, as SQL on search_rows (alias s). What is kept there
 * is believed as long as no date has passed since and no month's money decides; else the licences themselves are asked,
 * so that the answer is always true.
 */
final class HeldTitles
{
    /** Bits of can(). */
    public const HELD = 1;

    public const READY = 2;

    public const ALWAYS = 4;

    /**
     * A number of the bits above: what one card, or anyone at the library, can have.
     *
     * @return array{string, list<mixed>} SQL and its bindings
     */
    public static function can(
        int $libraryId,
        DateTimeImmutable $now,
        CardEligibility $eligibility = new CardEligibility(),
    ): array {
        $at = Sql::timestamp($now);
        $fits = fn(?array $of): string => $of === null ? 'true' : "s.format || ':' || s.audience = any(?::text[])";
        $bound = fn(?array $of): array => $of === null ? [] : [Sql::array($of)];
        [$allowed, $listed] = [$eligibility->audiences, $eligibility->listed()];

        return [
            '(case ' .
            ($listed === null ? '' : "when not ({$fits($listed)}) then 0 ") .
            "when s.sure_from <= ? and s.sure_until > ? and (? = any(s.ready) or ? <> all(s.paid))
                then (? = any(s.held))::int + case when ? = any(s.ready)
                    and {$fits($allowed)} then 2 + 4 * (? = any(s.always))::int else 0 end
                else licences_give(s.title_id, ?, ?, s.format <> all(?::text[])) & case when {$fits(
                $allowed,
            )} then 7 " .
            'else 1 end end)',
            [
                ...$bound($listed),
                $at,
                $at,
                ...array_fill(0, 4, $libraryId),
                ...$bound($allowed),
                $libraryId,
                $libraryId,
                $at,
                Sql::array($eligibility->unpaid),
                ...$bound($allowed),
            ],
        ];
    }

    /**
     * The same of several libraries together.
     *
     * @param  non-empty-array<int, CardEligibility>  $places  by library
     * @return array{string, list<mixed>}
     */
    public static function anywhere(array $places, DateTimeImmutable $now): array
    {
        $each = array_map(
            fn(int $id, CardEligibility $eligibility): array => self::can($id, $now, $eligibility),
            array_keys($places),
            $places,
        );

        return ['(' . implode(' | ', array_column($each, 0)) . ')', array_merge(...array_column($each, 1))];
    }

    /**
     * What cannot be left out without asking further: few of all titles where a library has few, and told by indexes.
     *
     * @param  non-empty-list<int>  $libraryIds
     * @return array{string, list<mixed>}
     */
    public static function perhaps(array $libraryIds, DateTimeImmutable $now): array
    {
        $at = Sql::timestamp($now);

        return ['(s.held && ?::int[] or s.sure_until <= ? or s.sure_from > ?)', [Sql::array($libraryIds), $at, $at]];
    }

    /**
     * Whether it is held, or ready.
     *
     * @return array{string, list<mixed>}
     */
    public static function condition(
        int $libraryId,
        DateTimeImmutable $now,
        bool $readyNow = false,
        CardEligibility $eligibility = new CardEligibility(),
    ): array {
        [$perhaps, $perhapsBindings] = self::perhaps([$libraryId], $now);
        [$can, $bindings] = self::can($libraryId, $now, $eligibility);

        return [
            "{$perhaps} and {$can} & " . ($readyNow ? self::READY : self::HELD) . ' > 0',
            [...$perhapsBindings, ...$bindings],
        ];
    }
}
