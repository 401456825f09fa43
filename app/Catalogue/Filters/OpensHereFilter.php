<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\Search\Facets;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Catalogue\TitleSet;

/**
 * What is read, heard or watched in this browser, and does not stand on paper or on the web. What is ready now always
 * is. It has the values of formats, and one counts them together.
 */
final readonly class OpensHereFilter extends OneValueFilter
{
    public function __construct(public bool $chosen) {}

    public static function name(): string
    {
        return 'here';
    }

    public static function kind(): string
    {
        return FormatFilter::kind();
    }

    public static function read(array $asked): static
    {
        return new self(($asked[self::name()] ?? '') === '1');
    }

    public function written(): string
    {
        return $this->chosen ? '1' : '';
    }

    public static function value(string $row, string $can): string
    {
        return FormatFilter::value($row, $can);
    }

    public function fits(string $value): array
    {
        return self::lent()->fits($value);
    }

    public static function gathered(): Gathered
    {
        return FormatFilter::gathered();
    }

    public function bitmap(BitmapIndex $index, array $can): TitleSet
    {
        return self::lent()->bitmap($index, $can);
    }

    public function heading(): string
    {
        return __('search.opens_here');
    }

    public function chips(Facets $facets): array
    {
        return $this->chosen ? [new Chip(self::name(), $this->heading())] : [];
    }

    /** How many it would leave. */
    public static function count(Facets $facets): int
    {
        return array_sum(array_intersect_key($facets->of(self::name()), array_flip(self::lent()->chosen)));
    }

    private static function lent(): FormatFilter
    {
        return new FormatFilter(array_column(Format::lent(), 'value'));
    }
}
