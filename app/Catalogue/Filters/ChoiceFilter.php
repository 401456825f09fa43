<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\Search\Facets;
use FigPorch\Core\Catalogue\TitleSet;

/** One value of few, each with a bitmap of its own. */
abstract readonly class ChoiceFilter extends OneValueFilter
{
    final public function __construct(public ?string $chosen) {}

    /** Whether it can be a value. */
    abstract protected static function isValue(string $asked): bool;

    /** Whether there is no title without a value: the commonest need not be counted. */
    public static function everyTitleHasOne(): bool
    {
        return false;
    }

    /** The word for choosing none. */
    abstract public function any(): string;

    /**
     * @param  array<int|string, int>  $counts  by value
     * @return array<string, string> what is offered, by value, in words
     */
    abstract public function values(array $counts): array;

    abstract protected function words(string $value): string;

    final public static function read(array $asked): static
    {
        $value = $asked[static::name()] ?? '';

        return new static(static::isValue($value) ? $value : null);
    }

    final public function written(): string
    {
        return (string) $this->chosen;
    }

    /** A column of search_rows has its name. */
    final public static function value(string $row, string $can): string
    {
        return $row . static::name();
    }

    final public function fits(string $value): array
    {
        return ["coalesce({$value} = ?, false)", [$this->chosen]];
    }

    final public static function gathered(): Gathered
    {
        return new Gathered(IndexPart::Records, 's.' . static::name());
    }

    final public static function hasSharedCounts(): bool
    {
        return true;
    }

    final public function chosenValues(): array
    {
        return $this->chosen === null ? [] : [$this->chosen];
    }

    final public function bitmap(BitmapIndex $index, array $can): TitleSet
    {
        return $index->every(static::kind() . ":{$this->chosen}");
    }

    public function chips(Facets $facets): array
    {
        return $this->chosen === null ? [] : [new Chip(static::name(), $this->words($this->chosen))];
    }
}
