<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\IndexPart;

/** By their names. */
final readonly class AwardFilter extends ListFilter
{
    public static function name(): string
    {
        return 'awards';
    }

    public static function kind(): string
    {
        return 'award';
    }

    public static function column(): string
    {
        return 'awards';
    }

    public static function isArray(): bool
    {
        return true;
    }

    public static function has(int|string $value): array
    {
        return ['s.awards @> array[?]', [(string) $value]];
    }

    public static function gathered(): Gathered
    {
        return new Gathered(
            IndexPart::Records,
            'one',
            'cross join unnest(s.awards) one',
            self::fitsName('one'),
            most: 300,
        );
    }

    public function heading(): string
    {
        return __('search.awards');
    }
}
