<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Simulation;

/** A hold of a simulation; times in days from its beginning. */
final class SimulatedHold
{
    /** When its first copy came; null while none has. */
    public ?float $readyAt = null;

    public ?float $takenAt = null;

    public ?float $cancelledAt = null;

    public float $pausedUntil = 0.0;

    public int $misses = 0;

    public function __construct(
        public readonly int $id,
        public readonly float $placedAt,
        public readonly float $cancelsAt,
    ) {}
}
