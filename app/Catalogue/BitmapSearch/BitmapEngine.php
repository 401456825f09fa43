<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\Search\Facets;
use App\Catalogue\Search\FacetSql;
use App\Catalogue\Search\SearchEngine;
use App\Catalogue\Search\SearchOrder;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SearchSql;
use App\Catalogue\Search\SqlEngine;
use App\Models\Title;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * Searches by what bitmaps have in common, in large catalogues. Titles that have changed since the bitmaps were
 * gathered are looked at one by one in SQL, so that what it says is true at every moment.
 */
final class BitmapEngine implements SearchEngine
{
    /** So many steps along an index take as long as fetching one title to put it in order. */
    private const SORTED_IN_A_STEP = 12;

    /**
     * @param  int  $ranked  up to so many are put in order by the weight of each word in each of them
     * @param  int  $walked  from so many on an index in the order asked for is walked until a page is full
     */
    public function __construct(
        private readonly BitmapSearch $bitmaps,
        private readonly SqlEngine $sql,
        private readonly FacetSql $facetSql,
        private readonly BitmapFacetCounter $counter,
        private readonly int $ranked = 300,
        private readonly int $walked = 30_000,
    ) {}

    /** Whether bitmaps are gathered that can be believed at that moment. */
    public function canAnswer(SearchRequest $search, DateTimeImmutable $now): bool
    {
        return !$search->hasNoWord() && $this->bitmaps->find($search, $now) !== null;
    }

    public function count(SearchRequest $search, DateTimeImmutable $now): int
    {
        return $this->set($this->found($search, $now), $search, $now)->count();
    }

    public function titles(SearchRequest $search, int $total, int $count, int $from, DateTimeImmutable $now): array
    {
        $found = $this->found($search, $now);
        $set = $this->set($found, $search, $now);

        return $this->ofSet(
            found: $found,
            set: $set,
            search: $search,
            many: $total > $this->walked,
            ranked: $total <= $this->ranked,
            count: $count,
            from: $from,
            now: $now,
        );
    }

    public function inOrder(SearchRequest $search, int $total, array $among, DateTimeImmutable $now): array
    {
        $found = $this->found($search, $now);

        return array_map(
            fn(Title $of): int => $of->id,
            $this->ofSet(
                found: $found,
                set: $this->set($found, $search, $now)->and(TitleSet::of($among)),
                search: $search,
                many: false,
                ranked: $total <= $this->ranked,
                count: count($among),
                from: 0,
                now: $now,
            ),
        );
    }

    /**
     * @param  bool  $many  so many are found that an index in the order asked for is walked
     * @param  bool  $ranked  so few that each is weighed
     * @return list<Title>
     */
    private function ofSet(
        BitmapResult $found,
        TitleSet $set,
        SearchRequest $search,
        bool $many,
        bool $ranked,
        int $count,
        int $from,
        DateTimeImmutable $now,
    ): array {
        $order = SearchOrder::sql($search, $many, $found->called->numbers());
        if (
            $search->order === 'soonest' ||
            ($many && $search->order !== 'relevance' && !isset(SearchOrder::INDEXED[$search->order]))
        ) {
            return TitleNames::inOrder(
                $this->sql->ids(
                    $search,
                    $now,
                    ...[
                        ...$order,
                        $count,
                        $from,
                        $many ? ['true', []] : ['s.title_id = any(?::bigint[])', [Sql::array($set->numbers())]],
                    ],
                ),
            );
        }
        $gathering = $found->gathering;
        if ($search->order === 'newest') {
            return self::inRings($gathering->inRings($set, 'newest'), true, $count, $from);
        }
        if ($search->order !== 'relevance' || $ranked) {
            return TitleNames::inOrder(
                $this->ordered(
                    set: $set,
                    all: $gathering->titles(),
                    order: $search->order,
                    sorted: $order,
                    count: $count,
                    from: $from,
                ),
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

    public function facets(SearchRequest $search, DateTimeImmutable $now): Facets
    {
        $found = $this->found($search, $now);
        if ($found->oneByOne === []) {
            $others = new Facets();
        } else {
            [$where, $bindings] = SearchSql::base($search, $now);
            $others = $this->facetSql->of(
                $search,
                $now,
                ["s.title_id = any(?::bigint[]) and {$where}", [Sql::array($found->oneByOne), ...$bindings]],
                PHP_INT_MAX,
            );
        }

        return $this->counter->of($found, $others, $search->filters);
    }

    /** @return list<int>|null what a search finds; null where that is more than so many */
    public function ids(SearchRequest $search, DateTimeImmutable $now, int $most): ?array
    {
        $set = $this->set($this->found($search, $now), $search, $now);

        return $set->count() > $most ? null : $set->numbers();
    }

    private function found(SearchRequest $search, DateTimeImmutable $now): BitmapResult
    {
        return $this->bitmaps->find($search, $now) ?? throw new LogicException('canAnswer() was not asked.');
    }

    /** All that a search finds. */
    private function set(BitmapResult $found, SearchRequest $search, DateTimeImmutable $now): TitleSet
    {
        if ($found->oneByOne === []) {
            return $found->matching();
        }
        [$join, $where, $bindings] = SearchSql::where($search, $now);

        return $found->matching()->or(
            TitleSet::of(
                array_column(
                    DB::select(
                        "select s.title_id
                                from search_rows s {$join} where {$where} and s.title_id = any(?::bigint[])",
                        [...$bindings, Sql::array($found->oneByOne)],
                    ),
                    'title_id',
                ),
            ),
        );
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
        $index = SearchOrder::INDEXED[$order] ?? null;
        $steps = (int) ((1.3 * ($from + $count) * $all) / max(1, $set->count()));
        if ($index === null || $steps > self::SORTED_IN_A_STEP * $set->count()) {
            $names = SearchOrder::join($sorted[0]);

            return array_column(
                DB::select(
                    "select s.title_id from search_rows s {$names} where s.title_id = any(?::bigint[])
                        order by {$sorted[0]}, s.title_id limit ? offset ?",
                    [Sql::array($set->numbers()), ...$sorted[1], $count, $from],
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
}
