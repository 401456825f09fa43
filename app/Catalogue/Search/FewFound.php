<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\ListFilter;
use App\Catalogue\Filters\OneValueFilter;
use App\Catalogue\Filters\ValueNames;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * What a search finds where that is little: read once, in the order asked for, with all that is counted of it. Asking
 * the database for each page, count and order by itself takes several times as long.
 */
final readonly class FewFound
{
    /** Up to so many are read whole. */
    public const MOST = 300;

    /**
     * What all but the filters leave of which one value is chosen (c), if it is no more than so many; of each title the
     * values of those filters, whether it fits them, and what it has of the lists that are counted.
     */
    private const READ = <<<'SQL'
    with c as materialized (select s.*, had.can from search_rows s
            cross join lateral (select :can can offset 0) had where :where limit ?)
    select k.n, s.title_id, :values, :fits, json_build_array(:columns) lists
    from (select count(*) n from c) k left join c s on k.n <= ? cross join lateral (select s.can) had :names
    order by :order, s.title_id
    SQL;

    /** @var list<int> all titles that fit everything, in the order asked for */
    public array $ids;

    /** @param  list<stdClass>  $rows  in the order asked for, with those that do not fit all filters */
    private function __construct(private Filters $filters, private array $rows)
    {
        $names = $this->oneValueFilters();
        $this->ids = array_column(
            array_filter($rows, fn(stdClass $row): bool => self::misses($row, $names) === []),
            'title_id',
        );
    }

    /** @return self|null null where it is more than a few, before the filters of which one value is chosen */
    public static function of(SearchRequest $search, DateTimeImmutable $now): ?self
    {
        [$can, $canBindings] = HeldTitles::anywhere($search->places(), $now);
        [$where, $bindings] = SearchSql::base($search, $now);
        [$order, $orderBindings] = SearchOrder::sql($search, walk: false);
        $values = $fits = $fitsBindings = [];
        foreach ($search->filters->of(OneValueFilter::class) as $filter) {
            $name = $filter::name();
            $value = $filter::value('s.', 'had.can');
            [$condition, $chosen] = $filter->isSet() ? $filter->fits($value) : ['true', []];
            $values[] = "{$value} v_{$name}";
            $fits[] = "{$condition} f_{$name}";
            array_push($fitsBindings, ...$chosen);
        }
        $names = SearchOrder::join($order);
        $rows = DB::select(
            strtr(self::READ, [
                ':can' => $can,
                ':where' => "{$where} and " . SearchSql::within($search, 'had.can'),
                ':values' => implode(', ', $values),
                ':fits' => implode(', ', $fits),
                ':columns' => implode(
                    ', ',
                    array_map(fn(string $of): string => "s.{$of::column()}", Filters::counted()),
                ),
                ':names' => $names === '' ? '' : "left {$names}",
                ':order' => $order,
            ]),
            [...$canBindings, ...$bindings, self::MOST + 1, ...$fitsBindings, self::MOST, ...$orderBindings],
        );

        return $rows[0]->n > self::MOST
            ? null
            : new self(
                $search->filters,
                array_values(array_filter($rows, fn(stdClass $row): bool => $row->title_id !== null)),
            );
    }

    public function facets(): Facets
    {
        $names = $this->oneValueFilters();
        $lists = Filters::counted();
        $counts = array_fill_keys(Filters::names(), []);
        $without = array_fill_keys($names, 0);
        $total = 0;
        foreach ($this->rows as $row) {
            $misses = self::misses($row, $names);
            // What one filter alone leaves out remains where nothing is chosen of that one.
            foreach (count($misses) > 1 ? [] : ($misses === [] ? $names : $misses) as $name) {
                $without[$name]++;
                $value = $row->{"v_{$name}"};
                if ($value !== null) {
                    $counts[$name][$value] = ($counts[$name][$value] ?? 0) + 1;
                }
            }
            if ($misses !== []) {
                continue;
            }
            $total++;
            foreach (json_decode($row->lists) as $n => $has) {
                $name = $lists[$n]::name();
                foreach ((array) $has as $value) {
                    $counts[$name][$value] = ($counts[$name][$value] ?? 0) + 1;
                }
            }
        }
        foreach ($names as $name) {
            ksort($counts[$name]);
        }
        foreach ($lists as $list) {
            $counts[$list::name()] = self::commonest($list, $counts[$list::name()]);
        }

        return new Facets($total, $counts, $this->named($counts), $without);
    }

    /** @return list<string> */
    private function oneValueFilters(): array
    {
        return array_map(fn(OneValueFilter $of): string => $of::name(), $this->filters->of(OneValueFilter::class));
    }

    /**
     * @param  list<string>  $names
     * @return list<string> those of the filters that a title does not fit
     */
    private static function misses(stdClass $row, array $names): array
    {
        return array_values(array_filter($names, fn(string $name): bool => !$row->{"f_{$name}"}));
    }

    /**
     * @param  class-string<ListFilter>  $list
     * @param  array<int|string, int>  $counts
     * @return array<int|string, int> what is offered: the most first, then by value
     */
    private static function commonest(string $list, array $counts): array
    {
        uksort(
            $counts,
            fn(int|string $a, int|string $b): int => $counts[$b] <=> $counts[$a] ?:
            ($list::NAMES === null
                ? strcmp((string) $a, (string) $b)
                : $a <=> $b),
        );

        return array_slice($counts, 0, $list::OFFERED, preserve_keys: true);
    }

    /**
     * @param  array<string, array<int|string, int>>  $counts
     * @return array<string, array<int, string>> names of values that are numbers, by filter
     */
    private function named(array $counts): array
    {
        $values = [];
        foreach (Filters::lists() as $list) {
            $values[$list::name()] = [...array_keys($counts[$list::name()]), ...$this->filters->get($list)->chosen];
        }

        return ValueNames::of($values);
    }
}
