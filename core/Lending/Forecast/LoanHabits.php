<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\RandomVariates;
use Random\Randomizer;

/**
 * How long loans are kept, by the lengths that are chosen and how each is used; in days. Loans of one length are of two
 * kinds, returned early and kept to the end or nearly: how many are of which differs from title to title.
 */
final readonly class LoanHabits
{
    private const STEPS = 24;

    /** @var list<float> running sums of the shares of the lengths */
    private array $shares;

    /** @var list<float> the lengths in days */
    private array $days;

    /** @var list<Quantiles> */
    private array $kept;

    /** @var list<float> by length, the share returned early over all titles */
    private array $early;

    /** @var list<float> the odds of that */
    private array $earlyOdds;

    /** @var list<array{float, float, float, float}> mean and mean square, as shares of the length: early, and late */
    private array $parts;

    private float $usualOdds;

    public function __construct(private Habits $habits)
    {
        $shares = $days = $kept = $early = $parts = [];
        $sum = 0.0;
        foreach ($habits->lengths as $code => $length) {
            $shares[] = $sum += $length->share;
            $days[] = LoanLength::parse((string) $code)->nominalHours() / 24;
            $kept[] = $length->kept;
            $early[] = $share = $length->kept->below(TitleUse::EARLY);
            $parts[] = [...self::part($length->kept, 0.0, $share), ...self::part($length->kept, $share, 1.0)];
        }
        $this->shares = array_map(fn(float $s): float => $s / max($sum, 1e-9), $shares);
        $this->days = $days;
        $this->kept = $kept;
        $this->early = $early;
        $this->earlyOdds = array_map(self::odds(...), $early);
        $this->parts = $parts;
        $this->usualOdds = self::odds($habits->early->share);
    }

    /**
     * Shares returned early of each length at a title of which so many are in all: the odds of each are changed alike.
     *
     * @return list<float>
     */
    public function earlyAt(float $share): array
    {
        $factor = self::odds($share) / $this->usualOdds;

        $shares = [];
        foreach ($this->early as $n => $early) {
            $odds = $this->earlyOdds[$n] * $factor;
            // Where all loans of a length are of one kind, they are so at every title.
            $shares[] = $early <= 0.0 || $early >= 1.0 ? $early : $odds / (1 + $odds);
        }

        return $shares;
    }

    /** What a title's loans are like: the middle of what is known of it. */
    public function usualAt(?TitleUse $title): float
    {
        [$a, $b] = $this->habits->early->beta($title);

        return $a / ($a + $b);
    }

    /** By how much that may be off. */
    public function uncertaintyAt(?TitleUse $title): float
    {
        [$a, $b] = $this->habits->early->beta($title);

        return sqrt(($a * $b) / (($a + $b) ** 2 * ($a + $b + 1)));
    }

    /**
     * @param  float|null  $share  returned early at the title; null for what is usual
     * @return array{float, float} mean and mean square of the days that a loan is kept
     */
    public function moments(?float $share = null): array
    {
        $early = $share === null ? $this->early : $this->earlyAt($share);
        $mean = $square = $before = 0.0;
        foreach ($this->shares as $n => $of) {
            [$earlyMean, $earlySquare, $lateMean, $lateSquare] = $this->parts[$n];
            $days = $this->days[$n];
            $mean += ($of - $before) * $days * ($early[$n] * $earlyMean + (1 - $early[$n]) * $lateMean);
            $square += ($of - $before) * $days ** 2 * ($early[$n] * $earlySquare + (1 - $early[$n]) * $lateSquare);
            $before = $of;
        }

        return [$mean, $square];
    }

    /**
     * Days that a loan yet to come is kept.
     *
     * @param  list<float>  $early  by length, as earlyAt() gives them
     */
    public function draw(Randomizer $random, array $early): float
    {
        $share = RandomVariates::share($random);
        $n = 0;
        while ($n < count($this->shares) - 1 && $share > $this->shares[$n]) {
            $n++;
        }
        $part = RandomVariates::share($random);
        $at =
            RandomVariates::share($random) < $early[$n]
                ? $part * $this->early[$n]
                : $this->early[$n] + $part * (1 - $this->early[$n]);

        return $this->days[$n] * $this->kept[$n]->at($at);
    }

    /** The length of those measured that is nearest to one of so many days. */
    public function nearest(float $length): int
    {
        $nearest = 0;
        foreach ($this->days as $n => $days) {
            if (abs($days - $length) < abs($this->days[$nearest] - $length)) {
                $nearest = $n;
            }
        }

        return $nearest;
    }

    /** @return float the share of loans that are over by now, never quite all */
    public function over(int $n, float $elapsed, float $length): float
    {
        return min(0.999, $this->kept[$n]->below($elapsed / max($length, 1e-6)));
    }

    /**
     * Days that a running loan is still kept.
     *
     * @param  int  $n  as nearest() gives it
     * @param  float  $over  as over() gives it
     * @param  list<float>  $early
     */
    public function rest(Randomizer $random, int $n, float $elapsed, float $length, float $over, array $early): float
    {
        $at = $this->restAt($n, $over, $early[$n], RandomVariates::share($random), RandomVariates::share($random));

        return max(0.0, $this->kept[$n]->at($at) * $length - $elapsed);
    }

    /** @param  list<float>  $early */
    public function meanRest(int $n, float $elapsed, float $length, array $early): float
    {
        $over = $this->over($n, $elapsed, $length);
        $sum = 0.0;
        for ($i = 0; $i < self::STEPS; $i++) {
            $part = ($i + 0.5) / self::STEPS;
            foreach ([[0.0, $this->stillEarly($n, $over, $early[$n])], [1.0, null]] as [$which, $weight]) {
                $weight ??= 1 - $this->stillEarly($n, $over, $early[$n]);
                if ($weight > 0) {
                    $at = $this->restAt($n, $over, $early[$n], $which, $part);
                    $sum += $weight * max(0.0, $this->kept[$n]->at($at) * $length - $elapsed);
                }
            }
        }

        return $sum / self::STEPS;
    }

    /** Where among all loans of its length a running one ends. */
    private function restAt(int $n, float $over, float $early, float $which, float $part): float
    {
        $border = $this->early[$n];
        if ($over >= $border) {
            return $over + $part * (1 - $over);
        }

        return $which < $this->stillEarly($n, $over, $early)
            ? $over + $part * ($border - $over)
            : $border + $part * (1 - $border);
    }

    /** The chance that a loan that runs still comes back early. */
    private function stillEarly(int $n, float $over, float $early): float
    {
        $border = $this->early[$n];
        if ($over >= $border) {
            return 0.0;
        }
        $of = ($early * ($border - $over)) / $border;

        return $of / ($of + (1 - $early));
    }

    /** @return array{float, float} mean and mean square of the values between two shares */
    private static function part(Quantiles $kept, float $from, float $to): array
    {
        $mean = $square = 0.0;
        for ($i = 0; $i < self::STEPS; $i++) {
            $value = $kept->at($from + (($i + 0.5) / self::STEPS) * ($to - $from));
            $mean += $value / self::STEPS;
            $square += $value ** 2 / self::STEPS;
        }

        return [$mean, $square];
    }

    private static function odds(float $share): float
    {
        $share = max(0.002, min(0.998, $share));

        return $share / (1 - $share);
    }
}
