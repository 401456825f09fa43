<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\IndexPart;
use FigPorch\Core\Catalogue\AgeRange;

/**
 * By the ages of readers that a title is made for: a title is in each band (AgeRange::BANDS) that has an age of its.
 */
final readonly class AgeFilter extends ListFilter
{
    protected const MOST_CHOSEN = 1;

    public static function name(): string
    {
        return 'ages';
    }

    public static function column(): string
    {
        return 'ages';
    }

    public static function isArray(): bool
    {
        return true;
    }

    protected static function value(string $asked): ?string
    {
        return in_array($asked, AgeRange::BANDS, true) ? $asked : null;
    }

    public static function has(int|string $value): array
    {
        return ['s.ages @> array[?]', [(string) $value]];
    }

    public static function gathered(): Gathered
    {
        return new Gathered(IndexPart::Records, 'one', 'cross join unnest(s.ages) one');
    }

    protected static function inOrder(array $counts): array
    {
        ksort($counts, SORT_NATURAL);

        return $counts;
    }

    public function heading(): string
    {
        return __('search.ages');
    }

    public function label(string $name): string
    {
        return str_replace('-', '–', $name);
    }

    protected function words(string $name): string
    {
        return __('search.for_ages', ['range' => $this->label($name)]);
    }
}
