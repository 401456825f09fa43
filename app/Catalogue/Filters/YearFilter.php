<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

/** The year in which it was published. */
final readonly class YearFilter extends RangeFilter
{
    public static function name(): string
    {
        return 'year';
    }

    public static function value(string $row, string $can): string
    {
        return "{$row}year";
    }

    public function heading(): string
    {
        return __('search.year_of');
    }

    protected function words(string $range): string
    {
        return __('search.years_chip', ['range' => $range]);
    }
}
