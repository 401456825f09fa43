<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use FigPorch\Core\Lending\Forecast\EarlyReturns;
use FigPorch\Core\Lending\Forecast\GivingUp;
use FigPorch\Core\Lending\Forecast\Habits;
use FigPorch\Core\Lending\Forecast\LengthHabit;
use FigPorch\Core\Lending\Forecast\Quantiles;
use FigPorch\Core\Lending\RandomVariates;
use InvalidArgumentException;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

final class HabitsTest extends TestCase
{
    public function test_quantiles_and_shares_are_each_others_inverse(): void
    {
        $q = new Quantiles([0, 2, 3, 10]);
        foreach ([0.0, 0.1, 1 / 3, 0.5, 0.9, 1.0] as $share) {
            $this->assertEqualsWithDelta($share, $q->below($q->at($share)), 1e-9);
        }
        $this->assertSame([0.0, 1.0], [$q->below(-1), $q->below(11)]);
        $this->assertEqualsWithDelta(
            1 / 3,
            (new Quantiles([0, 1]))->meanSquare(),
            1e-9,
            'the mean square of a uniform share',
        );
        $this->assertEqualsWithDelta(
            (0 + 2) / 6 + (2 + 3) / 6 + (3 + 10) / 6,
            $q->mean(),
            1e-9,
            'the mean of a straight-lined distribution',
        );
    }

    public function test_a_value_that_many_cases_share_counts_as_reached_only_after_it(): void
    {
        $toTheEnd = new Quantiles([0.2, 0.6, 1, 1, 1]);
        $this->assertEqualsWithDelta(0.5, $toTheEnd->below(1), 1e-9);
        $this->assertSame(1.0, $toTheEnd->below(1.01));
    }

    public function test_quantiles_never_fall(): void
    {
        $this->expectException(InvalidArgumentException::class);
        new Quantiles([1, 0.5]);
    }

    public function test_a_mixture_lies_between(): void
    {
        $mixed = Quantiles::mixture(new Quantiles([0, 1]), new Quantiles([2, 3]), 0.5);
        $this->assertEqualsWithDelta(0.5, $mixed->below(1.5), 0.06);
        $this->assertEqualsWithDelta(1.5, $mixed->mean(), 0.1);
    }

    public function test_few_cases_lean_on_the_consortium_and_many_stand_alone(): void
    {
        $all = fn(float $share, int $measured): Habits => new Habits(
            lengths: ['14d' => new LengthHabit(1, new Quantiles([$share]), $measured)],
            pickUp: new Quantiles([0, 1]),
            missed: $share,
            givingUp: GivingUp::constant(0),
            early: EarlyReturns::usual(),
            holdsMeasured: $measured,
        );
        $wider = $all(1.0, 9000);
        $this->assertEqualsWithDelta(1.0, $all(0.2, 0)->smoothedToward($wider)->missed, 1e-9);
        $this->assertEqualsWithDelta(0.6, $all(0.2, 50)->smoothedToward($wider)->missed, 1e-9);
        $this->assertEqualsWithDelta(0.2, $all(0.2, 50_000)->smoothedToward($wider)->missed, 0.001);
        $this->assertGreaterThan(0.9, $all(0.2, 0)->smoothedToward($wider)->lengths['14d']->kept->mean());
    }

    /** Libraries by lot, of titles that differ: how far the share measured of one is from that of the next. */
    public function test_loans_of_one_title_tell_less_than_as_many_of_different_titles(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(5));
        foreach ([[30, 40, 0.2], [60, 5, 0.4], [12, 100, 0.02]] as [$titles, $loansEach, $spread]) {
            $shares = $rests = [];
            for ($library = 0; $library < 400; $library++) {
                $measured = self::returned($random, $titles, $loansEach, 0.6, $spread);
                $shares[] = $measured->share;
                $rests[] = $measured->ofAsManyTitles($spread);
            }
            $mean = array_sum($shares) / 400;
            $variance = array_sum(array_map(fn(float $share): float => ($share - $mean) ** 2, $shares)) / 399;
            $this->assertEqualsWithDelta(
                1.0,
                ($mean * (1 - $mean)) / $variance / (array_sum($rests) / 400),
                0.25,
                "{$titles} titles with about {$loansEach} loans",
            );
        }
    }

    public function test_a_share_of_few_titles_is_nearer_the_truth_for_what_is_usual_and_of_many_loans_stands(): void
    {
        $random = new Randomizer(new Xoshiro256StarStar(6));
        $usual = EarlyReturns::usual();
        foreach ([[3, 5, 0.3], [5, 60, 0.4], [20, 10, 0.2], [90, 60, 0.2]] as [$titles, $loansEach, $spread]) {
            $raw = $smoothed = 0.0;
            for ($library = 0; $library < 400; $library++) {
                $share = min(0.95, max(0.3, $usual->share + 0.1 * RandomVariates::normal($random)));
                $measured = self::returned($random, $titles, $loansEach, $share, $spread);
                $raw += ($measured->share - $share) ** 2;
                $smoothed += ($measured->smoothedToward($usual)->share - $share) ** 2;
            }
            $this->assertLessThan($raw, $smoothed, "{$titles} titles with about {$loansEach} loans");
        }
        $alike = self::returned($random, 90, 60, 0.4, 0.001);
        $this->assertEqualsWithDelta($alike->share, $alike->smoothedToward($usual)->share, 0.005);
        $this->assertSame(0.7, EarlyReturns::measured(0, 0, 0, 0, 0)->smoothedToward($usual)->share);
    }

    /** Titles whose shares differ by lot, each with a number of loans around so many. */
    private static function returned(
        Randomizer $random,
        int $titles,
        int $loansEach,
        float $share,
        float $spread,
    ): EarlyReturns {
        $weight = 1 / $spread - 1;
        $sums = [0.0, 0.0, 0.0, 0.0];
        for ($title = 0; $title < $titles; $title++) {
            $of = RandomVariates::beta($random, $weight * $share, $weight * (1 - $share));
            $loans = $random->getInt(1, 2 * $loansEach - 1);
            $early = 0;
            for ($n = 0; $n < $loans; $n++) {
                $early += RandomVariates::share($random) < $of ? 1 : 0;
            }
            foreach ([$loans, $loans ** 2, $early, $early ** 2 / $loans] as $i => $value) {
                $sums[$i] += $value;
            }
        }

        return EarlyReturns::measured($titles, ...$sums);
    }
}
