<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\Title;
use App\Queries\Lending\UsableLicences;
use App\Queries\PageAsked;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Query\QueryParser;
use FigPorch\Core\Catalogue\Reach;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;

/** What a search finds, a page of it at a time, with exact counts for every filter. */
final class SearchTitles
{
    private const COLUMNS = ['titles.id', 'work_id', 'format', 'name', 'subtitle', 'edition', 'language', 'audience', 'published', 'series_id', 'series_position', 'extent', 'extent_seconds', 'cover_file'];

    private const MOST_SUBJECTS = 12;

    private const MOST_AWARDS = 8;

    /**
     * Each value's count is of what all other filters leave: those of which one value is chosen do not narrow themselves. The titles are
     * counted once by all that is filtered by; what follows works on the few rows which that leaves.
     */
    private const COUNTS = <<<'SQL'
        with c as materialized (select s.format, s.audience, s.language, s.year, floor(s.level)::int as level, s.subjects, s.awards, %1$s can from search_rows s where %2$s),
            g as materialized (select format, audience, language, year, level, can & 2 > 0 as ready, can & 4 > 0 as always, count(*) n from c where %3$s group by 1, 2, 3, 4, 5, 6, 7),
            f as materialized (select *, %4$s f, %5$s a, %6$s l, %7$s r, %8$s w, %9$s y, %10$s g from g),
            m as (select subjects, awards from (select *, can & 2 > 0 as ready, can & 4 > 0 as always from c where %3$s) x where %4$s and %5$s and %6$s and %7$s and %8$s and %9$s and %10$s)
        select grouping(format, audience, language, year, level) of, coalesce(format, audience, language, year::text, level::text) as value,
            sum(n) filter (where f and a and l and r and w and y and g) n,
            sum(n) filter (where a and l and r and w and y and g) by_format, sum(n) filter (where f and l and r and w and y and g) by_audience,
            sum(n) filter (where f and a and r and w and y and g) by_language, sum(n) filter (where f and a and l and r and w and g) by_year,
            sum(n) filter (where f and a and l and r and w and y) by_level,
            sum(n) filter (where ready and f and a and l and w and y and g) ready, sum(n) filter (where always and f and a and l and r and y and g) always
            from f group by grouping sets ((format), (audience), (language), (year), (level), ())
        union all (select -1, x.id || ' ' || x.name, most.n, 0, 0, 0, 0, 0, 0, 0 from
            (select subject, count(*) n from (select unnest(subjects) subject from m) y group by 1 order by n desc, subject limit %11$d) most join subjects x on x.id = most.subject order by most.n desc, x.id)
        union all (select -2, award, count(*) n, 0, 0, 0, 0, 0, 0, 0 from (select unnest(awards) award from m where awards <> '{}') y group by award order by n desc, award limit %12$d)
        SQL;

