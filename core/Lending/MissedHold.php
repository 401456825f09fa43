<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** What becomes of a ready hold that was not taken in time: a second chance the first time, the end the second. */
final readonly class MissedHold
{
    /** Days a hold is paused after its first miss. */
    private const PAUSE_DAYS = 7;

    private function __construct(public bool $lapses, public ?DateTimeImmutable $pausedUntil)
    {
    }

    public static function after(int $earlierMisses, DateTimeImmutable $now): self
    {
        return $earlierMisses > 0
            ? new self(true, null)
            : new self(false, $now->modify('+'.self::PAUSE_DAYS.' days'));
    }
}
