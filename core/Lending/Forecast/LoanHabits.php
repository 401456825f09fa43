<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\RandomVariates;
use Random\Randomizer;

/** How long loans are kept, by the lengths that are chosen and how each is used; in days. */
final readonly class LoanHabits
{
    /** @var list<float> running sums of the shares of the lengths */
    private array $shares;

    /** @var list<float> the lengths in days */
    private array $days;

    /** @var list<Quantiles> */
    private array $kept;

    public function __construct(Habits $habits)
    {
        $shares = $days = $kept = [];
        $sum = 0.0;
        foreach ($habits->lengths as $code => $length) {
            $shares[] = $sum += $length->share;
            $days[] = LoanLength::parse((string) $code)->nominalHours() / 24;
            $kept[] = $length->kept;
        }
        $this->shares = array_map(fn(float $s): float => $s / max($sum, 1e-9), $shares);
        $this->days = $days;
        $this->kept = $kept;
    }

    /** @return array{float, float} mean and mean square of the days that a loan is kept */
    public function moments(): array
    {
        $mean = $square = $before = 0.0;
        foreach ($this->shares as $n => $share) {
            $mean += ($share - $before) * $this->days[$n] * $this->kept[$n]->mean();
            $square += ($share - $before) * $this->days[$n] ** 2 * $this->kept[$n]->meanSquare();
            $before = $share;
        }

        return [$mean, $square];
    }

    /** Days that a loan yet to come is kept. */
    public function draw(Randomizer $random): float
    {
        $share = RandomVariates::share($random);
        $n = 0;
        while ($n < count($this->shares) - 1 && $share > $this->shares[$n]) {
            $n++;
        }

        return $this->days[$n] * $this->kept[$n]->at(RandomVariates::share($random));
    }

    /**
     * @return array{float, float, Quantiles, float} length, days gone by, the habit, and the share of loans that are
     *     over by now
     */
    public function running(float $elapsed, float $length): array
    {
        $nearest = 0;
        foreach ($this->days as $n => $days) {
            if (abs($days - $length) < abs($this->days[$nearest] - $length)) {
                $nearest = $n;
            }
        }

        return [
            $length,
            $elapsed,
            $this->kept[$nearest],
            min(0.999, $this->kept[$nearest]->below($elapsed / max($length, 1e-6))),
        ];
    }
}
