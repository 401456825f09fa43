<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;
use DateTimeZone;

/** Waits in days from a moment as days of a calendar, which is what patrons read: 0 is today. */
final readonly class DayCalendar
{
    private const DAY = 86400;

    private DateTimeImmutable $now;

    private DateTimeImmutable $today;

    /** The share of today that is over; on the day when the clocks go back its last hour is not yet tomorrow. */
    private float $over;

    public function __construct(DateTimeImmutable $now, private DateTimeZone $zone)
    {
        // Of PHP's own class: a heavier one may come in, and only moments go out.
        $this->now = DateTimeImmutable::createFromInterface($now);
        $this->today = $this->now->setTimezone($zone)->setTime(0, 0);
        $this->over = min(0.9999, ($this->now->getTimestamp() - $this->today->getTimestamp()) / self::DAY);
    }

    /** The day on which a wait of so many days ends. */
    public function day(float $wait): int
    {
        return (int) floor($wait + $this->over);
    }

    /** The day that a moment is on. */
    public function dayOf(DateTimeImmutable $at): int
    {
        return (int) $this->today->diff($at->setTimezone($this->zone)->setTime(0, 0))->format('%r%a');
    }

    /**
     * The whole days that are nearest to a range: of many ranges they are as long as these are.
     *
     * @return array{int, int}
     */
    public function nearest(float $from, float $to): array
    {
        $first = max(0, (int) round($from + $this->over));
        $last = (int) round($to + $this->over) - 1;

        return $first <= $last ? [$first, $last] : array_fill(0, 2, $this->day(($from + $to) / 2));
    }

    /**
     * @param  int|null  $from  the first day
     * @param  float|null  $middle  days from now
     * @param  int|null  $to  the last day
     * @param  int|null  $surely  a day
     */
    public function estimate(
        ?int $from,
        ?float $middle,
        ?int $to,
        ?int $surely,
        ?DateTimeImmutable $latest,
        float $never = 0.0,
    ): WaitEstimate {
        $promised = fn(?int $moment): ?DateTimeImmutable => $moment === null
            ? null
            : $this->now->setTimestamp(min($moment, $latest?->getTimestamp() ?? PHP_INT_MAX));
        $begins = fn(int $day): int => $this->today->modify("+{$day} days")->getTimestamp();

        return new WaitEstimate(
            from: $promised($from === null ? null : max($this->now->getTimestamp(), $begins($from))),
            middle: $promised($middle === null ? null : $this->now->getTimestamp() + (int) round($middle * self::DAY)),
            to: $promised($to === null ? null : $begins($to + 1) - 1),
            latest: $latest,
            never: $never,
            surely: $promised($surely === null ? null : $begins($surely + 1) - 1),
        );
    }
}
