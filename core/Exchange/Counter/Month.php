<?php

declare(strict_types=1);

namespace FigPorch\Core\Exchange\Counter;

/** Reckoning with months, as "2026-01". */
final class Month
{
    /** How many there are from one to another, both included; none or fewer where they are the wrong way round. */
    public static function count(string $from, string $to): int
    {
        return self::number($to) - self::number($from) + 1;
    }

    public static function after(string $month): string
    {
        $next = self::number($month) + 1;

        return sprintf('%04d-%02d', intdiv($next, 12), ($next % 12) + 1);
    }

    private static function number(string $month): int
    {
        return (int) substr($month, 0, 4) * 12 + (int) substr($month, 5) - 1;
    }
}
