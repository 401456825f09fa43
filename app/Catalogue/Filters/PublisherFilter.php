<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\IndexPart;

/** By its name, as the record has it: a title has one. */
final readonly class PublisherFilter extends ListFilter
{
    protected const MOST_CHOSEN = 1;

    public static function name(): string
    {
        return 'publisher';
    }

    public static function column(): string
    {
        return 'publisher';
    }

    public static function isArray(): bool
    {
        return false;
    }

    public static function has(int|string $value): array
    {
        return ['s.publisher = ?', [(string) $value]];
    }

    public static function gathered(): Gathered
    {
        return new Gathered(IndexPart::Records, 's.publisher', condition: self::fitsName('s.publisher'), most: 2000);
    }

    public function heading(): string
    {
        return __('search.publisher');
    }
}
