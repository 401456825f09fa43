<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\Search\Facets;
use FigPorch\Core\Catalogue\TitleSet;

/** Whether a title can be had so at this moment, by these cards: the bits of HeldTitles::can(). */
abstract readonly class FlagFilter extends OneValueFilter
{
    final public function __construct(public bool $chosen) {}

    /** Of HeldTitles::can(). */
    abstract public static function bit(): int;

    /** Whether it is offered where no title has it. */
    abstract public function isOfferedAnyway(): bool;

    final public static function read(array $asked): static
    {
        return new static(($asked[static::name()] ?? '') === '1');
    }

    final public function written(): string
    {
        return $this->chosen ? '1' : '';
    }

    final public static function value(string $row, string $can): string
    {
        return "case when {$can} & " . static::bit() . ' > 0 then 1 end';
    }

    final public function fits(string $value): array
    {
        return ["({$value} is not null)", []];
    }

    /** By library: a column of search_rows has its name. */
    final public static function gathered(): Gathered
    {
        return new Gathered(
            IndexPart::Lending,
            'one',
            'cross join unnest(s.' . static::name() . ') one',
            listed: false,
        );
    }

    final public function bitmap(BitmapIndex $index, array $can): TitleSet
    {
        return $can[static::name()];
    }

    final public function chips(Facets $facets): array
    {
        return $this->chosen ? [new Chip(static::name(), $this->heading())] : [];
    }
}
