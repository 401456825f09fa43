<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\Search\SearchOrder;
use App\Catalogue\Search\SearchRequest;
use App\Catalogue\Search\SqlEngine;
use App\Models\Title;
use App\Shared\Sql;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\TitleSet;
use Generator;
use Illuminate\Support\Facades\DB;

/** Puts what was found by bitmaps in the order asked for, a page of it at a time. */
final readonly class BitmapOrder
{
    /** So many steps along an index take as long as fetching one title to put it in order. */
    private const SORTED_IN_A_STEP = 12;

    public function __construct(private SqlEngine $sql) {}

    /**
     * @param  bool  $many  so many are found that an index in the order asked for is walked
     * @param  bool  $ranked  so few that each is weighed
     * @return list<Title>
     */
    public function titles(
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

    /** @return list<Title> so many of a set, after so many, those borrowed most first */
    public function byPopularity(BitmapResult $found, TitleSet $set, int $count, int $from): array
    {
        return TitleNames::inOrder(
            $this->ordered(
                set: $set,
                all: $found->gathering->titles(),
                order: 'most_borrowed',
                sorted: ['s.times_borrowed + 0 desc', []],
                count: $count,
                from: $from,
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
