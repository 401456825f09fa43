<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\Search\Facets;

/**
 * One thing by which a search can be narrowed down, with what is chosen of it. All that the application knows of a
 * filter stands in its class: how it is read from the address and written there, its condition in SQL, its bitmaps and
 * what is gathered for them, how its values are counted and what they are called.
 *
 * The kinds: ChoiceFilter (any of few values), FlagFilter (yes or not), RangeFilter (from, to) are counted as if they
 * were not set themselves, so that one can change one's mind; ListFilter (of many values) narrows further with each.
 */
abstract readonly class Filter
{
    /** In the address, and of its counts. */
    abstract public static function name(): string;

    /** What the names of its bitmaps begin with. */
    public static function kind(): string
    {
        return static::name();
    }

    /**
     * @param  array<string, string>  $asked  values of a query string; what cannot be read is as if it were not
     *     there
     */
    abstract public static function read(array $asked): static;

    /** As it stands in the address; empty where nothing is chosen. */
    abstract public function written(): string;

    /** What is gathered for it; null where nothing need be. */
    abstract public static function gathered(): ?Gathered;

    /** Whether it is written down how many titles each of its bitmaps shares with each subject (SharedCounts). */
    public static function hasSharedCounts(): bool
    {
        return false;
    }

    /** @return list<list<string>> names of bitmaps in which all titles are that fit: in one of each list at least */
    public function within(): array
    {
        return [];
    }

    abstract public function heading(): string;

    /** @return list<Chip> what is chosen, in words */
    abstract public function chips(Facets $facets): array;

    final public function isSet(): bool
    {
        return $this->written() !== '';
    }
}
