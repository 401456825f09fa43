<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** A hold that waits its turn. */
final readonly class HoldInLine
{
    public function __construct(
        public int $id,
        public int $libraryId,
        public DateTimeImmutable $lineAt,
        public ?DateTimeImmutable $pausedUntil = null,
        public int $misses = 0,
        public bool $cardMayBorrow = true,
        public ?int $consortiumId = null,
    ) {}

    public function isPaused(DateTimeImmutable $now): bool
    {
        return $this->pausedUntil !== null && $this->pausedUntil > $now;
    }
}
