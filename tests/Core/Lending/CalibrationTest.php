<?php

declare(strict_types=1);

namespace Tests\Core\Lending;

use DateTimeImmutable;
use DateTimeZone;
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
use FigPorch\Core\Lending\Simulation\SimulatedHold;
use FigPorch\Core\Lending\Simulation\SimulatedLoan;
use FigPorch\Core\Lending\Simulation\TitleYears;
use FigPorch\Core\Lending\WaitingHold;
use FigPorch\Core\Lending\WorstCaseWait;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * On simulated years of lending whose true behaviour the forecast does not know (it measures the first years and
 * forecasts the later ones), the ranges cover 8 outcomes in 10, and no wait passes "at the latest".
 */
final class CalibrationTest extends TestCase
{
    private const KEPT_HOURS = 72;

    private const YEARS_MEASURED = 4;

    private const YEARS = 9;

    private static function behaviour(float $perDay): Behaviour
    {
        return new Behaviour(
            // More in winter than in summer.
            wanted: fn(float $day, Randomizer $r): float => RandomVariates::exponential(
                $r,
                1 / ($perDay * (1 + 0.3 * cos((2 * M_PI * $day) / 365.25))),
            ),
            length: function (Randomizer $r): LoanLength {
                $u = RandomVariates::share($r);

                return LoanLength::days($u < 0.2 ? 7 : ($u < 0.7 ? 14 : 21));
            },
            kept: fn(float $days, Randomizer $r): float => RandomVariates::share($r) < 0.4
                ? $days
                : $days * RandomVariates::share($r) ** 0.6,
            pickUp: fn(float $kept, Randomizer $r): float => RandomVariates::share($r) < 0.12
                ? $kept * 2
                : $kept * RandomVariates::share($r) ** 2,
            patience: fn(Randomizer $r): float => RandomVariates::share($r) < 0.3
                ? INF
                : RandomVariates::exponential($r, 120),
        );
    }

    private static function day(float $day): DateTimeImmutable
    {
        return (new DateTimeImmutable('2010-01-01T00:00:00Z'))->modify('+' . (int) round($day * 86400) . ' seconds');
    }

    /**
     * @return list<array{SimulatedHold, Line, float}> the holds placed after the years measured, with the line they
     *     joined
     */
    private static function placed(TitleYears &$years, int $copies, float $perDay, int $seed): array
    {
        $placed = [];
        $years = new TitleYears(
            $copies,
            self::KEPT_HOURS / 24,
            self::behaviour($perDay),
            new Randomizer(new Xoshiro256StarStar($seed)),
            function (SimulatedHold $hold, TitleYears $now, float $day) use (&$placed): void {
                if ($day < self::YEARS_MEASURED * 365 || is_finite($hold->cancelsAt)) {
                    return;
                }
                $licence = new Licence(
                    id: 1,
                    libraryId: 1,
                    model: LicenceModel::OneCopyOneUser,
                    copies: $now->copies(),
                    copiesFree: $now->copiesFree(),
                    loansLeft: null,
                    startsAt: self::day(-1),
                    endsAt: null,
                );
                $running = array_values($now->running);
                $placed[] = [
                    $hold,
                    new Line(
                        [
                            new LineLicence(
                                $licence,
                                array_map(fn(SimulatedLoan $l) => self::day($l->due), $running),
                                array_map(fn(array $r) => self::day($r[1]), array_values($now->ready)),
                                array_map(fn(SimulatedLoan $l) => self::day($l->start), $running),
                            ),
                        ],
                        array_map(
                            fn(SimulatedHold $h) => new WaitingHold(
                                self::day($h->placedAt),
                                $h->pausedUntil > $day ? self::day($h->pausedUntil) : null,
                            ),
                            array_values($now->line),
                        ),
                    ),
                    $day,
                ];
            },
        );
        $years->run(self::YEARS * 365);

        return $placed;
    }

