<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\Search\Facets;
use App\Shared\Sql;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;
use SplMinHeap;

/**
 * How many titles found by sets have each value of each filter: what each value's set has in common with what all other
 * filters leave.
 */
final class BitmapFacetCounter
{
    /** Every title has one: as many have the commonest as are left by the others. */
    private const OF_ALL = ['format', 'audience'];

    /**
     * @param  int  $few  of so many titles at the most what each has is counted, which takes less than looking into
     *     every set. Measured among a million.
     */
    public function __construct(private readonly int $few = 3000) {}

    /**
     * @param  Facets  $others  what was counted one by one: with all its subjects, awards and series
     * @param  list<int>  $chosen  subjects whose names are wanted whatever their counts
     */
    public function of(BitmapResult $found, Facets $others, array $chosen): Facets
    {
        $gathering = $found->gathering;
        $matching = $found->matching();
        $counted = $matching->forCounting();
        $few = $matching->count() <= $this->few;
        /** @var array<int, int> $subjects */
        $subjects =
            self::most(
                $gathering,
                'subject',
                $few ? $found->each('subject') : $gathering->subjectsAtMost($found->within),
                $counted,
                $others->subjects,
                Facets::MOST_SUBJECTS,
                fn(int|string $id): TitleSet => BitmapSearch::subject($gathering, (int) $id),
            ) ?? self::oneByOne($matching, $others->subjects, Facets::MOST_SUBJECTS);
        /** @var array<string, int> $awards */
        $awards =
            self::most(
                $gathering,
                'award',
                $few ? $found->each('award') : $gathering->values('award'),
                $counted,
                $others->awards,
                Facets::MOST_AWARDS,
                fn(int|string $award): TitleSet => BitmapSearch::award($gathering, (string) $award),
            ) ?? [];
        $series = self::mostOfSeries($gathering, $counted, $others->series, Facets::MOST_SERIES);
        $seriesNames =
            array_intersect_key($others->seriesNames, $series) +
            array_map($gathering->seriesName(...), array_combine($keys = array_keys($series), $keys));

        return new Facets(
            $matching->count() + $others->total,
            $found->matching('ready')->forCounting()->countWith($found->ready) + $others->ready,
            $found->matching('always')->forCounting()->countWith($found->always) + $others->always,
            $this->values($found, 'format', $others->formats),
            $this->values($found, 'audience', $others->audiences),
            $this->values($found, 'language', $others->languages),
            $subjects,
            $gathering->subjectNames([...array_keys($subjects), ...$chosen]),
            $this->values($found, 'year', $others->years),
            $this->values($found, 'level', $others->levels),
            $awards,
            $series,
            $seriesNames,
            $others->libraries,
            $found->matching('language')->count() + $others->anyLanguage,
        );
    }

    /**
     * @template K of array-key
     *
     * @param  array<K, int>  $more
     * @return array<K, int> by value; only those that any title has
     */
    private function values(BitmapResult $found, string $kind, array $more): array
    {
        /** @var array<K, int> $counts */
        $counts =
            $found->matching($kind)->count() <= $this->few ? $found->each($kind, $kind) : self::bySets($found, $kind);
        foreach ($counts as $value => $count) {
            $more[$value] = ($more[$value] ?? 0) + $count;
        }
        ksort($more);

        return array_filter($more);
    }

    /** @return array<int|string, int> */
    private static function bySets(BitmapResult $found, string $kind): array
    {
        $among = $found->matching($kind)->forCounting();
        $counts = [];
        $values = array_keys($found->gathering->values($kind));
        $commonest = in_array($kind, self::OF_ALL, true) ? array_shift($values) : null;
        foreach ($values as $value) {
            $counts[$value] = $found->gathering->count("{$kind}:{$value}", $among);
        }

        return $commonest === null ? $counts : [$commonest => $among->count() - array_sum($counts)] + $counts;
    }

    /**
     * The commonest values: none that can have fewer titles at the most than the last of them has here need be counted.
     *
     * @param  array<int|string, int>  $atMost  how many titles each value can have here
     * @param  array<int|string, int>  $more
     * @param  callable(int|string): TitleSet  $set  of a value too rare for one at hand
     * @return array<int|string, int>|null the most first; null where values too rare for sets of their own may be among
     *     them
     */
    private static function most(
        BitmapIndex $gathering,
        string $kind,
        array $atMost,
        TitleSet $among,
        array $more,
        int $most,
        callable $set,
    ): ?array {
        $counts = [];
        /** @var SplMinHeap<int> $leading the highest counts so far, the last of them on top */
        $leading = new SplMinHeap();
        $add = function (int|string $value, int $count) use (&$counts, $leading, $most): void {
            $counts[$value] = $count;
            $leading->insert($count);
            $leading->count() > $most && $leading->extract();
        };
        foreach ($more as $value => $count) {
            $add(
                $value,
                $count +
                    ($gathering->has("{$kind}:{$value}")
                        ? $gathering->count("{$kind}:{$value}", $among)
                        : $among->countWith($set($value))),
            );
        }
        $beyond = fn(int $atMost): bool => $leading->count() === $most && $atMost < $leading->top();
        arsort($atMost);
        foreach ($atMost as $value => $count) {
            if ($beyond($count)) {
                break;
            }
            isset($counts[$value]) || $add($value, $gathering->count("{$kind}:{$value}", $among));
        }
        $inAll = $gathering->values($kind);

        return count($inAll) < BitmapIndex::MOST[$kind] || $beyond((int) end($inAll))
            ? self::first($counts, $most)
            : null;
    }

    /**
     * As most(), of series: too many, and most of them with too few titles, for a set of each.
     *
     * @param  array<int, int>  $more
     * @return array<int, int> the most first
     */
    private static function mostOfSeries(BitmapIndex $gathering, TitleSet $among, array $more, int $most): array
    {
        $counts = [];
        $mostMore = max([0, ...$more]);
        foreach ($gathering->bySeries($among) as $atMost => $these) {
            foreach (array_intersect_key($more, $these) as $series => $count) {
                $these[$series] += $count;
            }
            $counts += $these;
            if (self::last($counts, $most) > $atMost + $mostMore) {
                break;
            }
        }
        $counts += $more;
        $least = self::last($counts, $most);
        /** @var array<int, int> $first */
        $first = self::first(array_filter($counts, fn(int $count): bool => $count >= $least), $most);

        return $first;
    }

    /**
     * @param  array<int, int>  $counts
     * @return int the last of the so many highest; 0 where there are fewer
     */
    private static function last(array $counts, int $most): int
    {
        $times = array_count_values($counts);
        krsort($times);
        foreach ($times as $count => $many) {
            $most -= $many;
            if ($most <= 0) {
                return $count;
            }
        }

        return 0;
    }

    /**
     * @param  array<int|string, int>  $counts
     * @return array<int|string, int> the most first, then by value
     */
    private static function first(array $counts, int $most): array
    {
        ksort($counts);
        arsort($counts);

        return array_slice(array_filter($counts), 0, $most, true);
    }

    /**
     * @param  array<int, int>  $more
     * @return array<int|string, int>
     */
    private static function oneByOne(TitleSet $among, array $more, int $most): array
    {
        foreach (
            DB::select(
                'select subject, count(*) n from (select unnest(subjects) subject from search_rows
                    where title_id = any(?::bigint[])) x group by subject',
                [Sql::array($among->numbers())],
            )
            as $row
        ) {
            $more[$row->subject] = ($more[$row->subject] ?? 0) + $row->n;
        }

        return self::first($more, $most);
    }
}