    /** What is ready, then by how many wait for each copy. */
    private const SOONEST = "case when had.can & 2 > 0 then 0 else 1 + (select count(*) from holds h where h.title_id = s.title_id and h.state in ('waiting', 'paused'))
        / greatest(1, (select sum(coalesce(li.copies, 1)) from licences li where li.title_id = s.title_id and ".UsableLicences::FOR_LIBRARY.'))::numeric end, s.times_borrowed desc';

    /** By what a row of COUNTS is grouped: the bits of grouping() that are 0. */
    private const GROUPED = ['format' => 0b01111, 'audience' => 0b10111, 'language' => 0b11011, 'year' => 0b11101, 'level' => 0b11110];

    /**
     * @param  int  $ranked  up to so many are put in order by the weight of each word in each of them
     * @param  int  $walked  from so many on an index in the order asked for is walked until a page is full
     */
    public function __construct(private readonly int $ranked = 2000, private readonly int $walked = 30_000)
    {
    }

    /**
     * @param  int  $total  how many match, as counts() says
     * @return LengthAwarePaginator<int, Title>
     */
    public function page(CatalogueSearch $search, int $total, DateTimeImmutable $now, ?int $perPage = null): LengthAwarePaginator
    {
        $perPage ??= (int) config('figporch.page_size');
        $page = PageAsked::of($total, $perPage);
        $from = ($page - 1) * $perPage;
        $ids = match (true) {
            $total === 0 => [],
            $search->order === 'relevance' && $total > $this->ranked => $this->byNameThenPopularity($search, $total, $from, $perPage, $now),
            default => $this->ids($search, $now, ...[...$this->order($search, $total), $perPage, $from]),
        };
        $titles = Title::query()->findMany($ids, self::COLUMNS)->keyBy('id');
        TitleNames::giveTo($titles);

        return new LengthAwarePaginator(array_values(array_filter(array_map(fn (int $id): ?Title => $titles[$id] ?? null, $ids))), $total, $perPage, $page, ['path' => Paginator::resolveCurrentPath()]);
    }

    /**
     * @param  list<mixed>  $orderBindings
     * @param  array{string, list<mixed>}  $also  a condition more
     * @return list<int>
     */
    private function ids(CatalogueSearch $search, DateTimeImmutable $now, string $order, array $orderBindings, int $limit, int $offset, array $also = ['true', []]): array
    {
        [$join, $where, $bindings] = $this->where($search, $now);
        $names = str_contains($order, 't.') ? 'join titles t on t.id = s.title_id' : '';

        return array_column(DB::select(
            "select s.title_id from search_rows s {$names} {$join} where {$where} and {$also[0]} order by {$order}, s.title_id limit ? offset ?", [...$bindings, ...$also[1], ...$orderBindings, $limit, $offset],
        ), 'title_id');
    }

    /**
     * Where thousands match, weighing each word in each of them would take seconds: those whose titles and people have the words come
     * first, a title that is called just so before all, then the others, each part by how often it is borrowed.
     *
     * @return list<int>
     */
    private function byNameThenPopularity(CatalogueSearch $search, int $total, int $from, int $count, DateTimeImmutable $now): array
    {
        $popular = $total > $this->walked ? 's.times_borrowed desc' : 's.times_borrowed + 0 desc';
        $names = QuerySql::names($search->query->tree);
        if ($names === null) {
            return $this->ids($search, $now, $popular, [], $count, $from);
        }
        $called = array_column(DB::select('select id from titles where lower(name) = lower(?) limit 100', [$search->words]), 'id');
        $named = ["s.stems @@ {$names->sql}", $names->bindings];
        $first = $this->ids($search, $now, 's.title_id = any(?::bigint[]) desc, s.times_borrowed + 0 desc', ['{'.implode(',', $called).'}'], $count, $from, $named);
        if (count($first) === $count) {
            return $first;
        }
        [$join, $where, $bindings] = $this->where($search, $now);
        $before = $first !== [] ? $from + count($first) : (int) DB::scalar("select count(*) from search_rows s {$join} where {$where} and {$named[0]}", [...$bindings, ...$named[1]]);

        return [...$first, ...$this->ids($search, $now, $popular, [], $count - count($first), max(0, $from - $before), ["not s.stems @@ {$names->sql}", $names->bindings])];
    }

    public function counts(CatalogueSearch $search, DateTimeImmutable $now): Facets
    {
        [$can, $canBindings] = HeldTitles::anywhere($search->places(), $now);
        [$where, $bindings] = $this->base($search);
        $choices = $this->choices($search);
        $rows = DB::select(
            sprintf(self::COUNTS, $can, $where, self::within($search, 'can'), ...[...array_column($choices, 0), self::MOST_SUBJECTS, self::MOST_AWARDS]),
            [...$canBindings, ...$bindings, ...$chosen = array_merge(...array_column($choices, 1)), ...$chosen],
        );
        $of = ['format' => [], 'audience' => [], 'language' => [], 'year' => [], 'level' => []];
        $subjects = $names = $awards = [];
        $all = null;
        foreach ($rows as $row) {
            $facet = array_search($row->of, self::GROUPED, true);
            if ($row->of === -1) {
                [$id, $name] = explode(' ', $row->value, 2);
                $subjects[(int) $id] = (int) $row->n;
                $names[(int) $id] = $name;
            } elseif ($row->of === -2) {
                $awards[$row->value] = (int) $row->n;
            } elseif ($facet === false) {
                $all = $row;
            } elseif ($row->value !== null && $row->{"by_{$facet}"} > 0) {
                $of[$facet][$row->value] = (int) $row->{"by_{$facet}"};
            }
        }
        ksort($of['year']);
        ksort($of['level']);
        $unnamed = array_diff($search->subjects, array_keys($names));
        $names += $unnamed === [] ? [] : DB::table('subjects')->whereIn('id', $unnamed)->pluck('name', 'id')->all();

        return new Facets((int) ($all->n ?? 0), (int) ($all->ready ?? 0), (int) ($all->always ?? 0), $of['format'], $of['audience'], $of['language'], $subjects, $names, $of['year'], $of['level'], $awards, $this->byLibrary($search, $now));
    }

    /** @return array<int, int> where several libraries count, how many each has, by library, and all together under 0 */
    private function byLibrary(CatalogueSearch $search, DateTimeImmutable $now): array
    {
        $counts = [];
        foreach ($search->how === Reach::Cards ? array_keys([0 => 1, $search->libraryId => 1] + $search->otherCards) : [] as $id) {
            $counts[$id] = $this->total(CatalogueSearch::read($search->libraryId, $search->with(['at' => $id === 0 ? null : (string) $id]), $search->reach, $search->otherCards, $search->listWords), $now);
        }

        return $counts;
    }

    /** How many titles a search finds, and nothing else. */
    public function total(CatalogueSearch $search, DateTimeImmutable $now): int
    {
        [$join, $where, $bindings] = $this->where($search, $now);

        return DB::scalar("select count(*) from search_rows s {$join} where {$where}", $bindings);
    }

    /**
     * All that a search asks of search_rows (alias s), but for what can be had of it at this moment.
     *
     * @return array{string, list<mixed>}
     */
    public function condition(CatalogueSearch $search): array
    {
        [$where, $bindings] = $this->base($search);
        foreach (array_diff_key($this->choices($search, 's.'), ['ready' => 1, 'always' => 1]) as [$sql, $values]) {
            $where .= " and {$sql}";
            array_push($bindings, ...$values);
        }

        return [$where, $bindings];
    }

    /**
     * Everything, on search_rows s joined with what can be had of it ("had").
     *
     * @return array{string, string, list<mixed>} the join, the condition, the bindings of both
     */
    private function where(CatalogueSearch $search, DateTimeImmutable $now): array
    {
        [$can, $canBindings] = HeldTitles::anywhere($search->places(), $now);
        [$where, $bindings] = $this->base($search);
        foreach ($this->choices($search, 's.', '(had.can & %d > 0)') as [$sql, $values]) {
            $where .= " and {$sql}";
            array_push($bindings, ...$values);
        }

        return ["cross join lateral (select {$can} can offset 0) had", "{$where} and ".self::within($search, 'had.can'), [...$canBindings, ...$bindings]];
    }

    /** Held by one of the libraries, or beyond all of them. */
    private static function within(CatalogueSearch $search, string $can): string
    {
        return $search->how === Reach::Beyond ? "{$can} & 1 = 0" : "{$can} & 1 = 1";
    }

    /**
     * The words, and the filters that narrow themselves.
     *
     * @return array{string, list<mixed>}
     */
    private function base(CatalogueSearch $search): array
    {
        $query = QuerySql::of($search->query->tree);
        [$where, $bindings] = [$query->sql, $query->bindings];
        foreach ($search->subjects as $subject) {
            $where .= ' and s.title_id in (select title_id from subject_title where subject_id = ?)';
            $bindings[] = $subject;
        }
        if ($search->awards !== []) {
            $where .= ' and s.awards @> array(select jsonb_array_elements_text(?))';
            $bindings[] = json_encode($search->awards, JSON_THROW_ON_ERROR);
        }
        if ($search->seriesId !== null) {
            $where .= ' and s.series_id = ?';
            $bindings[] = $search->seriesId;
        }
        if ($search->how === Reach::Beyond) {
            $where .= ' and (s.supplied or s.held && array(select id::int from libraries where consortium_id = (select consortium_id from libraries where id = ?)))';
            $bindings[] = $search->libraryId;
        }
        if ($search->listWords !== null) {
            $of = QuerySql::of(QueryParser::read($search->listWords)->tree);
            $where .= " and {$of->sql}";
            array_push($bindings, ...$of->bindings);
        } elseif ($search->staffListId !== null) {
            $where .= ' and s.title_id in (select title_id from staff_list_title where staff_list_id = ?)';
            $bindings[] = $search->staffListId;
        }

        return [$where, $bindings];
    }

    /**
     * The filters of which one value is chosen, on the columns of search_rows and of what can be had.
     *
     * @return array{format: array{string, list<mixed>}, audience: array{string, list<mixed>}, language: array{string, list<mixed>}, ready: array{string, list<mixed>}, always: array{string, list<mixed>}, year: array{string, list<mixed>}, level: array{string, list<mixed>}}
     */
    private function choices(CatalogueSearch $search, string $row = '', ?string $had = null): array
    {
        $all = ['true', []];
        $range = fn (string $of, array $from): array => $from === [null, null] ? $all : ["coalesce({$of} between ? and ?, false)", [$from[0] ?? -9999, $from[1] ?? 9999]];

        return [
            'format' => $search->format === null ? $all : ["{$row}format = ?", [$search->format->value]],
            'audience' => $search->audience === null ? $all : ["{$row}audience = ?", [$search->audience->value]],
            'language' => $search->language === null ? $all : ["coalesce({$row}language = ?, false)", [$search->language]],
            'ready' => $search->readyNow ? [$had === null ? 'ready' : sprintf($had, HeldTitles::READY), []] : $all,
            'always' => $search->alwaysReady ? [$had === null ? 'always' : sprintf($had, HeldTitles::ALWAYS), []] : $all,
            'year' => $range("{$row}year", $search->years),
            'level' => $range("floor({$row}level)", $search->levels),
        ];
    }

    /**
     * An index that is in the order asked for is walked where many match; where few do, sorting them is quicker, and "+ 0" keeps the
     * planner from walking all the same.
     *
     * @return array{string, list<mixed>}
     */
    private function order(CatalogueSearch $search, int $total): array
    {
        $relevance = QuerySql::relevance($search->query->tree);
        $walk = $total > $this->walked;

        return match (true) {
            $search->order === 'relevance' && $relevance !== null => [
                "lower(t.name) = lower(?) desc, ts_rank('{0.05, 0.2, 0.6, 1.0}', s.stems, {$relevance->sql}) desc, s.times_borrowed desc",
                [$search->words, ...$relevance->bindings],
            ],
            $search->order === 'most_borrowed' => [$walk ? 's.times_borrowed desc' : 's.times_borrowed + 0 desc', []],
            $search->order === 'title' => ['lower(t.name)', []],
            $search->order === 'list' => ['(select position from staff_list_title l where l.staff_list_id = ? and l.title_id = s.title_id)', [$search->staffListId]],
            $search->order === 'soonest' => [self::SOONEST, [$search->libraryId, $search->libraryId]],
            $search->order === 'series' => ['t.series_id nulls last, t.series_position nulls last', []],
            default => [$walk ? 's.added_at desc' : "s.added_at + interval '0' desc", []],
        };
    }
}
