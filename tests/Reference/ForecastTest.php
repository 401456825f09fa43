<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use FigPorch\Core\Lending\Forecast\EarlyReturns;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\GivingUp;
use FigPorch\Core\Lending\Forecast\Habits;
use FigPorch\Core\Lending\Forecast\LengthHabit;
use FigPorch\Core\Lending\Forecast\Line;
use FigPorch\Core\Lending\Forecast\Quantiles;
use FigPorch\Core\Lending\Forecast\TitleUse;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\RandomVariates;
use FigPorch\Core\Lending\Simulation\Behaviour;
use FigPorch\Core\Lending\Simulation\TitleYears;
use FigPorch\Core\Lending\WaitingHold;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** The forecast and the simulator against results of queueing theory. */
final class ForecastTest extends TestCase
{
    private const DAYS = 1000;

    private static function random(int $seed = 1): Randomizer
    {
        return new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** @param  non-empty-list<float>  $kept  shares of a loan of 1000 days */
    private static function forecast(array $kept): Forecast
    {
        return new Forecast(
            new Habits(
                lengths: [self::DAYS . 'd' => new LengthHabit(1, new Quantiles($kept), 9999)],
                pickUp: new Quantiles([0]),
                missed: 0,
                givingUp: GivingUp::constant(0),
                early: new EarlyReturns((new Quantiles($kept))->below(TitleUse::EARLY), 1e-6, 9999),
                holdsMeasured: 9999,
            ),
            0,
        );
    }

    private static function line(int $copies, int $place, float $elapsed = 0): Line
    {
        $now = new DateTimeImmutable('2026-05-01T12:00:00Z');
        $began = $now->setTimestamp($now->getTimestamp() - (int) ($elapsed * 86400));
        $licence = new Licence(
            id: 1,
            libraryId: 1,
            model: LicenceModel::OneCopyOneUser,
            copies: $copies,
            copiesFree: 0,
            loansLeft: null,
            startsAt: $now->modify('-9 years'),
            endsAt: null,
        );
        $due = $began->modify('+' . self::DAYS . ' days');

        return new Line(
            [new LineLicence($licence, array_fill(0, $copies, $due), [], array_fill(0, $copies, $began))],
            WaitingHold::now($place - 1),
        );
    }

    /** @return list<float> */
    private static function waits(Forecast $forecast, Line $line, int $draws = 4000): array
    {
        return $forecast->waits($line, new DateTimeImmutable('2026-05-01T12:00:00Z'), self::random(), $draws);
    }

    /**
     * Durations exponential with mean m on C copies: the wait for place p is Erlang(p, C/m), mean p·m/C, variance
     * p·(m/C)².
     * Source: the minimum of C exponentials and the sum of p of them; any text on queues, such as L. Kleinrock,
     * Queueing Systems I (1975), ch. 3.
     */
    #[TestWith([1, 1])]
    #[TestWith([2, 3])]
    #[TestWith([5, 12])]
    #[TestWith([3, 40])]
    public function test_exponential_durations_give_the_erlang_distribution(int $copies, int $place): void
    {
        $mean = 0.05;
        $quantiles = array_map(fn(int $i): float => min(1.0, -$mean * log(1 - min($i / 800, 0.9999))), range(0, 800));
        $waits = self::waits(self::forecast($quantiles), self::line($copies, $place));
        $m = (new Quantiles($quantiles))->mean() * self::DAYS;
        $expected = ($place * $m) / $copies;
        $average = array_sum($waits) / count($waits);
        $variance = array_sum(array_map(fn(float $w): float => ($w - $average) ** 2, $waits)) / count($waits);

        $this->assertEqualsWithDelta(1.0, $average / $expected, 4 / sqrt(count($waits) * $place), 'mean p·m/C');
        $this->assertEqualsWithDelta(1.0, $variance / ($place * ($m / $copies) ** 2), 0.12, 'variance p·(m/C)²');
    }

    /** Durations fixed at L and all C loans just begun: ⌈p/C⌉·L. Worked by hand. */
    #[TestWith([1, 1])]
    #[TestWith([3, 4])]
    #[TestWith([5, 17])]
    public function test_fixed_durations(int $copies, int $place): void
    {
        $waits = self::waits(self::forecast([1.0]), self::line($copies, $place), 50);
        $this->assertEqualsWithDelta(ceil($place / $copies) * self::DAYS, $waits[0], 1e-6);
        $this->assertEqualsWithDelta($waits[0], $waits[49], 1e-6);
    }

    /**
     * Place 1 with residuals uniform on (0, L): the least of C uniforms has the mean L/(C+1). Source: order statistics.
     */
    #[TestWith([1])]
    #[TestWith([4])]
    #[TestWith([9])]
    public function test_uniform_residuals(int $copies): void
    {
        $waits = self::waits(self::forecast([0.0, 1.0]), self::line($copies, 1), 6000);
        $this->assertEqualsWithDelta(1.0, array_sum($waits) / count($waits) / (self::DAYS / ($copies + 1)), 0.05);
    }

    /** A uniform duration that has lasted a while already is uniform over the rest. */
    public function test_a_running_loan_is_judged_by_how_long_it_has_lasted(): void
    {
        $waits = self::waits(self::forecast([0.0, 1.0]), self::line(1, 1, elapsed: 600), 6000);
        $this->assertEqualsWithDelta(200, array_sum($waits) / count($waits), 6);
        $this->assertSame([], array_filter($waits, fn(float $wait): bool => $wait > 400));
    }

    /** The computed form for long lines agrees with draws within 2%. */
    /**
     * A loan is over at once or kept to its end, at a title of which nothing is known: of so many loans those kept have
     * the beta-binomial distribution, whose variance is n p (1 - p) (1 + (n - 1) rho) (J. G. Skellam, 1948).
     */
    public function test_what_is_not_known_of_a_title_is_drawn_many_times(): void
    {
        [$loans, $spread] = [10, 0.3];
        $kept = new Quantiles([...array_fill(0, 200, 0.0), ...array_fill(0, 200, 1.0)]);
        $habits = new Habits(
            lengths: [self::DAYS . 'd' => new LengthHabit(1, $kept, 9999)],
            pickUp: new Quantiles([0]),
            missed: 0,
            givingUp: GivingUp::constant(0),
            early: new EarlyReturns(0.5, $spread, 9999),
            holdsMeasured: 9999,
        );
        $now = new DateTimeImmutable('2026-05-01T12:00:00Z');
        $variance = 0.0;
        foreach (range(1, 20) as $seed) {
            $waits = (new Forecast($habits, 0))->waits(self::line(1, $loans), $now, self::random($seed), 500);
            $mean = array_sum($waits) / 500;
            $variance += array_sum(array_map(fn(float $of): float => ($of - $mean) ** 2, $waits)) / 499 / 20;
        }
        $expected = ($loans / 4) * (1 + ($loans - 1) * $spread) * self::DAYS ** 2;
        $this->assertEqualsWithDelta(1, $variance / $expected, 0.1);
    }

    #[TestWith([2, 60, 0.0, 0.0])]
    #[TestWith([5, 120, 0.1, 0.002])]
    #[TestWith([12, 400, 0.15, 0.004])]
    public function test_long_lines_need_no_draws(int $copies, int $place, float $missed, float $cancelled): void
    {
        $forecast = new Forecast(
            new Habits(
                lengths: [
                    '14d' => new LengthHabit(0.6, new Quantiles([0, 0.5, 1, 1]), 999),
                    '21d' => new LengthHabit(0.4, new Quantiles([0.2, 0.7, 1]), 999),
                ],
                pickUp: new Quantiles([0, 0.2, 1]),
                missed: $missed,
                givingUp: GivingUp::constant($cancelled),
                early: new EarlyReturns(0.7, 1e-6, 999),
                holdsMeasured: 999,
            ),
            72,
        );
        $now = new DateTimeImmutable('2026-05-01T12:00:00Z');
        $licence = new Licence(
            id: 1,
            libraryId: 1,
            model: LicenceModel::OneCopyOneUser,
            copies: $copies,
            copiesFree: 0,
            loansLeft: null,
            startsAt: $now->modify('-9 years'),
            endsAt: null,
        );
        $line = new Line(
            [
                new LineLicence(
                    $licence,
                    array_fill(0, $copies, $now->modify('+9 days')),
                    [],
                    array_fill(0, $copies, $now->modify('-5 days')),
                ),
            ],
            WaitingHold::now($place - 1),
        );

        $drawn = $forecast->waits($line, $now, self::random(), 1500);
        $long = $forecast->longLine($line, $now);
        $this->assertNotNull($long);
        foreach ([[0.1, -1.2815515655], [0.5, 0.0], [0.9, 1.2815515655]] as [$share, $z]) {
            $this->assertEqualsWithDelta(
                1.0,
                ($long[0] + $z * $long[1]) / $drawn[(int) ($share * 1500)],
                0.02,
                "percentile {$share}",
            );
        }
    }

    /** Exponential durations of mean 1 day on 2 copies. */
    private static function circulation(float $perDay, float $days): TitleYears
    {
        $years = new TitleYears(
            2,
            0.0,
            new Behaviour(
                wanted: fn(float $day, Randomizer $r): float => RandomVariates::exponential($r, 1 / $perDay),
                length: fn(): LoanLength => LoanLength::days(3000),
                kept: fn(float $of, Randomizer $r): float => RandomVariates::exponential($r, 1),
                pickUp: fn(): float => 0.0,
                patience: fn(): float => INF,
            ),
            self::random(7),
        );
        $years->run($days);

        return $years;
    }

    /**
     * The circulation as M/M/c: the share that must wait is Erlang's C formula, 1/3 for c = 2 and a = 1 (A. K. Erlang,
     * 1917).
     */
    public function test_the_circulation_gives_erlangs_c_formula(): void
    {
        $years = self::circulation(1.0, 40_000);
        $arrivals = count($years->loans) + count($years->running) + count($years->line);
        $this->assertEqualsWithDelta(1 / 3, count($years->holds) / $arrivals, 0.012);
    }

    /**
     * Little's law, L = λW: the mean number waiting is the arrivals a day times the mean wait (J. D. C. Little, 1961).
     */
    public function test_littles_law_holds_on_a_long_run(): void
    {
        $days = 20_000;
        $years = self::circulation(1.5, $days);
        $waited = 0.0;
        foreach ($years->holds as $hold) {
            $waited += ($hold->readyAt ?? $days) - $hold->placedAt;
        }
        $arrivals = count($years->loans) + count($years->running) + count($years->line);
        // M/M/2 with a = 1.5: Lq = C·a/(2−a) with C = Erlang's C = 0.642857, 1.928571 waiting on average.
        $this->assertEqualsWithDelta(1.928571, $waited / $days, 0.15);
        $this->assertEqualsWithDelta(1.928571 / 1.5, $waited / $arrivals, 0.1);
    }
}
