<?php

declare(strict_types=1);

namespace Tests\Core\Account;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Account\ReadingDays;
use FigPorch\Core\Account\ReadingReport;
use InvalidArgumentException;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** How long somebody read, day by day. */
final class ReadingDaysTest extends TestCase
{
    /** @param  list<array{string, string, int}>  $readings */
    private function days(array $readings, string $zone = 'UTC'): ReadingDays
    {
        return ReadingDays::of(
            array_map(
                fn(array $of): array => [new DateTimeImmutable($of[0]), new DateTimeImmutable($of[1]), $of[2]],
                $readings,
            ),
            new DateTimeZone($zone),
        );
    }

    public function test_a_sitting_over_midnight_is_of_two_days_by_the_readers_clock(): void
    {
        $sitting = [['2026-05-01 23:30 +00:00', '2026-05-02 00:30 +00:00', 3600]];
        $this->assertSame(30, $this->days($sitting)->minutes('2026-05-01'));
        $this->assertSame(30, $this->days($sitting)->minutes('2026-05-02'));
        $this->assertSame(60, $this->days($sitting, 'Atlantic/Cape_Verde')->minutes('2026-05-01'));
        $this->assertSame(0, $this->days($sitting)->minutes('2026-05-03'));
    }

    public function test_on_the_day_that_clocks_change_no_minute_is_lost_or_counted_twice(): void
    {
        // Madrid: 29 March 2026 has 23 hours, 25 October 25 (IANA tz database).
        foreach (['2026-03-29' => 23 * 60, '2026-10-25' => 25 * 60] as $day => $minutes) {
            $zone = new DateTimeZone('Europe/Madrid');
            $from = new DateTimeImmutable($day, $zone);
            $to = $from->modify('+1 day');
            $days = ReadingDays::of([[$from, $to, $to->getTimestamp() - $from->getTimestamp()]], $zone);
            $this->assertSame([$day => $minutes], array_map(fn(float $s): int => (int) round($s / 60), $days->seconds));
        }
    }

    public function test_two_devices_at_once_count_once_and_sound_as_at_its_own_speed(): void
    {
        $this->assertSame(
            60,
            $this->days([
                ['2026-05-01 10:00', '2026-05-01 11:00', 3600],
                ['2026-05-01 10:15', '2026-05-01 10:45', 1800],
            ])->minutes('2026-05-01'),
        );
        $this->assertSame(
            120,
            $this->days([
                ['2026-05-01 10:00', '2026-05-01 11:00', 3600],
                // At double speed; half of it overlaps.
                ['2026-05-01 10:30', '2026-05-01 11:30', 7200],
            ])->minutes('2026-05-01'),
        );
    }

    public function test_it_agrees_with_counting_every_second_of_random_sittings(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(20260501));
        for ($run = 0; $run < 60; $run++) {
            $readings = [];
            $read = [];
            for ($n = $random->getInt(0, 12); $n > 0; $n--) {
                $from = $random->getInt(0, 3 * 86400);
                $length = $random->getInt(1, 9000);
                $readings[] = ["@{$from}", '@' . ($from + $length), $length];
                foreach (range($from, $from + $length - 1) as $second) {
                    $read[gmdate('Y-m-d', $second)][$second] = true;
                }
            }
            $days = $this->days($readings);
            ksort($read);
            $this->assertSame(
                array_map(count(...), $read),
                array_map(fn(float $of): int => (int) round($of), $days->seconds),
            );
        }
    }

    public function test_days_in_a_row_are_not_broken_by_a_day_that_is_not_over(): void
    {
        $on = fn(string ...$days): ReadingDays => $this->days(
            array_map(fn(string $day): array => ["{$day} 10:00", "{$day} 10:05", 300], array_values($days)),
        );
        $now = new DateTimeImmutable('2026-05-04 09:00');
        $this->assertSame(3, $on('2026-05-01', '2026-05-02', '2026-05-03')->inARow($now));
        $this->assertSame(4, $on('2026-05-01', '2026-05-02', '2026-05-03', '2026-05-04')->inARow($now));
        $this->assertSame(0, $on('2026-05-01', '2026-05-02')->inARow($now));
        $this->assertSame(1, $on('2026-05-01', '2026-05-03')->inARow($now));
        $this->assertSame(0, $this->days([['2026-05-04 08:00', '2026-05-04 08:00:30', 30]])->inARow($now));
        $this->assertSame(
            10,
            $on('2026-05-01', '2026-05-02', '2026-05-09')->minutesBetween('2026-05-01', '2026-05-02'),
        );
    }

    public function test_what_cannot_have_been_is_no_report(): void
    {
        $at = fn(string $time): DateTimeImmutable => new DateTimeImmutable("2026-05-01 {$time}");
        $report = new ReadingReport($at('10:00'), $at('10:01'), 9999, 9999);
        $this->assertSame([186, 30], [$report->seconds, $report->pages]);
        foreach (
            [['10:00', '10:00', 1, 1], ['10:01', '10:00', 1, 1], ['00:00', '13:00', 1, 1], ['10:00', '10:01', -1, 0]]
            as [$from, $to, $seconds, $pages]
        ) {
            try {
                new ReadingReport($at($from), $at($to), $seconds, $pages);
                $this->fail("{$from} to {$to}");
            } catch (InvalidArgumentException) {
                $this->addToAssertionCount(1);
            }
        }
    }
}
