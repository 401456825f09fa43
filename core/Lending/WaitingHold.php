<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending;

use DateTimeImmutable;

/** A hold that waits in line. */
final readonly class WaitingHold
{
    /** @param  DateTimeImmutable|null  $placedAt  null for one that is placed at this moment */
    public function __construct(
        public ?DateTimeImmutable $placedAt = null,
        public ?DateTimeImmutable $pausedUntil = null,
    ) {}

    /** @return list<self> so many that are placed at this moment */
    public static function now(int $count): array
    {
        return array_fill(0, max(0, $count), new self());
    }
}
