<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Simulation;

use Closure;
use FigPorch\Core\Lending\LoanLength;
use Random\Randomizer;

/** What the patrons of a simulated library do. */
final readonly class Behaviour
{
    /**
     * @param  Closure(float, Randomizer): float  $wanted  days until the next patron wants the title, given the day
     * @param  Closure(Randomizer): LoanLength  $length  the length a patron chooses
     * @param  Closure(float, Randomizer): float  $kept  days for which a loan of so many days is kept; no more than
     *     those
     * @param  Closure(float, Randomizer): float  $pickUp  days until a ready copy is taken, of the days that it is
     *     kept; more for a miss
     * @param  Closure(Randomizer): float  $patience  days after which a waiting hold is cancelled
     */
    public function __construct(
        public Closure $wanted,
        public Closure $length,
        public Closure $kept,
        public Closure $pickUp,
        public Closure $patience,
    ) {}
}
