<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

/**
 * How long copies are kept for one hold. A patron may let a ready copy go and have another later, but in vain copies
 * are kept for a hold no longer than twice the time the rules give: else no date could be promised to those behind.
 */
final class PickupWindow
{
    /** A copy is not kept again for less than this, unless the rules themselves give less. */
    private const LEAST_HOURS = 24;

    /**
     * @param  int  $holdKeptHours  as the rules say
     * @param  int  $keptSeconds  for which copies were kept for this hold in vain so far
     * @return int seconds that a copy may be kept now
     */
    public static function seconds(int $holdKeptHours, int $keptSeconds): int
    {
        return max(
            min($holdKeptHours, self::LEAST_HOURS) * 3600,
            min($holdKeptHours * 3600, 2 * $holdKeptHours * 3600 - $keptSeconds),
        );
    }

    /** Whether a copy may be kept once more after this one is let go. */
    public static function allowsAnother(int $holdKeptHours, int $keptSeconds): bool
    {
        return 2 * $holdKeptHours * 3600 - $keptSeconds >= min($holdKeptHours, self::LEAST_HOURS) * 3600;
    }
}
