<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** What becomes of a ready hold that was not taken in time: a second chance the first time, the end the second. */
final readonly class MissedHold
{
    /** Days a hold is paused after its first miss. */
    public const PAUSE_DAYS = 7;

    private function __construct(public bool $lapses, public ?DateTimeImmutable $pausedUntil) {}

    /** @param  int  $keptSeconds  for which copies were kept for it in vain, this one included */
    public static function after(int $earlierMisses, int $holdKeptHours, int $keptSeconds, DateTimeImmutable $now): self
    {
        return $earlierMisses > 0 || !PickupWindow::allowsAnother($holdKeptHours, $keptSeconds)
            ? new self(true, null)
            : new self(false, $now->modify('+' . self::PAUSE_DAYS . ' days'));
    }
}
