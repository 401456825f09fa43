<?php

declare(strict_types=1);

namespace Tests\Reference;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Desk\HoldPressure;
use FigPorch\Core\Lending\Forecast\Correction;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\Line;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\WorstCaseWait;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** What those who join a line of an outside library are told, what its staff buy, and what becomes of it. */
final class OutsideForecasts
{
    /** Habits and corrections are measured again after so many days: each night, where it is no play. */
    private const NIGHTS = 7.0;

    private readonly OutsideHabits $habits;

    public function __construct(private readonly OutsideLibrary $library)
    {
        $this->habits = new OutsideHabits($library);
    }

    /**
     * Asks the forecast, and what became of it. Every so often there is a night: habits are measured of what is over
     * by then, and ranges corrected by how those before it held.
     *
     * @param  int  $most  in each cell, by lot
     * @return list<array{ahead: int, inside: bool, before: bool, kept: bool, promised: float, line: Line,
     *      at: DateTimeImmutable, days: float, width: float}>
     */
    public function ask(int $most = PHP_INT_MAX): array
    {
        $answers = $cases = [];
        $zone = new DateTimeZone('UTC');
        $forecast = null;
        $night = 0.0;
        $corrections = [];
        foreach ($this->library->asked() as $of) {
            if ($forecast === null || $of['at'] >= $night + self::NIGHTS) {
                $night = $of['at'];
                $forecast = new Forecast($this->habits->on($night), (int) $this->library->keptHours);
                $corrections = self::corrections($cases, $night);
            }
            $cell = self::cell(count($of['line']->ahead));
            $line = $this->withUse($of, $night);
            $now = OutsideLibrary::day($of['at']);
            $latest = WorstCaseWait::at(
                licences: $line->licences,
                libraryId: 1,
                place: count($line->ahead) + 1,
                longest: LoanLength::days(21),
                holdKeptHours: (int) $this->library->keptHours,
                libraryZone: $zone,
                now: $now,
            );
            $estimate = $forecast->of(
                line: $line,
                latest: $latest,
                now: $now,
                zone: $zone,
                random: new Randomizer(new Xoshiro256StarStar($line->seed())),
            );
            $cases[$cell][] = [$estimate, $of['ready'] ?? INF];
            if ($of['ready'] === null) {
                continue;
            }
            $estimate = ($corrections[$cell] ?? new Correction())->applied($estimate, $now, $zone);
            $came = OutsideLibrary::day($of['ready']);
            $answers[$cell][] = [
                'ahead' => count($of['line']->ahead),
                'inside' => $estimate->from <= $came && $came <= $estimate->to,
                'before' => $came < $estimate->middle,
                // Moments are rounded to the second.
                'kept' => $latest !== null && $came->getTimestamp() <= $latest->getTimestamp() + 1,
                'promised' => $latest === null ? INF : ($latest->getTimestamp() - $now->getTimestamp()) / 86400,
                'line' => $line,
                'at' => $now,
                'days' => $of['ready'] - $of['at'],
                'width' => (($estimate->to?->getTimestamp() ?? 0) - ($estimate->from?->getTimestamp() ?? 0)) / 86400,
            ];
        }

        return array_merge(
            ...array_values(
                array_map(
                    fn(array $of): array => array_slice($this->library->random->shuffleArray($of), 0, $most),
                    $answers,
                ),
            ),
        );
    }

    /**
     * @param  array<string, list<array{WaitEstimate, float}>>  $cases  by cell, what was told and when the copy came
     * @return array<string, Correction> from the last so many that came, with those told since
     */
    private static function corrections(array $cases, float $night): array
    {
        $corrections = [];
        foreach ($cases as $cell => $of) {
            $last = [];
            $came = 0;
            foreach (array_reverse($of) as [$told, $ready]) {
                $came += $ready <= $night ? 1 : 0;
                if ($came > Correction::LAST) {
                    break;
                }
                $last[] = [
                    'from' => $told->from?->getTimestamp() ?? 0,
                    'middle' => $told->middle?->getTimestamp() ?? 0,
                    'to' => $told->to?->getTimestamp() ?? 0,
                    'until' => OutsideLibrary::day(min($night, $ready))->getTimestamp(),
                    'came' => $ready <= $night,
                ];
            }
            $corrections[$cell] = Correction::measured($last);
        }

        return $corrections;
    }

    /**
     * Buys for lines what the Desk says is enough for a wait under a number of days, and plays them out with it and
     * with one copy fewer.
     *
     * @return list<array{ahead: int, bought: int, enough: bool, fewer: bool}> whether who joined had it in time
     */
    public function buy(float $days, int $most): array
    {
        $bought = [];
        $counts = [];
        $pressures = [];
        foreach ($this->library->random->shuffleArray($this->library->asked()) as $of) {
            $ahead = count($of['line']->ahead);
            $cell = self::cell($ahead);
            if ($of['world'] === null || ($counts[$cell] ?? 0) >= $most) {
                continue;
            }
            $night = self::NIGHTS * floor($of['at'] / self::NIGHTS);
            $pressure = $pressures[(int) $night] ??= new HoldPressure(
                new Forecast($this->habits->on($night), (int) $this->library->keptHours),
            );
            $copies = $pressure->extraCopies($this->withUse($of, $night), $days, OutsideLibrary::day($of['at']));
            if ($copies === 0) {
                continue;
            }
            $counts[$cell] = ($counts[$cell] ?? 0) + 1;
            $bought[] = [
                'ahead' => $ahead,
                'bought' => $copies,
                'enough' => $this->library->waitWith($of, $copies) <= $days,
                'fewer' => $this->library->waitWith($of, $copies - 1) <= $days,
            ];
        }

        return $bought;
    }

    /** @param  array{title: int, line: Line}&array<string, mixed>  $of */
    private function withUse(array $of, float $on): Line
    {
        $use = $this->habits->use($of['title'], $on);

        return new Line(
            array_map(
                fn(LineLicence $l): LineLicence => new LineLicence(
                    $l->licence,
                    $l->dueAt,
                    $l->readyUntil,
                    $l->startedAt,
                    $use,
                ),
                $of['line']->licences,
            ),
            $of['line']->ahead,
        );
    }

    public static function cell(int $ahead): string
    {
        return match (true) {
            $ahead <= 3 => '0-3',
            $ahead <= 10 => '4-10',
            $ahead <= 40 => '11-40',
            default => 'over 40',
        };
    }
}
