<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

/**
 * The whole days, as a calendar has them, within which 8 in 10 of what was drawn lie. As many come before the first as
 * after the last, save where much falls on one day, as on the day a loan is due: what that day has too much, the other
 * end gives up.
 */
final readonly class LikelyDays
{
    private const TAIL = 0.1;

    /** @param  int  $from  days from today; equal to $to where one day holds as much */
    private function __construct(public int $from, public int $to) {}

    /**
     * One more outcome lies between two neighbouring draws, or beyond them, with the same chance everywhere: of n draws
     * those within a range stand for so many of n + 1.
     *
     * @param  non-empty-list<int>  $days  drawn, the earliest first
     */
    public static function of(array $days): self
    {
        $n = count($days);
        $tail = max(0, (int) floor(self::TAIL * ($n + 1)) - 1);
        [$first, $last] = [$days[$tail], $days[$n - 1 - $tail]];
        $on = array_count_values($days);
        $before = count(array_filter($days, fn(int $day): bool => $day < $first));
        $after = count(array_filter($days, fn(int $day): bool => $day > $last));
        $wanted = (1 - 2 * self::TAIL) * ($n + 1);
        while ($first < $last) {
            $over = $n - $before - $after - $wanted;
            // A day goes where what is left is nearer to 8 in 10 without it, from the end with less beyond it first.
            [$atFirst, $atLast] = [$on[$first] < 2 * $over, $on[$last] < 2 * $over];
            if ($atFirst && ($before <= $after || !$atLast)) {
                $before += $on[$first];
                do {
                    $first++;
                } while (!isset($on[$first]));
            } elseif ($atLast) {
                $after += $on[$last];
                do {
                    $last--;
                } while (!isset($on[$last]));
            } else {
                break;
            }
        }

        return new self($first, $last);
    }
}
