<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

/**
 * The wait at a place far down a line, without draws. Place after place: the turn of a hold comes when those before it
 * that have not given up by their own turns have had theirs. C copies whose turns are m days apart, with variance v,
 * have given k turns after about k·m/C days, with variance k·v/C² (D. R. Cox, Renewal Theory, 1962, ch. 3 and 6: the
 * turns of several renewal processes together). What is not known of the habits is carried along by what each would
 * change (the delta method).
 */
final readonly class LongQueue
{
    /**
     * @param  float  $mean  days from one turn of a copy to its next
     * @param  float  $variance  of the same
     * @param  non-empty-list<float>  $free  days until each copy comes free, on average
     * @param  float  $turns  turns that every hold before this one takes: more than 1, as some are missed
     * @param  list<float>  $waited  days that each hold before this one has waited, in order
     */
    public function __construct(
        private float $mean,
        private float $variance,
        private array $free,
        private float $turns,
        private array $waited,
    ) {}

    /**
     * @param  list<float>  $rates  cancelled a day, at each age of GivingUp
     * @return array{float, float} days until the turn of the place after all these, and their variance
     */
    public function turn(array $rates): array
    {
        $free = $this->free;
        sort($free);
        $copies = count($free);
        $gap = $this->mean / $copies;
        // Half a turn, and what a renewal process is ahead of its mean at the beginning.
        $ahead = ($this->variance / $this->mean ** 2 - 1) / 2;
        $variance = 0.0;
        $served = 0.0;
        $day = $this->dayOf(0.5, $free, $ahead);
        foreach ($this->waited as $waited) {
            $stays = exp(GivingUp::cumulated($rates, $waited) - GivingUp::cumulated($rates, $waited + $day));
            $hazard = $rates[self::bin($waited + $day)];
            $served += $stays * $this->turns;
            // Who comes later has given up more often: what is early or late dies away.
            $variance =
                $variance * max(0.0, 1 - $hazard * $stays * $gap) ** 2 +
                ($stays * $this->turns * $this->variance) / $copies ** 2 +
                $stays * (1 - $stays) * ($this->turns * $gap) ** 2;
            $day = max($day, $this->dayOf($served + 0.5, $free, $ahead));
        }

        return [$day, $variance];
    }

    /**
     * When so many turns have been given.
     *
     * @param  non-empty-list<float>  $free  sorted
     */
    private function dayOf(float $turns, array $free, float $ahead): float
    {
        $given = 0.0;
        $working = 0;
        $day = 0.0;
        foreach ($free as $from) {
            $more = ($working * ($from - $day)) / $this->mean;
            if ($given + $more >= $turns) {
                break;
            }
            $given += $more + 1 + $ahead;
            $day = $from;
            $working++;
            if ($given >= $turns) {
                return $day;
            }
        }

        return $working === 0 ? $free[0] : $day + (max(0.0, $turns - $given) * $this->mean) / $working;
    }

    private static function bin(float $age): int
    {
        $n = count(GivingUp::FROM) - 1;
        while ($n > 0 && GivingUp::FROM[$n] > $age) {
            $n--;
        }

        return $n;
    }
}
