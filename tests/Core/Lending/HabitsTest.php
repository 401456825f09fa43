<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use FigPorch\Core\Lending\Forecast\EarlyReturns;
use FigPorch\Core\Lending\Forecast\GivingUp;
use FigPorch\Core\Lending\Forecast\Habits;
use FigPorch\Core\Lending\Forecast\LengthHabit;
use FigPorch\Core\Lending\Forecast\Quantiles;
use InvalidArgumentException;
use PHPUnit\Framework\TestCase;

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
}
