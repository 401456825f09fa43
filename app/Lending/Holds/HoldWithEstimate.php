<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Models\Hold;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use FigPorch\Core\Lending\HoldState;

/** A hold with its place in line and the promise it comes with. */
final readonly class HoldWithEstimate
{
    public function __construct(
        public Hold $hold,
        public int $place,
        public int $copies,
        public ?WaitEstimate $turn,
        public bool $onOrder = false,
    ) {}

    public function isReady(): bool
    {
        return $this->hold->state === HoldState::Ready;
    }
}
