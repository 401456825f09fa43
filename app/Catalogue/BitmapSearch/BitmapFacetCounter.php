<?php

declare(strict_types=1);

namespace App\Catalogue\BitmapSearch;

use App\Catalogue\Filters\ChoiceFilter;
use App\Catalogue\Filters\Filters;
use App\Catalogue\Filters\FlagFilter;
use App\Catalogue\Filters\OneValueFilter;
use App\Catalogue\Filters\ValueNames;
use App\Catalogue\Search\Facets;

/**
 * How many titles found by sets have each value of each filter: what each value's set has in common with what all other
 * filters leave.
 */
final class BitmapFacetCounter
{
    /**
     * @param  int  $few  of so many titles at the most what each has is counted, which takes less than looking into
     *     every set. Measured among a million.
     */
    public function __construct(private readonly int $few = 3000) {}

    /** @param  Facets  $others  what was counted one by one: with all its values */
    public function of(BitmapResult $found, Facets $others, Filters $filters): Facets
    {
        $matching = $found->matching();
        $counts = array_fill_keys(Filters::names(), []);
        $without = $wanted = $known = [];
        foreach ($filters->of(OneValueFilter::class) as $filter) {
            $name = $filter::name();
            $counts[$name] =
                $filter instanceof FlagFilter
                    ? self::flag($found, $filter, $others)
                    : $this->values($found, $filter, $others);
            $without[$name] = $found->matching($name)->count() + $others->without($name);
        }
        $counted = $matching->forCounting();
        foreach (Filters::lists() as $list) {
            $name = $list::name();
            $wanted[$name] = $filters->get($list)->chosen;
            if ($list::OFFERED === 0) {
                continue;
            }
            $few = $matching->count() <= $this->few;
            $counts[$name] = $list::commonest($found, $counted, $few, $others->of($name));
            array_unshift($wanted[$name], ...array_keys($counts[$name]));
            $known[$name] = $others->names[$name] ?? [];
            $unknown = array_values(array_diff($wanted[$name], array_keys($known[$name])));
            $known[$name] += $list::namesAtHand($found->gathering, $unknown);
        }
        $names = ValueNames::of($wanted, $known);

        return new Facets($matching->count() + $others->total, $counts, $names, $without, $others->libraries);
    }

    /** @return array<int, int> by 1 */
    private static function flag(BitmapResult $found, FlagFilter $filter, Facets $others): array
    {
        $name = $filter::name();
        $had = $found->matching($name)->forCounting()->countWith($found->can[$name]);

        return array_filter([1 => $had + $others->count($name, 1)]);
    }

    /** @return array<int|string, int> by value; only those that any title has */
    private function values(BitmapResult $found, OneValueFilter $filter, Facets $others): array
    {
        $name = $filter::name();
        $counts =
            $found->matching($name)->count() <= $this->few
                ? $found->each($filter::kind(), $name)
                : self::bySets($found, $filter);
        foreach ($others->of($name) as $value => $count) {
            $counts[$value] = ($counts[$value] ?? 0) + $count;
        }
        ksort($counts);

        return array_filter($counts);
    }

    /** @return array<int|string, int> */
    private static function bySets(BitmapResult $found, OneValueFilter $filter): array
    {
        $among = $found->matching($filter::name())->forCounting();
        $kind = $filter::kind();
        $counts = [];
        $values = array_keys($found->gathering->values($kind));
        // Every title has one: as many have the commonest as are left by the others.
        $commonest = $filter instanceof ChoiceFilter && $filter::everyTitleHasOne() ? array_shift($values) : null;
        foreach ($values as $value) {
            $counts[$value] = $found->gathering->count("{$kind}:{$value}", $among);
        }

        return $commonest === null ? $counts : [$commonest => $among->count() - array_sum($counts)] + $counts;
    }
}
