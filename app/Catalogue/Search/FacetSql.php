<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Counts every value of every filter in one statement. */
final class FacetSql
{
    /**
     * Each value's count is of what all other filters leave: those of which one value is chosen do not narrow
     * themselves. The titles are counted once by all that is filtered by; what follows works on the few rows which that
     * leaves.
     */
    private const COUNTS = <<<'SQL'
    with c as materialized (select s.format, s.audience, s.language, s.year, floor(s.level)::int as level, s.subjects,
        s.awards, s.series_id, %1$s can from search_rows s where %2$s),
        g as materialized (select format, audience, language, year, level, can & 2 > 0 as ready,
            can & 4 > 0 as always, count(*) n from c where %3$s group by 1, 2, 3, 4, 5, 6, 7),
        f as materialized (select *, %4$s f, %5$s a, %6$s l, %7$s r, %8$s w, %9$s y, %10$s g from g),
        m as (select subjects, awards, series_id from (select *, can & 2 > 0 as ready, can & 4 > 0 as always from c
            where %3$s) x where %4$s and %5$s and %6$s and %7$s and %8$s and %9$s and %10$s)
    select grouping(format, audience, language, year, level) of, coalesce(format, audience, language, year::text,
        level::text) as value,
        sum(n) filter (where f and a and l and r and w and y and g) n,
        sum(n) filter (where a and l and r and w and y and g) by_format, sum(n) filter (where f and l and r and w
            and y and g) by_audience,
        sum(n) filter (where f and a and r and w and y and g) by_language, sum(n) filter (where f and a and l and r
            and w and g) by_year,
        sum(n) filter (where f and a and l and r and w and y) by_level,
        sum(n) filter (where ready and f and a and l and w and y and g) ready, sum(n) filter (where always and f and a
            and l and r and y and g) always
        from f group by grouping sets ((format), (audience), (language), (year), (level), ())
    union all (select -1, x.id || ' ' || x.name, most.n, 0, 0, 0, 0, 0, 0, 0 from
        (select subject, count(*) n from (select unnest(subjects) subject from m) y group by 1
            order by n desc, subject limit %11$d) most join subjects x on x.id = most.subject
            order by most.n desc, x.id)
    union all (select -2, award, count(*) n, 0, 0, 0, 0, 0, 0, 0 from (select unnest(awards) award from m
        where awards <> '{}') y group by award order by n desc, award limit %12$d)
    union all (select -3, x.id || ' ' || x.name, most.n, 0, 0, 0, 0, 0, 0, 0 from
        (select series_id, count(*) n from m where series_id is not null group by 1
            order by n desc, series_id limit %13$d) most join series x on x.id = most.series_id
            order by most.n desc, x.id)
    SQL;

    /** By what a row of COUNTS is grouped: the bits of grouping() that are 0. */
    private const GROUPED = [
        'format' => 0b01111,
        'audience' => 0b10111,
        'language' => 0b11011,
        'year' => 0b11101,
        'level' => 0b11110,
    ];

    /**
     * @param  array{string, list<mixed>}|null  $where  a condition instead of the search's own but for the filters of
     *     which one value is chosen
     * @param  int|null  $most  of subjects, awards and series
     */
    public function of(SearchRequest $search, DateTimeImmutable $now, ?array $where = null, ?int $most = null): Facets
    {
        [$can, $canBindings] = HeldTitles::anywhere($search->places(), $now);
        [$where, $bindings] = $where ?? SearchSql::base($search, $now);
        $choices = SearchSql::choices($search);
        $rows = DB::select(
            sprintf(
                self::COUNTS,
                $can,
                $where,
                SearchSql::within($search, 'can'),
                ...[
                    ...array_column($choices, 0),
                    $most ?? Facets::MOST_SUBJECTS,
                    $most ?? Facets::MOST_AWARDS,
                    $most ?? Facets::MOST_SERIES,
                ],
            ),
            [...$canBindings, ...$bindings, ...($chosen = array_merge(...array_column($choices, 1))), ...$chosen],
        );
        $of = ['format' => [], 'audience' => [], 'language' => [], 'year' => [], 'level' => []];
        $subjects = $names = $awards = $series = $seriesNames = [];
        $all = null;
        foreach ($rows as $row) {
            $facet = array_search($row->of, self::GROUPED, true);
            if ($row->of === -1) {
                [$id, $name] = explode(' ', $row->value, 2);
                $subjects[(int) $id] = (int) $row->n;
                $names[(int) $id] = $name;
            } elseif ($row->of === -2) {
                $awards[$row->value] = (int) $row->n;
            } elseif ($row->of === -3) {
                [$id, $name] = explode(' ', $row->value, 2);
                $series[(int) $id] = (int) $row->n;
                $seriesNames[(int) $id] = $name;
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

        return new Facets(
            (int) ($all->n ?? 0),
            (int) ($all->ready ?? 0),
            (int) ($all->always ?? 0),
            $of['format'],
            $of['audience'],
            $of['language'],
            $subjects,
            $names,
            $of['year'],
            $of['level'],
            $awards,
            $series,
            $seriesNames,
            [],
            (int) ($all->by_language ?? 0),
        );
    }
}
