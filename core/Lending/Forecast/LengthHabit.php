<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

/** How loans of one length are used. */
final readonly class LengthHabit
{
    /**
     * @param  float  $share  of all loans that are of this length
     * @param  Quantiles  $kept  share of the length for which a loan is kept, 0 to 1
     */
    public function __construct(public float $share, public Quantiles $kept, public int $measured) {}
}
