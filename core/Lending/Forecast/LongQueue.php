<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

/**
 * The wait at a place far down a line, without draws: the turns that C copies give by a time are nearly normal, with
 * the mean and variance of C renewal processes (D. R. Cox, Renewal Theory, 1962, ch. 3: mean t/m + (v/m² − 1)/2,
 * variance t·v/m³).
 */
final readonly class LongQueue
{
    /**
     * @param  float  $mean  days from one turn of a copy to its next
     * @param  float  $variance  of the same
     * @param  non-empty-list<float>  $free  days until each copy comes free, on average
     * @param  float  $turns  turns that every hold before this one takes: more than 1, as some are missed
     * @param  float  $cancelled  holds cancelled, per hold and day
     */
    public function __construct(
        private float $mean,
        private float $variance,
        private array $free,
        private float $turns,
        private float $cancelled,
    ) {}

    /**
     * @param  int  $ahead  holds before this place
     * @param  float  $deviation  standard normal quantile: 0 for the median
     * @return float days
     */
    public function wait(int $ahead, float $deviation): float
    {
        $low = 0.0;
        $high = ($ahead + 2) * $this->turns * $this->mean + max($this->free);
        for ($i = 0; $i < 50; $i++) {
            $t = ($low + $high) / 2;
            if ($this->turnsBy($t) < $this->turnsNeeded($ahead) + $deviation * $this->spread($ahead, $t)) {
                $low = $t;
            } else {
                $high = $t;
            }
        }

        return $high;
    }

    private function turnsBy(float $t): float
    {
        $turns = 0.0;
        foreach ($this->free as $free) {
            if ($t > $free) {
                $turns += 1 + ($t - $free) / $this->mean + ($this->variance / $this->mean ** 2 - 1) / 2;
            }
        }

        return $turns;
    }

    /** With half a turn for the step between whole numbers. */
    private function turnsNeeded(int $ahead): float
    {
        return $this->served($ahead) * $this->turns + 0.5;
    }

    private function spread(int $ahead, float $t): float
    {
        $served = $this->served($ahead);
        $variance = $served * (1 - $served / max(1, $ahead));
        foreach ($this->free as $free) {
            $variance += (max(0.0, $t - $free) * $this->variance) / $this->mean ** 3;
        }

        // A line that is ahead of its mean has fewer left to cancel: early deviations die away at the rate of
        // cancelling.
        $x = 2 * $this->cancelled * $t;

        return sqrt($x < 1e-6 ? $variance : ($variance * (1 - exp(-$x))) / $x);
    }

    /**
     * Of the holds ahead those that are not cancelled before their turn: the line n shrinks by n' = −ρ − λn, with
     * ρ holds served and λ of each cancelled a day, and is empty after ln(1 + λn/ρ)/λ days.
     */
    private function served(int $ahead): float
    {
        $perDay = count($this->free) / ($this->mean * $this->turns);

        return $this->cancelled < 1e-9
            ? $ahead
            : ($perDay / $this->cancelled) * log(1 + ($this->cancelled * $ahead) / $perDay);
    }
}
