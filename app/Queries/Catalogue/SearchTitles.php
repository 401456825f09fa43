<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Models\Title;
use DateTimeImmutable;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;

/** What a search finds, a page of it at a time, with exact counts for every filter. */
final class SearchTitles
{
    private const COLUMNS = ['titles.id', 'work_id', 'format', 'name', 'subtitle', 'edition', 'language', 'audience', 'published', 'series_id', 'series_position', 'extent', 'extent_seconds', 'cover_file'];

    private const MOST_SUBJECTS = 12;

    /** Each value's count is of what all other filters leave: those of which one value is chosen do not narrow themselves. */
    private const COUNTS = <<<'SQL'
        with m as materialized (select s.title_id, s.format, s.audience, s.language, s.year, s.level, %s as ready, %s as always from search_rows s where %s),
            f as materialized (select *, %s f, %s a, %s l, %s r, %s w, %s y, %s g from m)
        select 'total' facet, null as value, count(*) n from f where f and a and l and r and w and y and g
        union all select 'ready', null, count(*) from f where ready and f and a and l and w and y and g
        union all select 'always', null, count(*) from f where always and f and a and l and r and y and g
        union all select 'format', format, count(*) from f where a and l and r and w and y and g group by 2
        union all select 'audience', audience, count(*) from f where f and l and r and w and y and g group by 2
        union all select 'language', language, count(*) from f where language is not null and f and a and r and w and y and g group by 2
        union all select 'year', year::text, count(*) from f where year is not null and f and a and l and r and w and g group by 2
        union all select 'level', floor(level)::int::text, count(*) from f where level is not null and f and a and l and r and w and y group by 2
        union all (select 'subject', st.subject_id::text, count(*) n from f join subject_title st on st.title_id = f.title_id
            where f and a and l and r and w and y and g group by 2 order by n desc, 2 limit %d)
        SQL;

    /**
     * @param  int  $total  how many match, as counts() says
     * @return LengthAwarePaginator<int, Title>
     */
    public function page(CatalogueSearch $search, int $total, DateTimeImmutable $now): LengthAwarePaginator
    {
        [$where, $bindings] = $this->where($search, $now);
        $page = Paginator::resolveCurrentPage();
        $perPage = (int) config('figporch.page_size');
        [$order, $orderBindings] = $this->order($search);
        $ids = array_column(DB::select(
            "select s.title_id from search_rows s join (select id, name, series_id, series_position from titles) t on t.id = s.title_id where {$where} order by {$order}, s.title_id limit ? offset ?",
            [...$bindings, ...$orderBindings, $perPage, max(0, ($page - 1) * $perPage)],
        ), 'title_id');
        $titles = Title::query()->with(['contributors', 'series', 'subjects'])->findMany($ids, self::COLUMNS)->keyBy('id');

        return new LengthAwarePaginator(array_values(array_filter(array_map(fn (int $id): ?Title => $titles[$id] ?? null, $ids))), $total, $perPage, $page, ['path' => Paginator::resolveCurrentPath()]);
    }

    public function counts(CatalogueSearch $search, DateTimeImmutable $now): Facets
    {
        [$ready, $readyBindings] = HeldTitles::condition($search->libraryId, $now, true, $search->reach, 's.title_id');
        [$always, $alwaysBindings] = self::always($search, $now);
        [$where, $bindings] = $this->base($search, $now);
        $choices = $this->choices($search);
        $rows = DB::select(
            sprintf(self::COUNTS, $ready, $always, $where, ...[...array_column($choices, 0), self::MOST_SUBJECTS]),
            [...$readyBindings, ...$alwaysBindings, ...$bindings, ...array_merge(...array_column($choices, 1))],
        );
        $of = ['total' => [], 'ready' => [], 'always' => [], 'format' => [], 'audience' => [], 'language' => [], 'year' => [], 'level' => [], 'subject' => []];
        foreach ($rows as $row) {
            $of[$row->facet][$row->value ?? ''] = $row->n;
        }
        ksort($of['year']);
        ksort($of['level']);
        $names = DB::table('subjects')->whereIn('id', [...array_keys($of['subject']), ...$search->subjects])->pluck('name', 'id')->all();

        return new Facets($of['total'][''] ?? 0, $of['ready'][''] ?? 0, $of['always'][''] ?? 0, $of['format'], $of['audience'], $of['language'], $of['subject'], $names, $of['year'], $of['level']);
    }

