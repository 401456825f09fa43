<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\BitmapSearch\BitmapSearch;
use App\Lending\Licences\UsableLicences;
use App\Models\Title;
use App\Shared\PageAsked;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Pagination\Paginator;
use Illuminate\Support\Facades\DB;
use LogicException;

/** What a search finds, a page of it at a time, in the order asked for. */
final class SearchTitles
{
    /** What is ready, then by how many wait for each copy. */
    private const SOONEST =
        "case when had.can & 2 > 0 then 0 else 1 + (select count(*) from holds h
            where h.title_id = s.title_id and h.state in ('waiting', 'paused'))
        / greatest(1, (select sum(coalesce(li.copies, 1)) from licences li where li.title_id = s.title_id and " .
        UsableLicences::FOR_LIBRARY .
        '))::numeric end, s.times_borrowed desc';

    /** Orders that an index is in. */
    private const INDEXED = ['most_borrowed' => 's.times_borrowed desc', 'newest' => 's.added_at desc'];

    /** So many steps along an index take as long as fetching one title to put it in order. */
    private const SORTED_IN_A_STEP = 12;

    /**
     * @param  int  $ranked  up to so many are put in order by the weight of each word in each of them
     * @param  int  $walked  from so many on an index in the order asked for is walked until a page is full
     */
    public function __construct(
        private readonly BitmapSearch $inSets,
        private readonly int $ranked = 300,
        private readonly int $walked = 30_000,
    ) {}

    /**
     * @param  int  $total  how many match
     * @param  int|null  $first  only the first so many, whichever page is asked for
     * @return LengthAwarePaginator<int, Title>
     */
    public function page(
        SearchRequest $search,
        int $total,
        DateTimeImmutable $now,
        ?int $first = null,
    ): LengthAwarePaginator {
        $perPage = $first ?? (int) config('figporch.page_size');
        $page = $first === null ? PageAsked::of($total, $perPage) : 1;
        $from = ($page - 1) * $perPage;
        $titles = match (true) {
            $total === 0 => [],
            ($set = $this->set($search, $now)) !== null => $this->inSet($set, $search, $total, $from, $perPage, $now),
            $search->order === 'relevance' && $total > $this->ranked => TitleNames::inOrder(
                $this->byNameThenPopularity($search, $total, $from, $perPage, $now),
            ),
            default => TitleNames::inOrder(
                $this->ids($search, $now, ...[...$this->order($search, $total), $perPage, $from]),
            ),
        };

        return new LengthAwarePaginator($titles, $total, $perPage, $page, ['path' => Paginator::resolveCurrentPath()]);
    }

    /**
     * @param  list<mixed>  $orderBindings
     * @param  array{string, list<mixed>}  $also  a condition more
     * @return list<int>
     */
    private function ids(
        SearchRequest $search,
        DateTimeImmutable $now,
        string $order,
        array $orderBindings,
        int $limit,
        int $offset,
        array $also = ['true', []],
    ): array {
        [$join, $where, $bindings] = SearchSql::where($search, $now);
        $names = preg_match('/\bt\./', $order) === 1 ? 'join titles t on t.id = s.title_id' : '';

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
     * @return list<int>
     */
    private function byNameThenPopularity(
        SearchRequest $search,
        int $total,
        int $from,
        int $count,
        DateTimeImmutable $now,
    ): array {
        $popular = $total > $this->walked ? 's.times_borrowed desc' : 's.times_borrowed + 0 desc';
        $names = QuerySql::names($search->query->tree);
        if ($names === null) {
            return $this->ids($search, $now, $popular, [], $count, $from);
        }
        $called = array_column(
            DB::select('select id from titles where lower(name) = lower(?) limit 100', [$search->words]),
            'id',
        );
        $named = ["s.stems @@ {$names->sql}", $names->bindings];
        $first = $this->ids(
            $search,
            $now,
            's.title_id = any(?::bigint[]) desc, s.times_borrowed + 0 desc',
            [Sql::numbers($called)],
            $count,
            $from,
            $named,
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
            ...$this->ids($search, $now, $popular, [], $count - count($first), max(0, $from - $before), [
                "not s.stems @@ {$names->sql}",
                $names->bindings,
            ]),
        ];
    }

    /** All that a search finds, as a set; null where no sets are gathered. */
    private function set(SearchRequest $search, DateTimeImmutable $now): ?TitleSet
    {
        $found = $this->inSets->find($search, $now);
        if ($found === null || $found->oneByOne === []) {
            return $found?->matching();
        }
        [$join, $where, $bindings] = SearchSql::where($search, $now);

        return $found->matching()->or(
            TitleSet::of(
                array_column(
                    DB::select(
                        "select s.title_id
                                from search_rows s {$join} where {$where} and s.title_id = any(?::bigint[])",
                        [...$bindings, Sql::numbers($found->oneByOne)],
                    ),
                    'title_id',
                ),
            ),
        );
    }

    /** @return list<Title> */
    private function inSet(
        TitleSet $set,
        SearchRequest $search,
        int $total,
        int $from,
        int $count,
        DateTimeImmutable $now,
    ): array {
        $order = $this->order($search, $total);
        $many = $total > $this->walked;
        if (
            $search->order === 'soonest' ||
            ($many && $search->order !== 'relevance' && !isset(self::INDEXED[$search->order]))
        ) {
            return TitleNames::inOrder(
                $this->ids(
                    $search,
                    $now,
                    ...[
                        ...$order,
                        $count,
                        $from,
                        $many ? ['true', []] : ['s.title_id = any(?::bigint[])', [Sql::numbers($set->numbers())]],
                    ],
                ),
            );
        }
        $found = $this->inSets->find($search, $now) ?? throw new LogicException('A set was found.');
        $gathering = $found->gathering;
        if ($search->order === 'newest') {
            return self::inRings($gathering->inRings($set, 'newest'), true, $count, $from);
        }
        if ($search->order !== 'relevance' || $total <= $this->ranked) {
            return TitleNames::inOrder(
                $this->ordered($set, $gathering->titles(), $search->order, $order, $count, $from),
            );
        }
        // Titles that are called just so, then those with the words in their names, then the others, each by how often
        // they are borrowed.
        $named = $found->query->named()?->and($set) ?? TitleSet::none();
        $called = $named->and($found->called);
        $rings = function () use ($gathering, $called, $named, $set): Generator {
            yield $called;
            yield from $gathering->inRings($named->without($called), 'popular');
            yield from $gathering->inRings($set->without($named), 'popular');
        };

        return self::inRings($rings(), false, $count, $from);
    }

    /**
     * @param  Generator<int, TitleSet>  $rings  one after another
     * @param  bool  $newest  the order within each, otherwise by how often they are borrowed
     * @return list<Title>
     */
    private static function inRings(Generator $rings, bool $newest, int $count, int $from): array
    {
        $ids = $ringOf = [];
        $n = 0;
        foreach ($rings as $ring) {
            if ($ids === [] && $from >= $ring->count()) {
                $from -= $ring->count();

                continue;
            }
            array_push($ids, ...$ring->numbers());
            $ringOf = array_pad($ringOf, count($ids), $n++);
            if (count($ids) >= $from + $count) {
                break;
            }
        }

        return TitleNames::inRings($ids, $ringOf, $newest, $count, $from);
    }

    /**
     * Few are put in order; of many an index that is in the order asked for is walked until the page is full: whichever
     * is likely to look at less.
     *
     * @param  int  $all  titles in the catalogue
     * @param  array{string, list<mixed>}  $sorted  the order as SQL
     * @return list<int>
     */
    private function ordered(TitleSet $set, int $all, string $order, array $sorted, int $count, int $from): array
    {
        $index = self::INDEXED[$order] ?? null;
        $steps = (int) ((1.3 * ($from + $count) * $all) / max(1, $set->count()));
        if ($index === null || $steps > self::SORTED_IN_A_STEP * $set->count()) {
            $names = preg_match('/\bt\./', $sorted[0]) === 1 ? 'join titles t on t.id = s.title_id' : '';

            return array_column(
                DB::select(
                    "select s.title_id from search_rows s {$names} where s.title_id = any(?::bigint[])
                        order by {$sorted[0]}, s.title_id limit ? offset ?",
                    [Sql::numbers($set->numbers()), ...$sorted[1], $count, $from],
                ),
                'title_id',
            );
        }
        $page = [];
        for ($at = 0, $step = max(100, $steps); count($page) < $count; $at += $step, $step *= 2) {
            $walked = array_column(
                DB::select("select s.title_id from search_rows s order by {$index}, s.title_id limit ? offset ?", [
                    $step,
                    $at,
                ]),
                'title_id',
            );
            foreach ($walked as $id) {
                if ($set->has($id) && $from-- <= 0 && count($page) < $count) {
                    $page[] = $id;
                }
            }
            if (count($walked) < $step) {
                break;
            }
        }

        return $page;
    }

    /** How many titles a search finds, and nothing else. */
    public function total(SearchRequest $search, DateTimeImmutable $now): int
    {
        $set = $this->set($search, $now);
        if ($set !== null) {
            return $set->count();
        }
        [$join, $where, $bindings] = SearchSql::where($search, $now);

        return DB::scalar("select count(*) from search_rows s {$join} where {$where}", $bindings);
    }

    /**
     * An index that is in the order asked for is walked where many match; where few do, sorting them is quicker, and "+
     * 0" keeps the planner from walking all the same.
     *
     * @return array{string, list<mixed>}
     */
    private function order(SearchRequest $search, int $total): array
    {
        $relevance = QuerySql::relevance($search->query->tree);
        $walk = $total > $this->walked;

        return match (true) {
            $search->order === 'relevance' && $relevance !== null => [
                "lower(t.name) = lower(?) desc, ts_rank('{0.05, 0.2, 0.6, 1.0}', " .
                "s.stems, {$relevance->sql}) desc, s.times_borrowed desc",
                [$search->words, ...$relevance->bindings],
            ],
            $search->order === 'most_borrowed' => [$walk ? 's.times_borrowed desc' : 's.times_borrowed + 0 desc', []],
            $search->order === 'title' => ['lower(t.name)', []],
            $search->order === 'list' => [
                '(select position from staff_list_title l where l.staff_list_id = ? and l.title_id = s.title_id)',
                [$search->staffListId],
            ],
            $search->order === 'soonest' => [self::SOONEST, [$search->libraryId, $search->libraryId]],
            $search->order === 'series' => ['t.series_id nulls last, t.series_position nulls last', []],
            default => [$walk ? 's.added_at desc' : "s.added_at + interval '0' desc", []],
        };
    }
}
