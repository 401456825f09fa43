<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\Title;
use App\Queries\Lending\CardReach;
use App\Queries\Lending\UsableLicences;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Builder;

/** The titles that a library's patrons can get, now or by waiting. */
final class HeldTitles
{
    /** @return Builder<Title> */
    public static function of(int $libraryId, DateTimeImmutable $now, bool $readyNow = false, CardReach $reach = new CardReach): Builder
    {
        return Title::query()->whereRaw(...self::condition($libraryId, $now, $readyNow, $reach));
    }

    /**
     * The same as a condition on titles.
     *
     * @param  literal-string&non-falsy-string  $id  the title's number in the query; its format and audience stand beside it
     * @param  CardReach  $reach  counts for ready now alone: what is listed as ready can be borrowed
     * @return array{literal-string&non-falsy-string, list<mixed>} SQL and its bindings
     */
    public static function condition(int $libraryId, DateTimeImmutable $now, bool $readyNow, CardReach $reach = new CardReach, string $id = 'titles.id'): array
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        $held = 'exists (select from licences li where li.title_id = '.$id.' and '.UsableLicences::FOR_LIBRARY
            .' and (li.ends_at is null or li.ends_at > ?) and (li.loans_left is null or li.loans_left > 0';
        $bindings = [$libraryId, $libraryId, $at];
        if (! $readyNow) {
            return [$held.' or exists (select from holds h where h.licence_id = li.id and h.closed_at is null)))', $bindings];
        }
        $ready = $held.") and li.starts_at <= ? and (li.copies_free is null or li.copies_free > 0)
            and case when li.model = 'pay_per_loan' then li.price_cents <= pay_per_loan_left(li.library_id, ?) and format <> all(?::text[]) else true end)";
        $bindings = [...$bindings, $at, $at, '{'.implode(',', $reach->unpaid).'}'];

        return $reach->audiences === null
            ? [$ready, $bindings]
            : [$ready." and format || ':' || audience = any(?::text[])", [...$bindings, '{'.implode(',', $reach->audiences).'}']];
    }

    /**
     * All of it for many titles at once, each title's licences read once: as a table with held, ready and always, to be joined laterally.
     *
     * @param  literal-string&non-falsy-string  $of  the alias of what has title_id, format and audience
     * @return array{string, list<mixed>} SQL and its bindings
     */
    public static function lateral(int $libraryId, DateTimeImmutable $now, CardReach $reach, string $of): array
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        $allowed = $reach->audiences === null ? 'true' : "{$of}.format || ':' || {$of}.audience = any(?::text[])";

        return [
            "(select bool_or(live or exists (select from holds h where h.licence_id = x.id and h.closed_at is null)) held, coalesce(bool_or(live and lends), false) and {$allowed} as ready,
                coalesce(bool_or(live and lends and x.model = 'simultaneous'), false) and {$allowed} as always from (
                    select li.id, li.model, (li.loans_left is null or li.loans_left > 0) live, li.starts_at <= ? and (li.copies_free is null or li.copies_free > 0)
                        and case when li.model = 'pay_per_loan' then li.price_cents <= pay_per_loan_left(li.library_id, ?) and {$of}.format <> all(?::text[]) else true end lends
                    from licences li where li.title_id = {$of}.title_id and ".UsableLicences::FOR_LIBRARY.' and (li.ends_at is null or li.ends_at > ?)) x)',
            [
                ...($reach->audiences === null ? [] : array_fill(0, 2, '{'.implode(',', $reach->audiences).'}')),
                $at, $at, '{'.implode(',', $reach->unpaid).'}', $libraryId, $libraryId, $at,
            ],
        ];
    }
}