    /** How many titles a search finds, and nothing else. */
    public function total(CatalogueSearch $search, DateTimeImmutable $now): int
    {
        [$where, $bindings] = $this->where($search, $now);

        return DB::scalar("select count(*) from search_rows s where {$where}", $bindings);
    }

    /** @return array{string, list<mixed>} */
    private function where(CatalogueSearch $search, DateTimeImmutable $now): array
    {
        [$where, $bindings] = $this->base($search, $now);
        if ($search->readyNow) {
            [$ready, $readyBindings] = HeldTitles::condition($search->libraryId, $now, true, $search->reach, 's.title_id');
            $where .= " and {$ready}";
            array_push($bindings, ...$readyBindings);
        }
        if ($search->alwaysReady) {
            [$always, $alwaysBindings] = self::always($search, $now);
            $where .= " and {$always}";
            array_push($bindings, ...$alwaysBindings);
        }
        foreach (array_diff_key($this->choices($search), ['ready' => 1, 'always' => 1]) as [$sql, $values]) {
            $where .= " and {$sql}";
            array_push($bindings, ...$values);
        }

        return [$where, $bindings];
    }

    /**
     * The words, and the filters that narrow themselves.
     *
     * @return array{string, list<mixed>}
     */
    private function base(CatalogueSearch $search, DateTimeImmutable $now): array
    {
        $query = QuerySql::of($search->query->tree);
        [$held, $heldBindings] = HeldTitles::condition($search->libraryId, $now, false, id: 's.title_id');
        [$where, $bindings] = ["{$query->sql} and {$held}", [...$query->bindings, ...$heldBindings]];
        foreach ($search->subjects as $subject) {
            $where .= ' and s.title_id in (select title_id from subject_title where subject_id = ?)';
            $bindings[] = $subject;
        }
        if ($search->seriesId !== null) {
            $where .= ' and s.series_id = ?';
            $bindings[] = $search->seriesId;
        }
        if ($search->staffListId !== null) {
            $where .= ' and s.title_id in (select title_id from staff_list_title where staff_list_id = ?)';
            $bindings[] = $search->staffListId;
        }

        return [$where, $bindings];
    }

    /**
     * The filters of which one value is chosen, on the columns of search_rows.
     *
     * @return array{format: array{string, list<mixed>}, audience: array{string, list<mixed>}, language: array{string, list<mixed>}, ready: array{string, list<mixed>}, always: array{string, list<mixed>}, year: array{string, list<mixed>}, level: array{string, list<mixed>}}
     */
    private function choices(CatalogueSearch $search): array
    {
        $all = ['true', []];
        $range = fn (string $of, array $from): array => $from === [null, null] ? $all : ["coalesce({$of} between ? and ?, false)", [$from[0] ?? -9999, $from[1] ?? 9999]];

        return [
            'format' => $search->format === null ? $all : ['format = ?', [$search->format->value]],
            'audience' => $search->audience === null ? $all : ['audience = ?', [$search->audience->value]],
            'language' => $search->language === null ? $all : ['coalesce(language = ?, false)', [$search->language]],
            'ready' => $search->readyNow ? ['ready', []] : $all,
            'always' => $search->alwaysReady ? ['always', []] : $all,
            'year' => $range('year', $search->years),
            'level' => $range('floor(level)', $search->levels),
        ];
    }

    /** @return array{string, list<mixed>} */
    private static function always(CatalogueSearch $search, DateTimeImmutable $now): array
    {
        [$held, $bindings] = HeldTitles::condition($search->libraryId, $now, true, $search->reach, 's.title_id');

        return [str_replace('li.starts_at <= ?', "li.model = 'simultaneous' and li.starts_at <= ?", $held), $bindings];
    }

    /** @return array{string, list<mixed>} */
    private function order(CatalogueSearch $search): array
    {
        $relevance = QuerySql::relevance($search->query->tree);

        return match (true) {
            $search->order === 'relevance' && $relevance !== null => [
                "lower(t.name) = lower(?) desc, ts_rank('{0.05, 0.2, 0.6, 1.0}', s.stems, {$relevance->sql}) desc, s.times_borrowed desc",
                [$search->words, ...$relevance->bindings],
            ],
            $search->order === 'most_borrowed' => ['s.times_borrowed desc', []],
            $search->order === 'title' => ['lower(t.name)', []],
            $search->order === 'series' => ['t.series_id nulls last, t.series_position nulls last', []],
            default => ['s.added_at desc', []],
        };
    }
}
