<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use FigPorch\Core\Lending\RandomVariates;
use Random\Randomizer;

/**
 * How likely it is that a waiting hold is cancelled, by how long it has waited: a hazard that is constant between some
 * ages, each as many cancelled as days waited at that age, those who wait still counted for the days that they have
 * (J. D. Kalbfleisch, R. L. Prentice, The Statistical Analysis of Failure Time Data, on piecewise exponential models:
 * from memory). What is not known of it is a gamma distribution, its conjugate.
 */
final readonly class GivingUp
{
    /** Ages in days at which another hazard begins. */
    public const FROM = [0, 1, 3, 7, 14, 30, 60, 120];

    /** Cancelled holds that a wider circle's habit counts for at each age, and days waited. */
    private const WEIGHT = 4.0;

    /**
     * @param  non-empty-list<float>  $cancelled  holds cancelled at each age
     * @param  non-empty-list<float>  $days  days waited by all at that age
     */
    public function __construct(public array $cancelled, public array $days) {}

    /** The same at every age, and known for certain. */
    public static function constant(float $perDay): self
    {
        $days = 1e9;

        return new self(array_fill(0, count(self::FROM), $perDay * $days), array_fill(0, count(self::FROM), $days));
    }

    /** Common practice, no source: some think better of it at once, the rest stay. */
    public static function usual(): self
    {
        return new self(
            array_map(fn(float $perDay): float => $perDay * 100, [
                0.01,
                0.008,
                0.005,
                0.004,
                0.003,
                0.002,
                0.002,
                0.002,
            ]),
            array_fill(0, count(self::FROM), 100.0),
        );
    }

    /** These, with those of a wider circle where there are few. */
    public function smoothedToward(self $wider): self
    {
        $cancelled = $days = [];
        foreach (self::FROM as $n => $_) {
            $rate = $wider->cancelled[$n] / max(1e-9, $wider->days[$n]);
            // As much as is known of it there, and no more than a few cases.
            $weight = min(self::WEIGHT, $wider->cancelled[$n] + 0.5);
            $cancelled[] = $this->cancelled[$n] + $weight;
            $days[] = $this->days[$n] + $weight / max($rate, 1e-5);
        }

        return new self($cancelled, $days);
    }

    /** @return list<float> cancelled a day, at each age: the middle of what is known */
    public function rates(): array
    {
        return array_map(
            fn(float $cancelled, float $days): float => $cancelled / max(1e-9, $days),
            $this->cancelled,
            $this->days,
        );
    }

    /** @return list<float> by how much each rate may be off: the standard deviation of what is known */
    public function uncertainty(): array
    {
        return array_map(
            fn(float $cancelled, float $days): float => sqrt($cancelled) / max(1e-9, $days),
            $this->cancelled,
            $this->days,
        );
    }

    /** @return list<float> rates as they may be */
    public function draw(Randomizer $random): array
    {
        return array_map(
            fn(float $cancelled, float $days): float => $cancelled <= 0.0
                ? 0.0
                : RandomVariates::gamma($random, $cancelled) / max(1e-9, $days),
            $this->cancelled,
            $this->days,
        );
    }

    /**
     * The sum of the hazard up to an age.
     *
     * @param  list<float>  $rates
     */
    public static function cumulated(array $rates, float $age): float
    {
        $sum = 0.0;
        foreach (self::FROM as $n => $from) {
            if ($age <= $from) {
                break;
            }
            $sum += $rates[$n] * (min($age, self::FROM[$n + 1] ?? INF) - $from);
        }

        return $sum;
    }

    /**
     * Days from now until a hold is cancelled that has waited so long already.
     *
     * @param  list<float>  $rates
     * @param  float  $waited  days
     * @param  float  $share  drawn evenly between 0 and 1
     * @return float infinite where it never is
     */
    public static function after(array $rates, float $waited, float $share): float
    {
        $left = -log(1 - $share);
        $last = count(self::FROM) - 1;
        $n = $last;
        while ($n > 0 && self::FROM[$n] > $waited) {
            $n--;
        }
        for ($age = $waited; $n <= $last; $n++) {
            $until = self::FROM[$n + 1] ?? INF;
            $of = $rates[$n] > 0 ? $rates[$n] * ($until - $age) : 0.0;
            if ($of >= $left) {
                return $age + $left / $rates[$n] - $waited;
            }
            $left -= $of;
            $age = $until;
        }

        return INF;
    }
}
