<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;

/**
 * Ranges that held less often than 8 times in 10 are widened, and narrowed where they held more often, by what the last
 * ones lacked: the least share of a range's width by which 8 in 10 outcomes lie within (conformalized quantile
 * regression: Y. Romano, E. Patterson, E. Candès, NeurIPS 2019: from memory). With few cases it does little.
 */
final readonly class Correction
{
    public const LAST = 300;

    private const SHARE = 0.8;

    /** Cases at which half of what was lacking is made up. */
    private const HALF_WEIGHT = 60;

    private const MOST = 1.5;

    private const LEAST = -0.25;

    private const HOUR = 3600;

    /** Lengths of line that are alike: up to so many ahead. */
    private const CELLS = ['0-3' => 3, '4-10' => 10, '11-40' => 40, '41' => PHP_INT_MAX];

    public static function cell(int $ahead): string
    {
        foreach (self::CELLS as $cell => $most) {
            if ($ahead <= $most) {
                return (string) $cell;
            }
        }

        return '41';
    }

    /** @return list<string> */
    public static function cells(): array
    {
        return array_map(strval(...), array_keys(self::CELLS));
    }

    /**
     * @param  list<array{int, int, int}>  $cases  from, to and when it came, as Unix times
     * @return float by which share of its width a range is moved out at each end; negative to narrow it
     */
    public static function measured(array $cases): float
    {
        if ($cases === []) {
            return 0.0;
        }
        $lacked = array_map(
            fn(array $of): float => max($of[0] - $of[2], $of[2] - $of[1]) / max(self::HOUR, $of[1] - $of[0]),
            $cases,
        );
        sort($lacked);
        $n = count($lacked);
        $needed = $lacked[min($n - 1, (int) ceil(self::SHARE * ($n + 1)) - 1)];

        return max(self::LEAST, min(self::MOST, $needed)) * ($n / ($n + self::HALF_WEIGHT));
    }

    private static function later(WaitEstimate $estimate, int $by): ?DateTimeImmutable
    {
        $surely = $estimate->surely?->setTimestamp($estimate->surely->getTimestamp() + $by);

        return $surely === null || $estimate->latest === null ? $surely : min($surely, $estimate->latest);
    }

    public static function applied(WaitEstimate $estimate, float $widen, DateTimeImmutable $now): WaitEstimate
    {
        if ($estimate->from === null || $estimate->to === null || $estimate->middle === null || $widen === 0.0) {
            return $estimate;
        }
        $by = (int) round($widen * ($estimate->to->getTimestamp() - $estimate->from->getTimestamp()));
        $from = $now->setTimestamp(max($now->getTimestamp(), $estimate->from->getTimestamp() - $by));
        $to = $now->setTimestamp($estimate->to->getTimestamp() + $by);

        return new WaitEstimate(
            from: min($from, $estimate->middle),
            middle: $estimate->middle,
            to: max($estimate->latest === null ? $to : min($to, $estimate->latest), $estimate->middle),
            latest: $estimate->latest,
            never: $estimate->never,
            surely: self::later($estimate, $by),
        );
    }
}
