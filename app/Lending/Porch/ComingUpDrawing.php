<?php

declare(strict_types=1);

namespace App\Lending\Porch;

use DateTimeImmutable;

/** Where what is coming up stands in its drawing: a row for each, over an axis of time. */
final readonly class ComingUpDrawing
{
    private const LEFT = 190;

    /** Beside the bars, for what each says. */
    private const RIGHT = 190;

    private const ROW = 27;

    private const TOP = 26;

    private const SHORTEST_DAYS = 21;

    private const DAY = 86400;

    /** @var list<int> days between two lines of the grid, of which the first that leaves few enough is taken */
    private const STEPS = [7, 14, 28, 56, 91, 182, 365];

    private const MOST_LINES = 6;

    /**
     * @param  list<array{date: ComingDate, y: int, from: float, to: float, middle: float|null}>  $rows
     * @param  list<array{x: float, at: DateTimeImmutable}>  $lines  of the grid
     * @param  int  $left  where the axis begins
     */
    private function __construct(
        public array $rows,
        public array $lines,
        public int $left,
        public int $width,
        public int $height,
    ) {}

    /**
     * @param  list<ComingDate>  $dates
     * @param  int  $width  of the axis, in the drawing's units
     */
    public static function of(array $dates, DateTimeImmutable $now, int $width): self
    {
        $ends = array_map(fn(ComingDate $date): int => $date->to?->getTimestamp() ?? 0, $dates);
        $span = max(self::SHORTEST_DAYS * self::DAY, max([0, ...$ends]) - $now->getTimestamp());
        $x = fn(DateTimeImmutable $at): float => round(
            self::LEFT + $width * min(1, max(0, ($at->getTimestamp() - $now->getTimestamp()) / $span)),
            1,
        );
        $rows = [];
        foreach ($dates as $n => $date) {
            $rows[] = [
                'date' => $date,
                'y' => self::TOP + 8 + $n * self::ROW,
                'from' => $x($date->from),
                'to' => $date->to === null ? self::LEFT + $width : $x($date->to),
                'middle' => $date->middle === null ? null : $x($date->middle),
            ];
        }

        return new self(
            $rows,
            self::grid($span, $now, $x),
            self::LEFT,
            self::LEFT + $width + self::RIGHT,
            self::TOP + 14 + count($rows) * self::ROW,
        );
    }

    /**
     * @param  callable(DateTimeImmutable): float  $x
     * @return list<array{x: float, at: DateTimeImmutable}>
     */
    private static function grid(int $span, DateTimeImmutable $now, callable $x): array
    {
        $step = self::STEPS[0];
        foreach (self::STEPS as $step) {
            if ($span / self::DAY / $step <= self::MOST_LINES) {
                break;
            }
        }
        $lines = [];
        for ($days = $step; $days * self::DAY <= $span; $days += $step) {
            $at = $now->modify("+{$days} days");
            $lines[] = ['x' => $x($at), 'at' => $at];
        }

        return $lines;
    }
}
