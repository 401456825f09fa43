<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Lending\Licences\UsableLicences;
use App\Shared\Sql;

/** The order of what is found, as SQL on search_rows (s) and titles (t). */
final class SearchOrder
{
    /** What is ready, then by how many wait for each copy; last what is on order. */
    private const SOONEST =
        "case when had.can & 2 > 0 then 0 when not exists (select from licences li where li.title_id = s.title_id
            and li.file_came_at is not null) then 1e9 else 1 + (select count(*) from holds h
            where h.title_id = s.title_id and h.state in ('waiting', 'paused'))
        / greatest(1, (select sum(coalesce(li.copies, 1)) from licences li where li.title_id = s.title_id and " .
        UsableLicences::FOR_LIBRARY .
        '))::numeric end, s.times_borrowed desc';

    /** Orders that an index is in. */
    public const INDEXED = ['most_borrowed' => 's.times_borrowed desc', 'newest' => 's.added_at desc'];

    /**
     * An index that is in the order asked for is walked where many match; where few do, sorting them is quicker, and "+
     * 0" keeps the planner from walking all the same.
     *
     * @param  bool  $walk  many match
     * @param  list<int>|null  $called  titles that are called just what is looked for, where they are known
     * @return array{string, list<mixed>}
     */
    public static function sql(SearchRequest $search, bool $walk, ?array $called = null): array
    {
        $relevance = QuerySql::relevance($search->query->tree);
        [$isCalled, $binding] =
            $called === null
                ? ['lower(t.name) = lower(?)', $search->words]
                : ['s.title_id = any(?::bigint[])', Sql::array($called)];

        return match (true) {
            $search->order === 'relevance' && $relevance !== null => [
                "{$isCalled} desc, ts_rank('{0.05, 0.2, 0.6, 1.0}', " .
                "s.stems, {$relevance->sql}) desc, s.times_borrowed desc",
                [$binding, ...$relevance->bindings],
            ],
            $search->order === 'most_borrowed' => [$walk ? 's.times_borrowed desc' : 's.times_borrowed + 0 desc', []],
            $search->order === 'title' => ['lower(t.name)', []],
            $search->order === 'list' => [
                '(select position from staff_list_title l where l.staff_list_id = ? and l.title_id = s.title_id)',
                [$search->staffListId],
            ],
            $search->order === 'soonest' => [self::SOONEST, [$search->libraryId]],
            $search->order === 'series' => ['t.series_id nulls last, t.series_position nulls last', []],
            default => [$walk ? 's.added_at desc' : "s.added_at + interval '0' desc", []],
        };
    }

    /** The table of titles, where an order needs it. */
    public static function join(string $order): string
    {
        return preg_match('/\bt\./', $order) === 1 ? 'join titles t on t.id = s.title_id' : '';
    }
}
