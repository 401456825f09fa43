<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Simulation;

use FigPorch\Core\Lending\LoanLength;

/** A loan of a simulation; times in days from its beginning. */
final readonly class SimulatedLoan
{
    public function __construct(public LoanLength $length, public float $start, public float $due, public float $end) {}
}
