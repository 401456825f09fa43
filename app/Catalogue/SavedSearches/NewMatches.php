<?php

declare(strict_types=1);

namespace App\Catalogue\SavedSearches;

use App\Catalogue\Search\HeldTitles;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SearchSql;
use App\Lending\Licences\UsableLicences;
use App\Shared\Sql;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** What fits a search and has come to its library since a moment: titles of which it had no licence before. */
final class NewMatches
{
    private const MOST = 200;

    private const ARRIVED =
        'select s.title_id from search_rows s where %s and %s and %s
        and exists (select from licences li where li.title_id = s.title_id and ' .
        UsableLicences::FOR_LIBRARY .
        ' and li.added_at > ?)
        and not exists (select from licences li where li.title_id = s.title_id and ' .
        UsableLicences::FOR_LIBRARY .
        ' and li.added_at <= ?) order by s.title_id limit ' .
        self::MOST;

    /** @return list<int> numbers of titles */
    public function of(SearchRequest $search, DateTimeImmutable $since, DateTimeImmutable $now): array
    {
        [$where, $bindings] = SearchSql::condition($search);
        [$held, $heldBindings] = HeldTitles::condition($search->libraryId, $now);
        $at = Sql::timestamp($since);

        // Few titles are new: they are found first, by the licences.
        $new =
            's.title_id in (select li.title_id from licences li where li.added_at > ? and ' .
            UsableLicences::FOR_LIBRARY .
            ')';
        $library = $search->libraryId;

        return array_column(
            DB::select(sprintf(self::ARRIVED, $new, $where, $held), [
                $at,
                $library,
                ...$bindings,
                ...$heldBindings,
                $library,
                $at,
                $library,
                $at,
            ]),
            'title_id',
        );
    }
}
