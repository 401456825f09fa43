<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;
use DateTimeZone;

/**
 * What is made of how the last ranges held: they are moved where their middles were early or late by more than chance
 * makes them, and widened, or narrowed, so that 8 in 10 outcomes would have been within; both as shares of a range's
 * length (conformalized quantile regression: Y. Romano, E. Patterson, E. Candès, NeurIPS 2019: from memory). Who still
 * waits, or gave up, counts for as long as they waited (E. L. Kaplan, P. Meier, JASA 53, 1958): with those alone who
 * have got their copy, the short waits would speak for all. With few cases it does little.
 */
final readonly class Correction
{
    /** Ranges with an outcome that are looked at. */
    public const LAST = 300;

    private const SHARE = 0.8;

    /** Outcomes at which half of what was lacking is made up. */
    private const HALF_WEIGHT = 30;

    /** Holds of one line come early or late together: of so many outcomes one is taken to be of its own mind. */
    private const TOGETHER = 10;

    private const MOST = 1.5;

    private const LEAST = -0.25;

    private const DAY = 86400;

    /** Lengths of line that are alike: up to so many ahead. */
    private const CELLS = ['0-3' => 3, '4-10' => 10, '11-40' => 40, '41' => PHP_INT_MAX];

    /**
     * @param  float  $shift  by which share of its length a range is moved to later days; negative to earlier ones
     * @param  float  $widen  and moved out at each end; negative to narrow it
     */
    public function __construct(public float $shift = 0.0, public float $widen = 0.0) {}

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
     * @param  list<array{from: int, middle: int, to: int, until: int, came: bool}>  $cases  ranges as they were drawn,
     *     and until when was waited, as Unix times; whether the copy came then
     */
    public static function measured(array $cases): self
    {
        $outcomes = count(array_filter(array_column($cases, 'came')));
        if ($outcomes === 0) {
            return new self();
        }
        $trust = $outcomes / ($outcomes + self::HALF_WEIGHT);
        $late = self::weighted(
            array_map(fn(array $of): array => [self::lengths($of['until'] - $of['middle'], $of), $of['came']], $cases),
        );
        // By how much the share that comes before the middle is off by chance alone.
        $chance = 0.5 / sqrt($outcomes / self::TOGETHER);
        [$least, $most] =
            $chance < 0.5 ? [self::reaches($late, 0.5 - $chance), self::reaches($late, 0.5 + $chance)] : [0.0, 0.0];
        $shift = max(-1.0, min(1.0, $least > 0 ? $least : min(0.0, $most))) * $trust;
        $at = self::weighted(
            array_map(fn(array $of): array => [self::lengths($of['until'] - $of['from'], $of), $of['came']], $cases),
        );
        $lacked = array_map(fn(array $of): array => [max($shift - $of[0], $of[0] - 1 - $shift), $of[1]], $at);
        sort($lacked);
        $widen = self::reaches($lacked, min(1.0, (self::SHARE * ($outcomes + 1)) / $outcomes));

        return new self($shift, max(self::LEAST, min(self::MOST, $widen)) * $trust);
    }

    public function applied(WaitEstimate $estimate, DateTimeImmutable $now, DateTimeZone $zone): WaitEstimate
    {
        if (
            $estimate->from === null ||
            $estimate->to === null ||
            $estimate->middle === null ||
            ($this->widen === 0.0 && $this->shift === 0.0)
        ) {
            return $estimate;
        }
        $calendar = new DayCalendar($now, $zone);
        [$from, $to] = [$calendar->dayOf($estimate->from), $calendar->dayOf($estimate->to)];
        $days = $to - $from + 1;
        [$shift, $by] = [$this->shift * $days, $this->widen * $days];
        $middle = max(0.0, ($estimate->middle->getTimestamp() - $now->getTimestamp()) / self::DAY + $shift);
        $first = min($calendar->day($middle), max(0, (int) round($from + $shift - $by)));
        $last = max($calendar->day($middle), (int) round($to + $shift + $by));
        $surely = $estimate->surely === null ? null : (int) round($calendar->dayOf($estimate->surely) + $shift + $by);

        return $calendar->estimate(
            from: $first,
            middle: $middle,
            to: $last,
            surely: $surely === null ? null : max($last, $surely),
            latest: $estimate->latest,
            never: $estimate->never,
        );
    }

    /**
     * Seconds as a share of a range's length.
     *
     * @param  array{from: int, to: int, ...}  $of
     */
    private static function lengths(int $seconds, array $of): float
    {
        return $seconds / max(self::DAY, $of['to'] - $of['from']);
    }

    /**
     * The values that were reached, each with its share of all: where some were only seen up to a value, what is left
     * of the whole goes on to those beyond it.
     *
     * @param  list<array{float, bool}>  $values  and whether they were reached, or only seen up to there
     * @return list<array{float, float}> the least value first
     */
    private static function weighted(array $values): array
    {
        // Of equal values those that were reached come first.
        usort($values, fn(array $a, array $b): int => [$a[0], $b[1]] <=> [$b[0], $a[1]]);
        $left = 1.0;
        $weighted = [];
        foreach ($values as $n => [$value, $reached]) {
            if ($reached) {
                $share = $left / (count($values) - $n);
                $weighted[] = [$value, $share];
                $left -= $share;
            }
        }

        return $weighted;
    }

    /**
     * The value up to which a share of the whole lies; the last where so much was never reached.
     *
     * @param  list<array{float, float}>  $weighted  the least value first
     */
    private static function reaches(array $weighted, float $share): float
    {
        $sum = 0.0;
        $value = 0.0;
        foreach ($weighted as [$value, $weight]) {
            $sum += $weight;
            if ($sum >= $share - 1e-9) {
                break;
            }
        }

        return $value;
    }
}
