<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/**
 * A copy is kept for a hold whose patron wants it borrowed at once. What a lost job leaves undone, the next tick does.
 */
final class BorrowForPatron implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public function __construct(private readonly int $holdId) {}

    public function handle(BorrowForHold $borrowForHold): void
    {
        $borrowForHold($this->holdId, CarbonImmutable::now());
    }
}
