<?php

declare(strict_types=1);

namespace App\Account\Almanac;

use DateTimeImmutable;
use FigPorch\Core\Account\ReadingDays;

/** A year of reading as squares, a column a week, and the last month as bars; what is drawn stands in tables too. */
final readonly class AlmanacDrawing
{
    public const SQUARE = 13;

    private const WEEKS = 53;

    private const MONTH_DAYS = 30;

    private const BAR_HEIGHT = 120;

    /** From how many minutes on a square is fuller. */
    private const STEPS = [1, 15, 30, 60];

    /**
     * @param  list<array{x: int, y: int, day: string, minutes: int, step: int}>  $squares
     * @param  list<array{x: int, month: string}>  $months  where each begins
     * @param  list<array{day: string, minutes: int, height: int}>  $bars
     * @param  array<string, int>  $minutesByMonth
     */
    private function __construct(
        public array $squares,
        public array $months,
        public array $bars,
        public array $minutesByMonth,
        public int $today,
        public int $inARow,
        public int $year,
    ) {}

    /** @param  DateTimeImmutable  $today  its midnight, in the reader's zone */
    public static function of(ReadingDays $days, DateTimeImmutable $today): self
    {
        $squares = [];
        $months = [];
        $byMonth = [];
        $monday = $today->modify('monday this week')->modify('-' . (self::WEEKS - 1) . ' weeks');
        for ($day = $monday, $n = 0; $day <= $today; $day = $day->modify('+1 day'), $n++) {
            $name = $day->format('Y-m-d');
            $minutes = $days->minutes($name);
            $x = intdiv($n, 7) * self::SQUARE;
            $squares[] = [
                'x' => $x,
                'y' => ($n % 7) * self::SQUARE,
                'day' => $name,
                'minutes' => $minutes,
                'step' => count(array_filter(self::STEPS, fn(int $from): bool => $minutes >= $from)),
            ];
            if ($day->format('j') === '1') {
                $months[] = ['x' => $x, 'month' => $day->format('Y-m')];
            }
            $month = $day->format('Y-m');
            $byMonth[$month] = ($byMonth[$month] ?? 0) + $minutes;
        }

        return new self(
            squares: $squares,
            months: $months,
            bars: self::bars($days, $today),
            minutesByMonth: $byMonth,
            today: $days->minutes($today->format('Y-m-d')),
            inARow: $days->inARow($today->modify('+12 hours')),
            year: $days->minutesBetween($today->format('Y') . '-01-01', $today->format('Y-m-d')),
        );
    }

    /** @return list<array{day: string, minutes: int, height: int}> */
    private static function bars(ReadingDays $days, DateTimeImmutable $today): array
    {
        $bars = [];
        for ($ago = self::MONTH_DAYS - 1; $ago >= 0; $ago--) {
            $day = $today->modify("-{$ago} days")->format('Y-m-d');
            $bars[] = ['day' => $day, 'minutes' => $days->minutes($day), 'height' => 0];
        }
        $most = max(1, ...array_column($bars, 'minutes'));

        return array_map(
            fn(array $bar): array => [...$bar, 'height' => (int) round(($bar['minutes'] / $most) * self::BAR_HEIGHT)],
            $bars,
        );
    }
}
