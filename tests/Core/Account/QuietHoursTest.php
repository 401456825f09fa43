<?php

declare(strict_types=1);

namespace Tests\Core\Account;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Account\QuietHours;
use InvalidArgumentException;
use PHPUnit\Framework\TestCase;

final class QuietHoursTest extends TestCase
{
    /** Minute by minute through days on which clocks are changed, against the clock on the wall. */
    public function test_they_are_over_when_the_clock_says_so(): void
    {
        foreach (
            [
                'Europe/Berlin' => ['2026-03-28', '2026-10-24'],
                'Atlantic/Azores' => ['2026-03-28'],
                'Asia/Kolkata' => ['2026-05-01'],
            ]
            as $name => $days
        ) {
            $zone = new DateTimeZone($name);
            foreach (
                [['21:00', '07:00'], ['00:00', '06:30'], ['12:00', '13:15'], ['23:59', '00:00'], ['07:00', '21:00']]
                as [$from, $until]
            ) {
                $quiet = new QuietHours($from, $until, $zone);
                foreach ($days as $day) {
                    $start = (new DateTimeImmutable("{$day} 00:00", $zone))->getTimestamp();
                    for ($minute = 0; $minute < 3 * 1440; $minute += 7) {
                        $now = (new DateTimeImmutable('@' . ($start + 60 * $minute)))->setTimezone($zone);
                        $end = $quiet->endAfter($now);
                        $this->assertSame(self::isQuiet($now->format('H:i'), $from, $until), $end !== null);
                        if ($end !== null) {
                            $local = $end->setTimezone($zone);
                            $this->assertGreaterThan($now, $end);
                            $this->assertLessThanOrEqual(25 * 3600, $end->getTimestamp() - $now->getTimestamp());
                            $this->assertSame($until, $local->format('H:i'));
                            $this->assertNull($quiet->endAfter($end));
                        }
                    }
                }
            }
        }
    }

    public function test_a_whole_day_or_half_a_time_is_none(): void
    {
        foreach ([['07:00', '07:00'], ['7:00', '21:00'], ['', '21:00'], ["21:00\n", '07:00']] as [$from, $until]) {
            try {
                new QuietHours($from, $until, new DateTimeZone('UTC'));
                $this->fail("{$from} to {$until} was taken.");
            } catch (InvalidArgumentException) {
                $this->addToAssertionCount(1);
            }
        }
    }

    private static function isQuiet(string $time, string $from, string $until): bool
    {
        return $from < $until ? $time >= $from && $time < $until : $time >= $from || $time < $until;
    }
}
