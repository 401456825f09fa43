<?php

declare(strict_types=1);

namespace Tests\Core\Desk;

use DateTimeImmutable;
use FigPorch\Core\Desk\HoldPressure;
use FigPorch\Core\Lending\Forecast\EarlyReturns;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\GivingUp;
use FigPorch\Core\Lending\Forecast\Habits;
use FigPorch\Core\Lending\Forecast\LengthHabit;
use FigPorch\Core\Lending\Forecast\Line;
use FigPorch\Core\Lending\Forecast\Quantiles;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Core\Lending\Lending;

final class HoldPressureTest extends TestCase
{
    use Lending;

    /** Every loan lasts all of its 14 days, nothing is missed, picked up late or cancelled. */
    private static function clockwork(): HoldPressure
    {
        return new HoldPressure(
            new Forecast(
                new Habits(
                    ['14d' => new LengthHabit(1.0, new Quantiles([1.0]), 0)],
                    new Quantiles([0.0]),
                    0.0,
                    GivingUp::constant(0),
                    EarlyReturns::usual(),
                ),
                72,
            ),
        );
    }

    private static function line(int $copies, int $waiting, string $due = '+14 days'): Line
    {
        return new Line(
            [
                new LineLicence(
                    self::licence(M::OneCopyOneUser, copies: $copies, free: 0),
                    array_fill(0, $copies, self::now($due)),
                    [],
                    array_fill(0, $copies, self::now()),
                ),
            ],
            WaitingHold::now($waiting),
        );
    }

    /**
     * Fixed durations: place p of C copies that have all just begun waits ⌈p/C⌉ · L (deterministic queue,
     * textbook).
     */
    #[DataProvider('lines')]
    public function test_the_wait_of_clockwork_lines(int $copies, int $waiting, float $days): void
    {
        $this->assertEqualsWithDelta($days, self::clockwork()->wait(self::line($copies, $waiting), self::now()), 0.01);
    }

    /** @return iterable<string, array{int, int, float}> */
    public static function lines(): iterable
    {
        yield 'next in line for one copy' => [1, 0, 14];
        yield 'third in line for one copy' => [1, 2, 42];
        yield 'fifth in line for two copies' => [2, 4, 42];
        yield 'sixth in line for three copies' => [3, 5, 28];
    }

    /** With k copies more, free now, k+1 are served by day 0, 14, 28 … as the first k go out at once. */
    #[DataProvider('targets')]
    public function test_the_fewest_copies_for_a_target(int $waiting, float $target, int $copies): void
    {
        $this->assertSame($copies, self::clockwork()->extraCopies(self::line(1, $waiting), $target, self::now()));
    }

    /** @return iterable<string, array{int, float, int}> holds that wait for one copy, days, copies more */
    public static function targets(): iterable
    {
        yield 'nothing is needed' => [0, 14, 0];
        yield 'at once, before nobody' => [0, 1, 1];
        // Two more serve places 1 and 2 now and 3, 4, 5 on day 14.
        yield 'place 5 within two weeks' => [4, 14, 2];
        yield 'place 5 at once' => [4, 0, 5];
        yield 'place 9 within two weeks' => [8, 14, 4];
        yield 'place 9 within four weeks' => [8, 28, 3];
    }

    public function test_the_fewest_is_enough_and_one_fewer_is_not(): void
    {
        $pressure = new HoldPressure(new Forecast(Habits::unmeasured(), 72));
        foreach ([3, 9, 25, 60] as $waiting) {
            $line = self::line(2, $waiting, '+9 days');
            $copies = $pressure->extraCopies($line, 21, self::now());
            $wait = fn(int $more): float => $pressure->wait(
                new Line(
                    [
                        ...$line->licences,
                        ...$more > 0
                            ? [new LineLicence(self::licence(M::OneCopyOneUser, id: 0, copies: $more, free: $more))]
                            : [],
                    ],
                    $line->ahead,
                ),
                self::now(),
            );
            $this->assertLessThanOrEqual(21.0, $wait($copies), "{$waiting} wait");
            $this->assertGreaterThan(0, $copies);
            $this->assertGreaterThan(21.0, $wait($copies - 1));
        }
    }

    /** From fewer draws it is told the same: for lines, targets and efforts at random, with and without an end. */
    public function test_whether_a_target_is_met_is_told_as_all_draws_would(): void
    {
        $forecast = new Forecast(Habits::unmeasured(), 72);
        mt_srand(5);
        $met = [0, 0];
        for ($n = 0; $n < 120; $n++) {
            $line = self::line(mt_rand(1, 4), mt_rand(0, 45), '+' . mt_rand(1, 14) . ' days');
            $target = (float) mt_rand(0, 120);
            $effort = [Forecast::BRIEF, Forecast::EFFORT][$n % 2];
            $random = fn(): Randomizer => new Randomizer(new Xoshiro256StarStar($line->seed()));
            $all = $forecast->eightInTen($line, self::now(), $random(), $effort) <= $target;
            $this->assertSame($all, $forecast->isWithin($line, $target, self::now(), $random(), $effort));
            $met[(int) $all]++;
        }
        $this->assertGreaterThan(20, min($met));
    }

    public function test_a_line_whose_licence_ends_may_never_be_served(): void
    {
        $ending = new Line(
            [
                new LineLicence(
                    self::licence(M::MeteredByTime, free: 0, ends: '+20 days'),
                    [self::now('+14 days')],
                    [],
                    [self::now()],
                ),
            ],
            WaitingHold::now(2),
        );
        $this->assertInfinite(self::clockwork()->wait($ending, self::now()));
        $this->assertSame(1, self::clockwork()->extraCopies($ending, 30, self::now()));
        $this->assertInfinite(self::clockwork()->wait(new Line([], []), self::now()));
        $this->assertSame(
            1,
            self::clockwork()->extraCopies(new Line([], []), 1, new DateTimeImmutable('2026-05-01 12:00:00+00:00')),
        );
    }
}
