<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\Title;
use App\Queries\Lending\UsableLicences;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** The titles that a library's patrons can get, now or by waiting. */
final class HeldTitles
{
    /**
     * @param  list<string>|null  $allowed  what the card may borrow, as pairs like "ebook:teen"; null for everything.
     *                                      It counts for ready now alone: what is listed as ready can be borrowed.
     * @return Builder<Title>
     */
    public static function of(int $libraryId, DateTimeImmutable $now, bool $readyNow = false, ?array $allowed = null): Builder
    {
        $at = $now->format('Y-m-d H:i:s.uP');
        $lendable = $readyNow
            ? ' and li.starts_at <= ? and (li.copies_free is null or li.copies_free > 0)'
            : '';

        $titles = Title::query();
        if ($readyNow && $allowed !== null) {
            $titles->whereIn(DB::raw("format || ':' || audience"), $allowed);
        }

        return $titles->whereRaw(
            'exists (select from licences li where li.title_id = titles.id and '.UsableLicences::FOR_LIBRARY
                .' and (li.ends_at is null or li.ends_at > ?) and (li.loans_left is null or li.loans_left > 0'
                .($readyNow ? '' : ' or exists (select from holds h where h.licence_id = li.id and h.closed_at is null)').')'
                .$lendable.')',
            [$libraryId, $libraryId, $at, ...($readyNow ? [$at] : [])],
        );
    }
}
