<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Queries\Lending\CardReach;
use App\Queries\Lending\UsableLicences;
use DateTimeImmutable;

/**
 * What patrons of a library can get of a title, now or by waiting, as SQL on search_rows (alias s). What is kept there is believed as long
 * as no date has passed since and no month's money decides; else the licences themselves are asked, so that the answer is always true.
 */
final class HeldTitles
{
    /** Bits of can(). */
    public const HELD = 1;

    public const READY = 2;

    public const ALWAYS = 4;

    private const ASKED = "(select coalesce(bool_or(x.live or exists (select from holds h where h.licence_id = x.id and h.closed_at is null)), false)::int
            + 2 * (coalesce(bool_or(x.live and x.lends), false) and %1\$s)::int + 4 * (coalesce(bool_or(x.live and x.lends and x.model = 'simultaneous'), false) and %1\$s)::int from (
        select li.id, li.model, (li.loans_left is null or li.loans_left > 0) live, li.starts_at <= ? and (li.copies_free is null or li.copies_free > 0)
            and case when li.model = 'pay_per_loan' then li.price_cents <= pay_per_loan_left(li.library_id, ?) and s.format <> all(?::text[]) else true end lends
        from licences li where li.title_id = s.title_id and ".UsableLicences::FOR_LIBRARY.' and (li.ends_at is null or li.ends_at > ?)) x)';

    /**
     * A number of the bits above: what one card, or anyone at the library, can have.
     *
     * @return array{string, list<mixed>} SQL and its bindings
     */
    public static function can(int $libraryId, DateTimeImmutable $now, CardReach $reach = new CardReach): array
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        $allowed = $reach->audiences === null ? 'true' : "s.format || ':' || s.audience = any(?::text[])";
        $audiences = $reach->audiences === null ? [] : ['{'.implode(',', $reach->audiences).'}'];

        return [
            "(case when s.sure_from <= ? and s.sure_until > ? and (? = any(s.ready) or ? <> all(s.paid))
                then (? = any(s.held))::int + case when ? = any(s.ready) and {$allowed} then 2 + 4 * (? = any(s.always))::int else 0 end else ".sprintf(self::ASKED, $allowed).' end)',
            [$at, $at, ...array_fill(0, 4, $libraryId), ...$audiences, $libraryId, ...$audiences, ...$audiences, $at, $at, '{'.implode(',', $reach->unpaid).'}', $libraryId, $libraryId, $at],
        ];
    }

    /**
     * The same of several libraries together.
     *
     * @param  non-empty-array<int, CardReach>  $places  by library
     * @return array{string, list<mixed>}
     */
    public static function anywhere(array $places, DateTimeImmutable $now): array
    {
        $each = array_map(fn (int $id, CardReach $reach): array => self::can($id, $now, $reach), array_keys($places), $places);

        return ['('.implode(' | ', array_column($each, 0)).')', array_merge(...array_column($each, 1))];
    }

    /**
     * What cannot be left out without asking further: few of all titles where a library has few, and told by indexes.
     *
     * @param  non-empty-list<int>  $libraryIds
     * @return array{string, list<mixed>}
     */
    public static function perhaps(array $libraryIds, DateTimeImmutable $now): array
    {
        $at = $now->format('Y-m-d H:i:s.uP');

        return ['(s.held && ?::int[] or s.sure_until <= ? or s.sure_from > ?)', ['{'.implode(',', $libraryIds).'}', $at, $at]];
    }

    /**
     * Whether it is held, or ready.
     *
     * @return array{string, list<mixed>}
     */
    public static function condition(int $libraryId, DateTimeImmutable $now, bool $readyNow = false, CardReach $reach = new CardReach): array
    {
        [$perhaps, $perhapsBindings] = self::perhaps([$libraryId], $now);
        [$can, $bindings] = self::can($libraryId, $now, $reach);

        return ["{$perhaps} and {$can} & ".($readyNow ? self::READY : self::HELD).' > 0', [...$perhapsBindings, ...$bindings]];
    }
}
