<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

/** How much a title is wanted at a library. */
final readonly class Demand
{
    /**
     * @param  float  $perDay  loans that would begin in a day if nobody had to wait
     * @param  int  $waiting  holds in line
     */
    public function __construct(public float $perDay, public int $waiting) {}

    /** As wanted as of late: by loans begun in so many days, and by those who wait still. */
    public static function measured(int $loansBegun, int $waiting, float $days): self
    {
        return new self(($loansBegun + $waiting) / max(1.0, $days), $waiting);
    }
}