    private static function measured(TitleYears $years): Habits
    {
        $until = self::YEARS_MEASURED * 365;
        $kept = $pickUp = [];
        $early = 0;
        foreach ($years->loans as $loan) {
            if ($loan->end < $until) {
                $kept[$loan->length->code()][] = $share = ($loan->end - $loan->start) / ($loan->due - $loan->start);
                $early += $share < TitleUse::EARLY ? 1 : 0;
            }
        }
        $missed = $ready = 0;
        $waited = $cancelled = array_fill(0, count(GivingUp::FROM), 0.0);
        foreach ($years->holds as $hold) {
            if ($hold->placedAt > $until) {
                continue;
            }
            $ready += $hold->readyAt === null ? 0 : 1;
            $missed += $hold->misses > 0 ? 1 : 0;
            $age = min($until, $hold->readyAt ?? ($hold->cancelledAt ?? $until)) - $hold->placedAt;
            $gaveUp = $hold->readyAt === null && $hold->cancelledAt !== null && $hold->cancelledAt < $until;
            foreach (GivingUp::FROM as $n => $from) {
                $to = GivingUp::FROM[$n + 1] ?? INF;
                $waited[$n] += max(0.0, min($age, $to) - $from);
                $cancelled[$n] += $gaveUp && $age >= $from && $age < $to ? 1 : 0;
            }
            if ($hold->takenAt !== null && $hold->misses === 0) {
                $pickUp[] = ($hold->takenAt - $hold->readyAt) / (self::KEPT_HOURS / 24);
            }
        }
        self::assertNotSame([], $kept, 'loans were over before the years measured ended');
        $loans = array_sum(array_map(count(...), $kept));

        return new Habits(
            lengths: array_map(
                fn(array $shares): LengthHabit => new LengthHabit(
                    count($shares) / $loans,
                    self::quantiles($shares),
                    count($shares),
                ),
                $kept,
            ),
            pickUp: self::quantiles($pickUp),
            missed: $missed / max(1, $ready),
            givingUp: new GivingUp($cancelled, $waited),
            // One title, which is as it is.
            early: new EarlyReturns($early / $loans, 0.002, 50),
            holdsMeasured: $ready,
        );
    }

    /** @param  list<float>  $values */
    private static function quantiles(array $values): Quantiles
    {
        sort($values);

        return new Quantiles(
            array_map(fn(int $i): float => $values[(int) round(($i / 20) * (count($values) - 1))], range(0, 20)),
        );
    }

    public function test_eight_in_ten_and_never_later_than_the_latest(): void
    {
        $inside = $all = $below = 0;
        $utc = new DateTimeZone('UTC');
        foreach (
            [[1, 0.08, 1], [2, 0.18, 2], [3, 0.3, 3], [5, 0.52, 4], [8, 0.85, 5], [2, 0.2, 6], [4, 0.42, 7]]
            as [$copies, $perDay, $seed]
        ) {
            $years = new TitleYears(1, 0, self::behaviour(1), new Randomizer());
            $placed = self::placed($years, $copies, $perDay, $seed);
            $forecast = new Forecast(self::measured($years), self::KEPT_HOURS);
            foreach ($placed as [$hold, $line, $day]) {
                if ($hold->readyAt === null) {
                    continue;
                }
                $now = self::day($day);
                $latest = WorstCaseWait::at(
                    licences: $line->licences,
                    libraryId: 1,
                    place: count($line->ahead) + 1,
                    longest: LoanLength::days(21),
                    holdKeptHours: self::KEPT_HOURS,
                    libraryZone: $utc,
                    now: $now,
                );
                $this->assertNotNull($latest);
                $this->assertLessThanOrEqual(
                    $latest->getTimestamp() + 1,
                    self::day($hold->readyAt)->getTimestamp(),
                    'the promise was kept',
                );

                $turn = $forecast->of(
                    line: $line,
                    latest: $latest,
                    now: $now,
                    zone: $utc,
                    random: new Randomizer(new Xoshiro256StarStar($line->seed())),
                    effort: 1000,
                );
                $came = self::day($hold->readyAt);
                $inside += $turn->from <= $came && $came <= $turn->to ? 1 : 0;
                $below += $came < $turn->middle ? 1 : 0;
                $all++;
            }
        }
        $this->assertGreaterThan(1000, $all);
        $this->assertEqualsWithDelta(0.8, $inside / $all, 0.04, "{$inside} of {$all} outcomes lay in the range");
        $this->assertEqualsWithDelta(0.5, $below / $all, 0.06, 'the middle is in the middle');
    }
}
