<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapSearch\BitmapResult;
use App\Catalogue\BitmapSearch\BitmapSearch;
use App\Catalogue\BitmapSearch\CommonestValues;
use App\Catalogue\Search\Facets;
use FigPorch\Core\Catalogue\TitleSet;
use LogicException;

/**
 * One or some of many values, such as subjects: a title has all that are chosen, and each narrows further. The
 * commonest of the rest are offered.
 */
abstract readonly class ListFilter extends Filter
{
    /** So many values are offered beside the results; with 0 they are not counted there. */
    public const OFFERED = 8;

    /** So many can be chosen. */
    protected const MOST_CHOSEN = 8;

    /** Between values in the address. */
    protected const SEPARATOR = '||';

    /** The table that names its values, where they are numbers. */
    public const NAMES = null;

    /** @param  list<int|string>  $chosen */
    final public function __construct(public array $chosen = []) {}

    /** @return int|string|null the value as it is in search_rows; null where it can be none */
    protected static function value(string $asked): int|string|null
    {
        return $asked === '' ? null : $asked;
    }

    /** Whether the value is short enough for the name of a bitmap (search_sets.name), as SQL. */
    final protected static function fitsName(string $value): string
    {
        return "length({$value}) < 150";
    }

    /** Of search_rows: one value, or an array of them. Asked only of what is counted beside the results. */
    public static function column(): string
    {
        throw new LogicException(static::class . ' has no column.');
    }

    /** @return bool whether a title can have several */
    public static function isArray(): bool
    {
        return true;
    }

    /** What titles have of it, as rows of "v" in SQL. */
    public static function values(string $from, string $where = 'true'): string
    {
        $column = static::column();

        return static::isArray()
            ? "select unnest({$column}) v from {$from} where {$where} and {$column} <> '{}'"
            : "select {$column} v from {$from} where {$where} and {$column} is not null";
    }

    /**
     * As values(), by the numbers of titles alone.
     *
     * @param  string  $those  SQL that names title_id
     */
    public static function valuesOf(string $those): string
    {
        return static::values('search_rows', $those);
    }

    /**
     * Whether a title has a value, as SQL on search_rows (alias s).
     *
     * @return array{string, list<mixed>}
     */
    abstract public static function has(int|string $value): array;

    final public static function read(array $asked): static
    {
        $values = array_map(
            fn(string $one): int|string|null => static::value(trim($one)),
            explode(static::SEPARATOR, $asked[static::name()] ?? ''),
        );
        $known = array_filter($values, fn(int|string|null $value): bool => $value !== null);

        return new static(array_slice(array_values(array_unique($known)), 0, static::MOST_CHOSEN));
    }

    final public function written(): string
    {
        return implode(static::SEPARATOR, $this->chosen);
    }

    final public function within(): array
    {
        return array_map(fn(int|string $value): array => [static::kind() . ":{$value}"], $this->chosen);
    }

    /** As it stands in the address with one value more. */
    final public function with(int|string $value): string
    {
        return (new static([...$this->chosen, $value]))->written();
    }

    final public function chips(Facets $facets): array
    {
        return array_map(
            fn(int|string $value): Chip => new Chip(
                static::name(),
                $this->words($facets->name(static::name(), $value) ?? __('search.unknown')),
                (new static(array_values(array_diff($this->chosen, [$value]))))->written(),
            ),
            $this->chosen,
        );
    }

    /** A chosen value, in words. */
    protected function words(string $name): string
    {
        return $name;
    }

    /**
     * @param  Facets  $facets  of the search
     * @return array<int|string, int> what is offered, and how many titles each would leave
     */
    final public function offered(Facets $facets): array
    {
        return $this->takesMore()
            ? static::inOrder(array_diff_key($facets->of(static::name()), array_flip($this->chosen)))
            : [];
    }

    /** Whether another value can be chosen. */
    final public function takesMore(): bool
    {
        return count($this->chosen) < static::MOST_CHOSEN;
    }

    /**
     * @param  array<int|string, int>  $counts  by value, the most first
     * @return array<int|string, int>
     */
    protected static function inOrder(array $counts): array
    {
        return $counts;
    }

    /** What a value is called in a list of them. */
    public function label(string $name): string
    {
        return $name;
    }

    /** The titles that have a value. */
    public static function bitmap(BitmapIndex $index, int|string $value): TitleSet
    {
        return $index->set(static::kind() . ":{$value}") ?? BitmapSearch::asked(...static::has($value));
    }

    /**
     * The values that most of what was found have, by the bitmaps of the commonest.
     *
     * @param  TitleSet  $counted  what was found, for counting
     * @param  bool  $few  so few were found that what each of them has is counted sooner
     * @param  array<int|string, int>  $more  what was counted one by one, to be added
     * @return array<int|string, int> by value, the most first
     */
    public static function commonest(BitmapResult $found, TitleSet $counted, bool $few, array $more): array
    {
        return CommonestValues::of(static::class, $found, $counted, $few, $more);
    }

    /**
     * How many of what was found can have each value at the most.
     *
     * @return array<int|string, int>
     */
    public static function atMost(BitmapResult $found): array
    {
        return $found->gathering->values(static::kind());
    }

    /**
     * @param  list<int|string>  $values
     * @return array<int, string> as many of their names as the index has at hand
     */
    public static function namesAtHand(BitmapIndex $index, array $values): array
    {
        return [];
    }
}
