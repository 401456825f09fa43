<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\Search\Facets;
use FigPorch\Core\Catalogue\TitleSet;
use LogicException;

/** One or some of few values, each with a bitmap of its own: a title has any of those that are chosen. */
abstract readonly class ChoiceFilter extends OneValueFilter
{
    /** Between values in the address. */
    public const SEPARATOR = ',';

    /** So many can be chosen. */
    private const MOST_CHOSEN = 20;

    /** @param  list<string>  $chosen */
    final public function __construct(public array $chosen) {}

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

    /** The name of its boxes in a form, each of one value. */
    final public static function boxes(): string
    {
        return static::name() . 's';
    }

    /** In an order of their own, so that an address says the same however it was come to. */
    final public static function read(array $asked): static
    {
        $values = array_map(trim(...), explode(self::SEPARATOR, $asked[static::name()] ?? ''));
        $known = array_values(array_unique(array_filter($values, static::isValue(...))));
        sort($known);

        return new static(array_slice($known, 0, self::MOST_CHOSEN));
    }

    final public function written(): string
    {
        return implode(self::SEPARATOR, $this->chosen);
    }

    /** A column of search_rows has its name. */
    final public static function value(string $row, string $can): string
    {
        return $row . static::name();
    }

    final public function fits(string $value): array
    {
        $one = implode(', ', array_fill(0, count($this->chosen), '?'));

        return ["coalesce({$value} in ({$one}), false)", $this->chosen];
    }

    final public static function gathered(): Gathered
    {
        return new Gathered(IndexPart::Records, 's.' . static::name());
    }

    final public static function hasSharedCounts(): bool
    {
        return true;
    }

    final public function within(): array
    {
        return $this->chosen === []
            ? []
            : [array_map(fn(string $value): string => static::kind() . ":{$value}", $this->chosen)];
    }

    final public function bitmap(BitmapIndex $index, array $can): TitleSet
    {
        $sets = array_map(fn(string $value): TitleSet => $index->every(static::kind() . ":{$value}"), $this->chosen);

        return array_reduce(
            array_slice($sets, 1),
            fn(TitleSet $all, TitleSet $of): TitleSet => $all->or($of),
            $sets[0] ?? throw new LogicException('Nothing is chosen.'),
        );
    }

    final public function chips(Facets $facets): array
    {
        return array_map(
            fn(string $value): Chip => new Chip(
                static::name(),
                $this->said($this->words($value)),
                (new static(array_values(array_diff($this->chosen, [$value]))))->written(),
            ),
            $this->chosen,
        );
    }

    /** A chosen value, where the filter's name does not go without saying. */
    protected function said(string $words): string
    {
        return $words;
    }
}
