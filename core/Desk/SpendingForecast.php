<?php

declare(strict_types=1);

namespace FigPorch\Core\Desk;

use InvalidArgumentException;

/**
 * What a library that pays for each loan will have spent by the end of a month. Loans come by chance at the rate of
 * late, each at a price like those of late: a compound Poisson sum, of mean n·E[c] and variance n·E[c²] (Ross,
 * Introduction to Probability Models, on compound Poisson variables: from memory), taken as normal. The rate is itself
 * only measured, which widens the range by the same variance over the days it was measured on.
 */
final readonly class SpendingForecast
{
    /** Of the normal distribution: 8 in 10 lie between. */
    private const EIGHT_IN_TEN = 1.2816;

    private function __construct(
        public int $spent,
        public int $budget,
        public float $perDay,
        private float $variancePerDay,
        private float $daysMeasured,
        private float $daysLeft,
    ) {}

    /**
     * @param  int  $spent  cents in the month so far
     * @param  list<int>  $paid  cents of each loan in the days measured
     * @param  float  $daysLeft  until the month ends
     */
    public static function of(int $spent, int $budget, array $paid, float $daysMeasured, float $daysLeft): self
    {
        if ($daysMeasured <= 0 || $daysLeft < 0) {
            throw new InvalidArgumentException('Days measured are more than none, days left not fewer.');
        }
        $squares = array_sum(array_map(fn(int $cents): int => $cents ** 2, $paid));

        return new self(
            spent: $spent,
            budget: $budget,
            perDay: array_sum($paid) / $daysMeasured,
            variancePerDay: $squares / $daysMeasured,
            daysMeasured: $daysMeasured,
            daysLeft: $daysLeft,
        );
    }

    /** Cents by the end of the month if the budget did not stop it: the middle. */
    public function expected(): int
    {
        return (int) round($this->spent + $this->perDay * $this->daysLeft);
    }

    /** @return array{int, int} between which it lies 8 times in 10, if the budget did not stop it */
    public function range(): array
    {
        $deviation = sqrt($this->variancePerDay * $this->daysLeft * (1 + $this->daysLeft / $this->daysMeasured));
        $away = (int) round(self::EIGHT_IN_TEN * $deviation);

        return [max($this->spent, $this->expected() - $away), $this->expected() + $away];
    }

    /** @return float|null days from now in which the budget is used up; null where it lasts the month */
    public function usedUpIn(): ?float
    {
        $left = $this->budget - $this->spent;
        $days = match (true) {
            // Nobody wants any.
            $this->perDay <= 0.0 && $this->budget === 0 => INF,
            $left <= 0 => 0.0,
            $this->perDay <= 0.0 => INF,
            default => $left / $this->perDay,
        };

        return $days < $this->daysLeft ? $days : null;
    }
}
