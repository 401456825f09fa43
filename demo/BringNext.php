<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Brings one title of the demo that is on order, and asks for the next: what staff send meanwhile comes in between. */
final class BringNext implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public function __construct()
    {
        $this->onConnection('imports')->onQueue('imports');
    }

    public function handle(Arrivals $arrivals): void
    {
        if ($arrivals->next()) {
            self::dispatch();
        }
    }
}
