<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

/** The reading grade level, in whole grades. */
final readonly class LevelFilter extends RangeFilter
{
    public static function name(): string
    {
        return 'level';
    }

    public static function value(string $row, string $can): string
    {
        return "floor({$row}level)::int";
    }

    public function heading(): string
    {
        return __('search.level_of');
    }

    protected function words(string $range): string
    {
        return __('search.levels_chip', ['range' => $range]);
    }
}
