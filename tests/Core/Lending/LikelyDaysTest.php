<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\Forecast\DayCalendar;
use FigPorch\Core\Lending\Forecast\LikelyDays;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class LikelyDaysTest extends TestCase
{
    /**
     * Waits of random shapes, some of them much on one day: over many of them the days that are told hold 8 in 10 of
     * the next ones, as the calendar counts.
     */
    public function test_the_days_that_are_told_hold_eight_in_ten_of_what_comes_next(): void
    {
        $random = new Randomizer(new Mt19937(81));
        foreach (['smooth' => 0.0, 'much on one day' => 0.3] as $name => $atOnce) {
            foreach ([2, 6, 20, 80] as $scale) {
                $held = 0;
                for ($n = 0; $n < 1200; $n++) {
                    $shape = $random->getInt(1, 5);
                    $wait = fn(): int => (int) floor(
                        self::share($random) < $atOnce
                            ? 2 * $scale
                            : $scale * ((1 + $shape) * self::share($random) - log(self::share($random))),
                    );
                    $draws = array_map($wait, range(1, 150));
                    sort($draws);
                    $days = LikelyDays::of($draws);
                    $next = $wait();
                    $held += $days->from <= $next && $next <= $days->to ? 1 : 0;
                }
                $this->assertEqualsWithDelta(0.8, $held / 1200, 0.04, "{$name}, about {$scale} days");
            }
        }
    }

    private static function share(Randomizer $random): float
    {
        return ($random->getInt(0, 2 ** 31 - 1) + 0.5) / 2 ** 31;
    }

    /**
     * @param  non-empty-list<int>  $draws
     * @return array{int, int}
     */
    private static function days(array $draws): array
    {
        $days = LikelyDays::of($draws);

        return [$days->from, $days->to];
    }

    public function test_what_one_day_has_too_much_the_other_end_gives_up(): void
    {
        // A hundred, ten on each day.
        $even = array_merge(...array_map(fn(int $day): array => array_fill(0, 10, $day), range(0, 9)));
        $this->assertSame([1, 8], self::days($even));
        // Four in ten come when the loan is due.
        $due = [...array_slice($even, 0, 60), ...array_fill(0, 40, 14)];
        $this->assertSame([2, 14], self::days($due));
        // And as many at once.
        $now = [...array_fill(0, 40, 0), ...array_slice($even, 40)];
        $this->assertSame([0, 7], self::days($now));
        $this->assertSame([3, 3], self::days(array_fill(0, 60, 3)));
        $this->assertSame([0, PHP_INT_MAX - 1], self::days([0, PHP_INT_MAX - 1]));
        // Days without any are not named as the first or the last.
        $this->assertSame(
            [20, 90],
            self::days([...array_fill(0, 20, 1), ...array_fill(0, 40, 20), ...array_fill(0, 40, 90)]),
        );
    }

    public function test_a_day_is_the_librarys_own(): void
    {
        $zone = new DateTimeZone('America/St_Johns');
        // Half past ten in the evening there.
        $now = new DateTimeImmutable('2026-03-07T02:00:00Z');
        $calendar = new DayCalendar($now, $zone);
        $this->assertSame([0, 1, 1, 2], array_map($calendar->day(...), [0.0, 0.07, 1.0, 1.07]));
        $this->assertSame(
            [0, 1, -1],
            array_map(fn(string $at): int => $calendar->dayOf(new DateTimeImmutable($at)), [
                '2026-03-07T03:29:59Z',
                '2026-03-07T03:30:00Z',
                '2026-03-06T03:00:00Z',
            ]),
        );
        $told = $calendar->estimate(from: 0, middle: 1.5, to: 2, surely: 3, latest: null);
        // The clocks go forward on the 8th: the second day has its last second all the same.
        $this->assertEquals($now, $told->from);
        $this->assertEquals(new DateTimeImmutable('2026-03-08 23:59:59', $zone), $told->to);
        $this->assertEquals(new DateTimeImmutable('2026-03-09 23:59:59', $zone), $told->surely);
        $this->assertEquals(new DateTimeImmutable('2026-03-08T14:00:00Z'), $told->middle);
        $this->assertSame($now->getTimezone()->getName(), $told->to?->getTimezone()->getName());
        // On the day when they go back it is that day until midnight.
        $late = new DayCalendar(new DateTimeImmutable('2026-11-02T03:00:00Z'), $zone);
        $this->assertSame([0, 1], [$late->day(0.0), $late->day(0.1)]);
        // Nothing is later than what is promised.
        $latest = new DateTimeImmutable('2026-03-08 12:00', $zone);
        $cut = $calendar->estimate(from: 1, middle: 5.0, to: 9, surely: 12, latest: $latest);
        $this->assertEquals([$latest, $latest, $latest], [$cut->middle, $cut->to, $cut->surely]);
        $this->assertEquals(new DateTimeImmutable('2026-03-07 00:00', $zone), $cut->from);
        $none = $calendar->estimate(from: null, middle: null, to: null, surely: null, latest: null, never: 1.0);
        $this->assertSame(
            [null, null, null, null, 1.0],
            [$none->from, $none->middle, $none->to, $none->surely, $none->never],
        );
    }

    public function test_the_nearest_days_are_on_the_whole_no_longer_than_the_range(): void
    {
        $random = new Randomizer(new Mt19937(82));
        $days = $range = 0.0;
        for ($n = 0; $n < 4000; $n++) {
            $calendar = new DayCalendar(
                new DateTimeImmutable('@' . $random->getInt(1_800_000_000, 1_800_086_400)),
                new DateTimeZone('UTC'),
            );
            $from = 3 + 17 * self::share($random);
            $to = $from + 1 + 29 * self::share($random);
            [$first, $last] = $calendar->nearest($from, $to);
            $this->assertTrue($first <= $last && abs($first - $calendar->day($from)) <= 1);
            $days += $last - $first + 1;
            $range += $to - $from;
        }
        $this->assertEqualsWithDelta($range / 4000, $days / 4000, 0.1);
        // Of less than a day it is the day that its middle is on; none is before today.
        $noon = new DayCalendar(new DateTimeImmutable('2026-05-01 12:00 UTC'), new DateTimeZone('UTC'));
        $this->assertSame(
            [[2, 2], [3, 3], [0, 4]],
            [$noon->nearest(2.1, 2.3), $noon->nearest(2.4, 2.8), $noon->nearest(-3.0, 4.4)],
        );
    }
}
