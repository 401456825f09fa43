<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\ListFilter;
use App\Models\Title;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Searches by the indexes of the database alone: in catalogues of some thousand titles, and where nothing is gathered.
 */
final class SqlEngine implements SearchEngine
{
    /**
     * @param  int  $ranked  up to so many are put in order by the weight of each word in each of them
     * @param  int  $walked  from so many on an index in the order asked for is walked until a page is full
     */
    public function __construct(
        private readonly FacetSql $facetSql,
        private readonly int $ranked = 300,
        private readonly int $walked = 30_000,
    ) {}

    public function count(SearchRequest $search, DateTimeImmutable $now): int
    {
        [$join, $where, $bindings] = SearchSql::where($search, $now);

        return DB::scalar("select count(*) from search_rows s {$join} where {$where}", $bindings);
    }

    public function titles(SearchRequest $search, int $total, int $count, int $from, DateTimeImmutable $now): array
    {
        return TitleNames::inOrder(
            $this->numbers(
                search: $search,
                total: $total,
                walk: $total > $this->walked,
                count: $count,
                from: $from,
                now: $now,
                also: ['true', []],
            ),
        );
    }

    public function inOrder(SearchRequest $search, int $total, array $among, DateTimeImmutable $now): array
    {
        return $this->numbers(
            search: $search,
            total: $total,
            walk: false,
            count: count($among),
            from: 0,
            now: $now,
            also: ['s.title_id = any(?::bigint[])', [Sql::array($among)]],
        );
    }

    /**
     * @param  bool  $walk  along an index in the order asked for
     * @param  array{string, list<mixed>}  $also  a condition more
     * @return list<int>
     */
    private function numbers(
        SearchRequest $search,
        int $total,
        bool $walk,
        int $count,
        int $from,
        DateTimeImmutable $now,
        array $also,
    ): array {
        return $search->order === 'relevance' && $total > $this->ranked
            ? $this->byNameThenPopularity(
                search: $search,
                walk: $walk,
                from: $from,
                count: $count,
                now: $now,
                also: $also,
            )
            : $this->ids($search, $now, ...[...SearchOrder::sql($search, $walk), $count, $from, $also]);
    }

    public function glance(SearchRequest $search, int $first, DateTimeImmutable $now): FoundAtAGlance
    {
        [$join, $where, $bindings] = SearchSql::where($search, $now);
        [$order, $orderBindings] = SearchOrder::sql($search, walk: false);
        $names = SearchOrder::join($order);
        $row = DB::selectOne(
            "with f as (select s.title_id, had.can, row_number() over (order by {$order}, s.title_id) nth
                    from search_rows s {$names} {$join} where {$where})
                select count(*) titles, count(*) filter (where can & ? > 0) ready,
                    array_to_json(array_agg(title_id order by nth) filter (where nth <= ?)) first from f",
            [...$orderBindings, ...$bindings, HeldTitles::READY, $first],
        );

        return new FoundAtAGlance($row->titles, $row->ready, json_decode($row->first ?? '[]'));
    }

    public function formats(SearchRequest $search, DateTimeImmutable $now): array
    {
        [$join, $where, $bindings] = SearchSql::where($search, $now);

        return array_column(
            DB::select("select s.format, count(*) n from search_rows s {$join} where {$where} group by 1", $bindings),
            'n',
            'format',
        );
    }

    public function facets(SearchRequest $search, DateTimeImmutable $now): Facets
    {
        return $this->facetSql->of($search, $now);
    }

    /**
     * All of what a search finds, where that is little; null where it is more, or not put in order by weight. Not tried
     * where nothing but filters of one value is asked for: those leave most of a library.
     */
    public function few(SearchRequest $search, DateTimeImmutable $now): ?FewFound
    {
        $lists = array_filter($search->filters->of(ListFilter::class), fn(ListFilter $of): bool => $of->isSet());
        $narrow = $search->words !== '' || $search->staffListId !== null || $lists !== [];

        return $narrow && $this->ranked >= FewFound::MOST ? FewFound::of($search, $now) : null;
    }

    /**
     * @param  list<mixed>  $orderBindings
     * @param  array{string, list<mixed>}  $also  a condition more
     * @return list<int>
     */
    public function ids(
        SearchRequest $search,
        DateTimeImmutable $now,
        string $order,
        array $orderBindings,
        int $limit,
        int $offset,
        array $also = ['true', []],
    ): array {
        [$join, $where, $bindings] = SearchSql::where($search, $now);
        $names = SearchOrder::join($order);

        return array_column(
            DB::select(
                "select s.title_id
                    from search_rows s {$names} {$join} where {$where} and {$also[0]} order by
                    {$order}, s.title_id limit ? offset ?",
                [...$bindings, ...$also[1], ...$orderBindings, $limit, $offset],
            ),
            'title_id',
        );
    }

    /**
     * Where thousands match, weighing each word in each of them would take seconds: those whose titles and people have
     * the words come first, a title that is called just so before all, then the others, each part by how often it is
     * borrowed.
     *
     * @param  bool  $walk  along the index of how often each is borrowed
     * @param  array{string, list<mixed>}  $also  a condition more
     * @return list<int>
     */
    private function byNameThenPopularity(
        SearchRequest $search,
        bool $walk,
        int $from,
        int $count,
        DateTimeImmutable $now,
        array $also,
    ): array {
        $popular = $walk ? 's.times_borrowed desc' : 's.times_borrowed + 0 desc';
        $names = QuerySql::names($search->query->tree);
        if ($names === null) {
            return $this->ids(
                search: $search,
                now: $now,
                order: $popular,
                orderBindings: [],
                limit: $count,
                offset: $from,
                also: $also,
            );
        }
        $called = array_column(
            DB::select('select id from titles where lower(name) = lower(?) limit 100', [$search->words]),
            'id',
        );
        $named = ["{$also[0]} and s.stems @@ {$names->sql}", [...$also[1], ...$names->bindings]];
        $first = $this->ids(
            search: $search,
            now: $now,
            order: 's.title_id = any(?::bigint[]) desc, s.times_borrowed + 0 desc',
            orderBindings: [Sql::array($called)],
            limit: $count,
            offset: $from,
            also: $named,
        );
        if (count($first) === $count) {
            return $first;
        }
        [$join, $where, $bindings] = SearchSql::where($search, $now);
        $before =
            $first !== []
                ? $from + count($first)
                : (int) DB::scalar("select count(*) from search_rows s {$join} where {$where} and {$named[0]}", [
                    ...$bindings,
                    ...$named[1],
                ]);

        return [
            ...$first,
            ...$this->ids(
                search: $search,
                now: $now,
                order: $popular,
                orderBindings: [],
                limit: $count - count($first),
                offset: max(0, $from - $before),
                also: ["{$also[0]} and not s.stems @@ {$names->sql}", [...$also[1], ...$names->bindings]],
            ),
        ];
    }
}
