<?php

declare(strict_types=1);

namespace FigPorch\Core\Account;

use DateTimeImmutable;
use DateTimeZone;

/**
 * How long somebody read on each day, by a clock of theirs. What two devices report of the same moment counts once,
 * with the first of them. Rules §7.
 */
final readonly class ReadingDays
{
    /** A day counts into a row of days from this on. */
    private const LEAST_SECONDS = 60;

    /** @param  array<string, float>  $seconds  by day, "2026-05-01" */
    private function __construct(public array $seconds, private DateTimeZone $zone) {}

    /**
     * @param  iterable<array{DateTimeImmutable, DateTimeImmutable, int}>  $readings  from, to, and how many seconds of
     *     text, sound or film were read between them
     */
    public static function of(iterable $readings, DateTimeZone $zone): self
    {
        $sorted = is_array($readings) ? $readings : iterator_to_array($readings, false);
        usort($sorted, fn(array $a, array $b): int => $a[0] <=> $b[0]);
        $days = [];
        $covered = -INF;
        foreach ($sorted as [$begins, $ends, $seconds]) {
            [$from, $to] = [self::moment($begins), self::moment($ends)];
            if ($to <= $from) {
                continue;
            }
            $pace = $seconds / ($to - $from);
            $from = max($from, $covered);
            $covered = max($covered, $to);
            while ($from < $to) {
                $at = (new DateTimeImmutable('@' . (int) floor($from)))->setTimezone($zone);
                $midnight = (float) $at->modify('tomorrow')->getTimestamp();
                $until = min($to, $midnight);
                $day = $at->format('Y-m-d');
                $days[$day] = ($days[$day] ?? 0) + ($until - $from) * $pace;
                $from = $until;
            }
        }
        ksort($days);

        return new self($days, $zone);
    }

    public function minutes(string $day): int
    {
        return (int) round(($this->seconds[$day] ?? 0) / 60);
    }

    public function minutesBetween(string $first, string $last): int
    {
        $within = array_filter(
            $this->seconds,
            fn(string $day): bool => $day >= $first && $day <= $last,
            ARRAY_FILTER_USE_KEY,
        );

        return (int) round(array_sum($within) / 60);
    }

    /** Days in a row until today; one that is not over yet breaks nothing. */
    public function inARow(DateTimeImmutable $now): int
    {
        $day = $now->setTimezone($this->zone)->setTime(12, 0);
        $row = 0;
        if (!$this->counts($day)) {
            $day = $day->modify('-1 day');
        }
        while ($this->counts($day)) {
            $row++;
            $day = $day->modify('-1 day');
        }

        return $row;
    }

    private function counts(DateTimeImmutable $day): bool
    {
        return ($this->seconds[$day->format('Y-m-d')] ?? 0) >= self::LEAST_SECONDS;
    }

    private static function moment(DateTimeImmutable $at): float
    {
        return (float) $at->format('U.u');
    }
}
