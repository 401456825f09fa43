<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/**
 * Figures of which so few people are behind that one could be known are not shown (common practice in statistics of
 * persons; the least number is ours).
 */
final class SmallCells
{
    public const LEAST = 5;

    /** @return int|null null for what is not shown */
    public static function shown(int $count): ?int
    {
        return $count > 0 && $count < self::LEAST ? null : $count;
    }
}
