<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\Filters\ListFilter;
use App\Shared\Sql;
use FigPorch\Core\Catalogue\TitleSet;
use Illuminate\Support\Facades\DB;
use SplMinHeap;

/** Which values of a filter most titles found by sets have, without counting all the others. */
final class CommonestValues
{
    /**
     * None that can have fewer titles at the most than the last of the commonest has here need be counted.
     *
     * @param  class-string<ListFilter>  $filter
     * @param  TitleSet  $counted  what was found, for counting
     * @param  bool  $few  so few were found that what each of them has is counted sooner
     * @param  array<int|string, int>  $more  what was counted one by one, to be added
     * @return array<int|string, int> by value, the most first
     */
    public static function of(string $filter, BitmapResult $found, TitleSet $counted, bool $few, array $more): array
    {
        $index = $found->gathering;
        $kind = $filter::kind();
        $counts = [];
        /** @var SplMinHeap<int> $leading the highest counts so far, the last of them on top */
        $leading = new SplMinHeap();
        $add = function (int|string $value, int $count) use (&$counts, $leading, $filter): void {
            $counts[$value] = $count;
            $leading->insert($count);
            $leading->count() > $filter::OFFERED && $leading->extract();
        };
        foreach ($more as $value => $count) {
            $add(
                $value,
                $count +
                    ($index->has("{$kind}:{$value}")
                        ? $index->count("{$kind}:{$value}", $counted)
                        : $counted->countWith($filter::bitmap($index, $value))),
            );
        }
        $beyond = fn(int $atMost): bool => $leading->count() === $filter::OFFERED && $atMost < $leading->top();
        $atMost = $few ? $found->each($kind) : $filter::atMost($found);
        arsort($atMost);
        foreach ($atMost as $value => $count) {
            if ($beyond($count)) {
                break;
            }
            isset($counts[$value]) || $add($value, $index->count("{$kind}:{$value}", $counted));
        }
        $inAll = $index->values($kind);
        $most = $filter::gathered()?->most;

        // Where the last of the commonest has few, values too rare for bitmaps of their own may have more.
        return $most === null || count($inAll) < $most || $beyond((int) end($inAll))
            ? self::first($counts, $filter::OFFERED)
            : self::oneByOne($filter, $found, $few, $more);
    }

    /**
     * As of(), of series: too many, and most of them with too few titles, for a set of each.
     *
     * @param  array<int|string, int>  $more
     * @return array<int, int> the most first
     */
    public static function ofSeries(BitmapIndex $index, TitleSet $among, array $more, int $most): array
    {
        $counts = [];
        $mostMore = max([0, ...array_values($more)]);
        foreach ($index->bySeries($among) as $atMost => $these) {
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
     * @param  array<int|string, int>  $counts
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
     * The titles that have none of the values with sets of their own are looked at in the database. Where many were
     * found, or a title can have several values, all are: so many sets take longer.
     *
     * @param  class-string<ListFilter>  $filter
     * @param  array<int|string, int>  $more
     * @return array<int|string, int>
     */
    private static function oneByOne(string $filter, BitmapResult $found, bool $few, array $more): array
    {
        $among = $found->matching();
        foreach ($few && !$filter::isArray() ? $found->each($filter::kind()) : [] as $value => $count) {
            $more[$value] = ($more[$value] ?? 0) + $count;
            $among = $among->without($found->gathering->set("{$filter::kind()}:{$value}") ?? TitleSet::none());
        }
        $values = $filter::valuesOf('title_id = any(?::bigint[])');
        $rows = $among->isEmpty()
            ? []
            : DB::select("select v, count(*) n from ({$values}) x group by v", [Sql::array($among->numbers())]);
        foreach ($rows as $row) {
            $more[$row->v] = ($more[$row->v] ?? 0) + $row->n;
        }

        return self::first($more, $filter::OFFERED);
    }
}
