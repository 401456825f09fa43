<?php

declare(strict_types=1);

namespace App\Catalogue\Filters;

use App\Catalogue\BitmapIndex\BitmapIndex;
use App\Catalogue\BitmapIndex\IndexPart;
use App\Catalogue\Search\Facets;
use FigPorch\Core\Catalogue\TitleSet;

/** Whole numbers from, to, or between; both ends belong to it. */
abstract readonly class RangeFilter extends OneValueFilter
{
    private const LOWEST = -9999;

    private const HIGHEST = 9999;

    final public function __construct(public ?int $from = null, public ?int $to = null) {}

    /** What is chosen, in words. */
    abstract protected function words(string $range): string;

    /** "2015-2020", "2015-", "-2020"; or each end by itself, in a form's two fields. */
    final public static function read(array $asked): static
    {
        $name = static::name();
        $number = fn(?string $text): ?int => preg_match('/^\d{1,4}$/D', (string) $text) === 1 ? (int) $text : null;
        [$from, $to] = [$number($asked["{$name}_from"] ?? null), $number($asked["{$name}_to"] ?? null)];
        if (preg_match('/^(\d{1,4})?-(\d{1,4})?$/D', $asked[$name] ?? '', $m, PREG_UNMATCHED_AS_NULL) === 1) {
            [$from, $to] = [$from ?? $number($m[1]), $to ?? $number($m[2])];
        }

        return $from !== null && $to !== null && $from > $to ? new static($to, $from) : new static($from, $to);
    }

    final public function written(): string
    {
        return $this->from === null && $this->to === null ? '' : "{$this->from}-{$this->to}";
    }

    final public function fits(string $value): array
    {
        return ["coalesce({$value} between ? and ?, false)", [$this->from ?? self::LOWEST, $this->to ?? self::HIGHEST]];
    }

    final public static function gathered(): Gathered
    {
        return new Gathered(IndexPart::Records, static::value('s.', ''));
    }

    final public function bitmap(BitmapIndex $index, array $can): TitleSet
    {
        return self::between($index, static::kind(), $this->from, $this->to);
    }

    /** The titles with a value between two. */
    public static function between(BitmapIndex $index, string $kind, int|float|null $from, int|float|null $to): TitleSet
    {
        $all = TitleSet::none();
        foreach (array_keys($index->values($kind)) as $value) {
            if ($value >= ($from ?? self::LOWEST) && $value <= ($to ?? self::HIGHEST)) {
                $all = $all->or($index->every("{$kind}:{$value}"));
            }
        }

        return $all;
    }

    final public function chips(Facets $facets): array
    {
        $range = $this->from === $this->to ? (string) $this->from : "{$this->from}–{$this->to}";

        return $this->isSet() ? [new Chip(static::name(), $this->words($range))] : [];
    }
}
