<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

/** Counts by number as bars, few enough to be pointed at. */
final readonly class Histogram
{
    private const MOST_BARS = 24;

    private const WIDTHS = [1, 2, 5, 10, 20, 50, 100];

    /**
     * @param  list<array{from: int, to: int, count: int, x: float, width: float, height: float}>  $bars
     */
    private function __construct(public array $bars) {}

    /**
     * @param  array<int, int>  $counts  by number, in order
     * @param  int  $width  of the drawing
     * @param  int  $height  of the highest bar
     */
    public static function of(array $counts, int $width, int $height): self
    {
        if ($counts === []) {
            return new self([]);
        }
        $span = array_key_last($counts) - array_key_first($counts) + 1;
        $wide = 1;
        foreach (self::WIDTHS as $wide) {
            if ($span / $wide <= self::MOST_BARS) {
                break;
            }
        }
        $first = intdiv(array_key_first($counts), $wide) * $wide;
        $sums = array_fill(0, intdiv(array_key_last($counts) - $first, $wide) + 1, 0);
        foreach ($counts as $number => $count) {
            $sums[intdiv($number - $first, $wide)] += $count;
        }
        $step = $width / max(6, count($sums));
        $most = max($sums);

        return new self(
            array_map(
                fn(int $i, int $count): array => [
                    'from' => $first + $i * $wide,
                    'to' => $first + ($i + 1) * $wide - 1,
                    'count' => $count,
                    'x' => round($i * $step, 1),
                    'width' => round($step - 1.5, 1),
                    'height' => $count === 0 ? 0.0 : round(max(2, ($height * $count) / $most), 1),
                ],
                array_keys($sums),
                $sums,
            ),
        );
    }
}
