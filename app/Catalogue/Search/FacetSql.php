<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Filters\OneValueFilter;
use App\Catalogue\Filters\ValueNames;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Counts every value of every filter in one statement. */
final class FacetSql
{
    /**
     * Each value's count is of what all other filters leave: those of which one value is chosen do not narrow
     * themselves. The titles are read once (c) and counted by all that is filtered by (g); what follows works on the
     * few rows which that leaves, with what of them fits which filter (f). Lists count the titles that fit everything
     * (m).
     */
    private const COUNTS = <<<'SQL'
    with c as materialized (select :values, :columns from search_rows s
            cross join lateral (select :can can offset 0) had where :where),
        g as materialized (select :names, count(*) n from c group by :names),
        f as materialized (select *, :fits from g),
        m as (select * from c where :all)
    select grouping(:names) of, coalesce(:texts) as value, :sums from f group by grouping sets (:sets, ())
    SQL;

    /** The commonest values of a list, with a number below zero instead of what they are grouped by. */
    private const LISTED = <<<'SQL'

    union all (select :of, :value, most.n, :nothing from (select v, count(*) n from (:values) x group by v
        order by n desc, v limit :most) most :join order by most.n desc, most.v)
    SQL;

    /**
     * @param  array{string, list<mixed>}|null  $where  a condition instead of the search's own but for the filters of
     *     which one value is chosen
     * @param  int|null  $most  of the values of each list
     */
    public function of(SearchRequest $search, DateTimeImmutable $now, ?array $where = null, ?int $most = null): Facets
    {
        [$can, $canBindings] = HeldTitles::anywhere($search->places(), $now);
        [$where, $bindings] = $where ?? SearchSql::base($search, $now);
        $filters = $search->filters->of(OneValueFilter::class);
        $fits = array_map(
            fn(OneValueFilter $of): array => $of->isSet() ? $of->fits("v_{$of::name()}") : ['true', []],
            $filters,
        );
        $chosen = array_merge(...array_column($fits, 1));
        $sql = strtr(self::counts($filters, array_column($fits, 0)), [
            ':can' => $can,
            ':where' => "{$where} and " . SearchSql::within($search, 'had.can'),
        ]);
        foreach (Filters::counted() as $n => $list) {
            $sql .= self::listed($list, -1 - $n, count($filters), $most ?? $list::OFFERED);
        }

        return self::read($search->filters, DB::select($sql, [...$canBindings, ...$bindings, ...$chosen, ...$chosen]));
    }

    /**
     * @param  list<OneValueFilter>  $filters
     * @param  list<string>  $fits  of each, whether a title fits it
     */
    private static function counts(array $filters, array $fits): string
    {
        $names = array_map(fn(OneValueFilter $of): string => $of::name(), $filters);
        $each = fn(callable $of, string $by = ', '): string => implode($by, array_map($of, $names, $filters, $fits));
        $sum = fn(string ...$but): string => 'sum(n) filter (where ' .
            implode(' and ', array_map(fn(string $name): string => "f_{$name}", array_diff($names, $but))) .
            ')';

        return strtr(self::COUNTS, [
            ':values' => $each(
                fn(string $name, OneValueFilter $of): string => "{$of::value('s.', 'had.can')} v_{$name}",
            ),
            ':columns' => implode(', ', array_map(fn(string $of): string => "s.{$of::column()}", Filters::counted())),
            ':names' => $each(fn(string $name): string => "v_{$name}"),
            ':fits' => $each(fn(string $name, OneValueFilter $of, string $fits): string => "{$fits} f_{$name}"),
            ':all' => $each(fn(string $name, OneValueFilter $of, string $fits): string => $fits, ' and '),
            ':texts' => $each(fn(string $name): string => "v_{$name}::text"),
            ':sets' => $each(fn(string $name): string => "(v_{$name})"),
            ':sums' => "{$sum()} n, " . $each(fn(string $name): string => "{$sum($name)} without_{$name}"),
        ]);
    }

    /** @param  class-string<ListFilter>  $list */
    private static function listed(string $list, int $of, int $filters, int $most): string
    {
        $table = $list::NAMES;

        return strtr(self::LISTED, [
            ':of' => (string) $of,
            ':value' => $table === null ? 'most.v::text' : "most.v || ' ' || named.name",
            ':values' => $list::values('m'),
            ':most' => (string) $most,
            ':nothing' => implode(', ', array_fill(0, $filters, '0')),
            ':join' => $table === null ? '' : "join {$table} named on named.id = most.v",
        ]);
    }

    /** @param  array<mixed>  $rows */
    private static function read(Filters $filters, array $rows): Facets
    {
        $names = array_map(fn(OneValueFilter $of): string => $of::name(), $filters->of(OneValueFilter::class));
        $lists = Filters::counted();
        $counts = array_fill_keys(Filters::names(), []);
        $called = $without = [];
        $total = 0;
        foreach ($rows as $row) {
            if ($row->of < 0) {
                $list = $lists[-1 - $row->of];
                [$value, $name] = $list::NAMES === null ? [$row->value, null] : explode(' ', $row->value, 2);
                $counts[$list::name()][$value] = (int) $row->n;
                $name === null || ($called[$list::name()][(int) $value] = $name);

                continue;
            }
            // The bit of grouping() that is 0 is what a row is grouped by; the last name has the lowest.
            $by = null;
            foreach (array_reverse($names) as $bit => $name) {
                $by = ($row->of & (1 << $bit)) === 0 ? $name : $by;
            }
            if ($by === null) {
                $total = (int) $row->n;
                foreach ($names as $name) {
                    $without[$name] = (int) $row->{"without_{$name}"};
                }
            } elseif ($row->value !== null && $row->{"without_{$by}"} > 0) {
                $counts[$by][$row->value] = (int) $row->{"without_{$by}"};
            }
        }
        foreach ($names as $name) {
            ksort($counts[$name]);
        }

        return new Facets($total, $counts, self::withChosen($filters, $called), $without);
    }

    /**
     * @param  array<string, array<int, string>>  $called  names of values that are numbers, by filter
     * @return array<string, array<int, string>> the same with those that are chosen
     */
    private static function withChosen(Filters $filters, array $called): array
    {
        $chosen = [];
        foreach (Filters::lists() as $list) {
            $chosen[$list::name()] = $filters->get($list)->chosen;
        }

        return ValueNames::of($chosen, $called);
    }
}
