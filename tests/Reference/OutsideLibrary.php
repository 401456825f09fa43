<?php

declare(strict_types=1);

namespace Tests\Reference;

use Closure;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Desk\HoldPressure;
use FigPorch\Core\Lending\Forecast\Correction;
use FigPorch\Core\Lending\Forecast\EarlyReturns;
use FigPorch\Core\Lending\Forecast\Forecast;
use FigPorch\Core\Lending\Forecast\GivingUp;
use FigPorch\Core\Lending\Forecast\Habits;
use FigPorch\Core\Lending\Forecast\LengthHabit;
use FigPorch\Core\Lending\Forecast\Line;
use FigPorch\Core\Lending\Forecast\Quantiles;
use FigPorch\Core\Lending\Forecast\TitleUse;
use FigPorch\Core\Lending\Forecast\WaitEstimate;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;
use Random\Engine\Mt19937;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * A library that is played out event by event, to ask forecasts against it. It shares no code with what it tests: its
 * own clock, its own line, people who behave as the forecast does not know. Titles come, are wanted much at first and
 * less later. Times are in days from its beginning.
 */
final class OutsideLibrary
{
    /** From then on forecasts are asked; what is over by then has been measured. */
    private const MEASURED = 730.0;

    private const ASKED = 400.0;

    private const LAST = 4000.0;

    private const ASKED_SHARE = 0.2;

    /** Habits are measured from so many days, and again after so many: each night, where it is no play. */
    private const WINDOW = 730.0;

    private const NIGHTS = 7.0;

    /** How long loans are kept, from the last so many and all of so many days. */
    private const LAST_LOANS = 500;

    private const LATELY = 30.0;

    /** @var list<array{length: int, start: float, due: float, end: float, title: int}> */
    private array $loans = [];

    /** @var list<array{placed: float, ready: float|null, left: float|null, taken: float|null, missed: bool}> */
    private array $holds = [];

    /** How much more a title is wanted on the days after a prize, at the most. */
    private const PRIZE = 6.0;

    /** @var list<array{title: int, at: float, ready: float|null, line: Line, world: array<string, mixed>|null}> */
    private array $asked = [];

    /** @var array<int, list<array{length: int, start: float, due: float, end: float, title: int}>> */
    private array $byTitle = [];

    private Randomizer $random;

    /**
     * @param  Closure(Randomizer): float  $patience  days after which somebody gives up; INF for never
     * @param  Closure(Randomizer): float  $early  the share of a title's loans that come back early
     * @param  Closure(float): float  $habitChange  what loans' lengths are multiplied with on a day
     * @param  float|null  $prize  a day from which on every title is wanted much more for some weeks
     */
    public function __construct(
        private readonly Closure $patience,
        private readonly Closure $early,
        private readonly float $keptHours = 72,
        private readonly ?Closure $habitChange = null,
        private readonly float $missed = 0.08,
        int $seed = 1,
        private readonly ?float $prize = null,
    ) {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** Evenly between 0 and 1. */
    public static function share(Randomizer $random): float
    {
        return ($random->getInt(0, 2 ** 31 - 1) + 0.5) / 2 ** 31;
    }

    public static function exponential(Randomizer $random, float $perDay): float
    {
        return -log(self::share($random)) / $perDay;
    }

    /**
     * Plays titles out.
     *
     * @param  int  $titles  half of them before the forecasts are asked, half around then
     * @param  float  $rush  patrons a day who want a title in its first days, for each of its copies
     * @param  bool  $worlds  keeps what stood when forecasts were asked, to play it out with more copies
     */
    public function play(int $titles, float $rush, bool $worlds = false): void
    {
        for ($title = 0; $title < $titles; $title++) {
            $begins =
                $title % 2 === 0
                    ? self::share($this->random) * self::MEASURED
                    : self::MEASURED - 120 + self::share($this->random) * self::ASKED;
            $this->title(
                $title,
                $begins,
                $this->random->getInt(1, 8),
                $rush * (0.3 + 1.4 * self::share($this->random)),
                $worlds,
            );
        }
    }

    /** One title from its first day on: a small world of its own. */
    private function title(int $title, float $begins, int $copies, float $rush, bool $worlds): void
    {
        $random = $this->random;
        $early = ($this->early)($random);
        $keep = $this->keptHours / 24;
        $queue = [];
        $loans = [];
        $ready = [];
        $free = $copies;
        $decay = 40 + 60 * self::share($random);
        // The next patron comes by thinning, at most at the rate of the first day.
        $wants = function (float $at) use ($begins, $decay, $rush, $copies, $random): float {
            $prize = fn(float $on): float => $this->prize !== null && $on >= $this->prize && $on < $this->prize + 25
                ? self::PRIZE
                : 1.0;
            $most = $copies * ($rush + 0.06) * ($this->prize === null ? 1.0 : self::PRIZE);
            do {
                $at += self::exponential($random, $most);
                $now = $copies * ($rush * exp(-($at - $begins) / $decay) + 0.06) * $prize($at);
            } while (self::share($random) * $most > $now);

            return $at;
        };
        $next = $wants($begins);
        while (true) {
            // What happens next: somebody comes, a loan ends, a kept copy is taken or not, a hold is given up.
            [$at, $what, $which] = [$next, 'comes', -1];
            foreach ($loans as $n => $loan) {
                $loan['end'] < $at && ([$at, $what, $which] = [$loan['end'], 'ends', $n]);
            }
            foreach ($ready as $n => $of) {
                $of['then'] < $at && ([$at, $what, $which] = [$of['then'], $of['takes'] ? 'taken' : 'missed', $n]);
            }
            foreach ($queue as $n => $hold) {
                $hold['leaves'] < $at && ([$at, $what, $which] = [$hold['leaves'], 'leaves', $n]);
            }
            if ($at > self::LAST) {
                break;
            }
            if ($what === 'comes') {
                $next = $at < self::MEASURED + self::ASKED ? $wants($at) : INF;
                if ($free > 0) {
                    $free--;
                    $loans[] = $this->lend($at, $early);

                    continue;
                }
                $hold = [
                    'placed' => $at,
                    'leaves' => INF,
                    'paused' => 0.0,
                    'misses' => 0,
                    'asked' => null,
                    'ready' => null,
                ];
                if ($at > self::MEASURED && self::share($random) < self::ASKED_SHARE) {
                    // Somebody who stays: a place in line that takes no copy, so that the others live as they would.
                    $queue[] = [...$hold, 'asked' => count($this->asked)];
                    $this->asked[] = [
                        'title' => $title,
                        'at' => $at,
                        'ready' => null,
                        'line' => self::seen($at, $copies, $loans, $ready, $queue),
                        'world' =>
                            $worlds && count($this->asked) % 3 === 0
                                ? ['early' => $early, 'loans' => $loans, 'ready' => $ready, 'queue' => $queue]
                                : null,
                    ];
                }
                $queue[] = [...$hold, 'leaves' => $at + ($this->patience)($random)];

                continue;
            }
            if ($what === 'leaves') {
                $this->holds[] = [
                    'placed' => $queue[$which]['placed'],
                    'ready' => $queue[$which]['ready'],
                    'left' => $at,
                    'taken' => null,
                    'missed' => false,
                ];
                array_splice($queue, $which, 1);

                continue;
            }
            if ($what === 'ends') {
                $this->loans[] = [
                    'length' => $loans[$which]['length'],
                    'start' => $loans[$which]['start'],
                    'due' => $loans[$which]['start'] + $loans[$which]['length'],
                    'end' => $at,
                    'title' => $title,
                ];
                array_splice($loans, $which, 1);
            }
            if ($what === 'taken') {
                $hold = $ready[$which]['hold'];
                $this->holds[] = [
                    'placed' => $hold['placed'],
                    'ready' => $ready[$which]['since'],
                    'left' => null,
                    'taken' => $hold['misses'] === 0 ? $at : null,
                    'missed' => $hold['misses'] > 0,
                ];
                array_splice($ready, $which, 1);
                $loans[] = $this->lend($at, $early);

                continue;
            }
            if ($what === 'missed') {
                $hold = $ready[$which]['hold'];
                array_splice($ready, $which, 1);
                $hold['misses']++;
                if ($hold['misses'] === 1) {
                    // Behind the next, and a day's rest.
                    $hold['paused'] = $at + 1;
                    $behind = 0;
                    while (isset($queue[$behind]) && $queue[$behind]['asked'] !== null) {
                        $behind++;
                    }
                    array_splice($queue, min($behind + 1, count($queue)), 0, [$hold]);
                } else {
                    $this->holds[] = [
                        'placed' => $hold['placed'],
                        'ready' => $hold['ready'],
                        'left' => null,
                        'taken' => null,
                        'missed' => true,
                    ];
                }
            }
            // A copy is free: the first who is not at rest gets it.
            $to = null;
            for ($n = 0; $n < count($queue); ) {
                if ($queue[$n]['asked'] !== null) {
                    $this->asked[$queue[$n]['asked']]['ready'] = $at;
                    array_splice($queue, $n, 1);
                } elseif ($queue[$n]['paused'] <= $at) {
                    $to = $n;
                    break;
                } else {
                    $n++;
                }
            }
            if ($to === null) {
                $free++;

                continue;
            }
            $hold = $queue[$to];
            array_splice($queue, $to, 1);
            $hold['ready'] ??= $at;
            $takes = self::share($random) >= $this->missed;
            $ready[] = [
                'hold' => $hold,
                'since' => $at,
                'until' => $at + $keep,
                'takes' => $takes,
                'then' => $at + $keep * ($takes ? self::share($random) ** 2 : 1.0),
            ];
        }
    }

    /** @return array{length: int, start: float, end: float} */
    private function lend(float $at, float $early): array
    {
        $length = self::share($this->random) < 0.7 ? 14 : 21;
        $share = self::share($this->random) < $early ? 0.08 + 0.85 * self::share($this->random) : 1.0;

        return [
            'length' => $length,
            'start' => $at,
            'end' => $at + $length * min(1.0, $share * ($this->habitChange === null ? 1.0 : ($this->habitChange)($at))),
        ];
    }

    /**
     * @param  list<array{length: int, start: float, end: float}>  $loans
     * @param  list<array{until: float}&array<string, mixed>>  $ready
     * @param  list<array{placed: float, paused: float, asked: int|null}&array<string, mixed>>  $queue
     */
    private static function seen(float $at, int $copies, array $loans, array $ready, array $queue): Line
    {
        $licence = new Licence(
            id: 1,
            libraryId: 1,
            model: LicenceModel::OneCopyOneUser,
            copies: $copies,
            copiesFree: 0,
            loansLeft: null,
            startsAt: self::day(-10),
            endsAt: null,
        );

        return new Line(
            [
                new LineLicence(
                    $licence,
                    array_map(fn(array $l): DateTimeImmutable => self::day($l['start'] + $l['length']), $loans),
                    array_map(fn(array $r): DateTimeImmutable => self::day($r['until']), $ready),
                    array_map(fn(array $l): DateTimeImmutable => self::day($l['start']), $loans),
                ),
            ],
            array_map(
                fn(array $hold): WaitingHold => new WaitingHold(
                    self::day($hold['placed']),
                    $hold['paused'] > $at ? self::day($hold['paused']) : null,
                ),
                array_values(array_filter($queue, fn(array $hold): bool => $hold['asked'] === null)),
            ),
        );
    }

    private static function day(float $day): DateTimeImmutable
    {
        return (new DateTimeImmutable('2030-01-01 00:00 UTC'))->modify(
            sprintf('%+d seconds', (int) round($day * 86400)),
        );
    }

    /** Habits as they would be measured on a day of what is over, by the forecast's own definitions. */
    public function measured(float $on = self::MEASURED): Habits
    {
        $kept = $pickUp = [];
        $since = $on - self::WINDOW;
        $over = array_filter($this->loans, fn(array $l): bool => $l['due'] < $on && $l['due'] >= $since);
        usort($over, fn(array $a, array $b): int => $b['due'] <=> $a['due']);
        foreach ($over as $n => $loan) {
            if ($n < self::LAST_LOANS || $loan['due'] >= $on - self::LATELY) {
                $kept["{$loan['length']}d"][] = ($loan['end'] - $loan['start']) / $loan['length'];
            }
        }
        $cancelled = $days = array_fill(0, count(GivingUp::FROM), 0.0);
        $ready = $missed = 0;
        foreach ($this->holds as $hold) {
            if ($hold['placed'] >= $on || $hold['placed'] < $since) {
                continue;
            }
            $ends = min($on, $hold['ready'] ?? ($hold['left'] ?? INF));
            $gaveUp = $hold['ready'] === null && $hold['left'] !== null && $hold['left'] < $on;
            foreach (GivingUp::FROM as $n => $from) {
                $until = GivingUp::FROM[$n + 1] ?? INF;
                $age = $ends - $hold['placed'];
                $days[$n] += max(0.0, min($age, $until) - $from);
                $cancelled[$n] += $gaveUp && $age >= $from && $age < $until ? 1 : 0;
            }
            if ($hold['ready'] !== null && $hold['ready'] < $on) {
                $ready++;
                $missed += $hold['missed'] ? 1 : 0;
                if ($hold['taken'] !== null && $hold['taken'] < $on) {
                    $pickUp[] = min(1.0, ($hold['taken'] - $hold['ready']) / ($this->keptHours / 24));
                }
            }
        }
        $all = array_sum(array_map(count(...), $kept));
        $lengths = array_map(
            fn(array $shares): LengthHabit => new LengthHabit(
                count($shares) / $all,
                self::quantiles($shares),
                count($shares),
            ),
            $kept,
        );
        $uses = array_filter(
            array_map(fn(int $title): TitleUse => $this->use($title, $on), array_keys($this->ofTitle())),
            fn(TitleUse $use): bool => $use->loans > 0,
        );
        $early = array_sum(array_map(fn(TitleUse $use): int => $use->early, $uses));

        return (new Habits(
            lengths: $lengths === [] ? Habits::unmeasured()->lengths : $lengths,
            pickUp: $pickUp === [] ? Habits::unmeasured()->pickUp : self::quantiles($pickUp),
            missed: $missed / max(1, $ready),
            givingUp: new GivingUp($cancelled, $days),
            early: EarlyReturns::measured(
                count($uses),
                array_sum(array_map(fn(TitleUse $use): int => $use->loans, $uses)),
                array_sum(array_map(fn(TitleUse $use): float => $use->loans ** 2, $uses)),
                $early,
                array_sum(array_map(fn(TitleUse $use): float => $use->early ** 2 / $use->loans, $uses)),
            ),
            holdsMeasured: $ready,
        ))->smoothedToward(Habits::unmeasured());
    }

    /** @return array{loans: int, holds: int} that were over when habits were measured */
    public function over(): array
    {
        return [
            'loans' => count(array_filter($this->loans, fn(array $l): bool => $l['end'] < self::MEASURED)),
            'holds' => count(
                array_filter($this->holds, fn(array $h): bool => ($h['taken'] ?? ($h['left'] ?? INF)) < self::MEASURED),
            ),
        ];
    }

    /**
     * Asks the forecast, and what became of it. Every so often there is a night: habits are measured of what is over
     * by then, and ranges corrected by how those before it held.
     *
     * @param  int  $most  in each cell, by lot
     * @return list<array{ahead: int, inside: bool, before: bool, line: Line, at: DateTimeImmutable, days: float,
     *      width: float}>
     */
    public function ask(int $most = PHP_INT_MAX, bool $corrected = true): array
    {
        $answers = $cases = [];
        $zone = new DateTimeZone('UTC');
        $forecast = null;
        $night = 0.0;
        $corrections = [];
        foreach ($this->byDay() as $of) {
            if ($forecast === null || $of['at'] >= $night + self::NIGHTS) {
                $night = $of['at'];
                $forecast = new Forecast($this->measured($night), (int) $this->keptHours);
                $corrections = $corrected ? self::corrections($cases, $night) : [];
            }
            $cell = self::cell(count($of['line']->ahead));
            $line = $this->withUse($of, $night);
            $now = self::day($of['at']);
            $estimate = $forecast->of(
                line: $line,
                latest: null,
                now: $now,
                zone: $zone,
                random: new Randomizer(new Xoshiro256StarStar($line->seed())),
            );
            $cases[$cell][] = [$estimate, $of['ready'] ?? INF];
            if ($of['ready'] === null) {
                continue;
            }
            $estimate = ($corrections[$cell] ?? new Correction())->applied($estimate, $now, $zone);
            $came = self::day($of['ready']);
            $answers[$cell][] = [
                'ahead' => count($of['line']->ahead),
                'inside' => $estimate->from <= $came && $came <= $estimate->to,
                'before' => $came < $estimate->middle,
                'line' => $line,
                'at' => $now,
                'days' => $of['ready'] - $of['at'],
                'width' => (($estimate->to?->getTimestamp() ?? 0) - ($estimate->from?->getTimestamp() ?? 0)) / 86400,
            ];
        }

        return array_merge(
            ...array_values(
                array_map(fn(array $of): array => array_slice($this->random->shuffleArray($of), 0, $most), $answers),
            ),
        );
    }

    /**
     * @param  array<string, list<array{WaitEstimate, float}>>  $cases  by cell, what was told and when the copy came
     * @return array<string, Correction>
     */
    private static function corrections(array $cases, float $night): array
    {
        return array_map(
            fn(array $of): Correction => Correction::measured(
                array_map(
                    fn(array $case): array => [
                        'from' => $case[0]->from?->getTimestamp() ?? 0,
                        'middle' => $case[0]->middle?->getTimestamp() ?? 0,
                        'to' => $case[0]->to?->getTimestamp() ?? 0,
                        'until' => self::day(min($night, $case[1]))->getTimestamp(),
                        'came' => $case[1] <= $night,
                    ],
                    $of,
                ),
            ),
            $cases,
        );
    }

    /** @return list<array{title: int, at: float, ready: float|null, line: Line, world: array<string, mixed>|null}> */
    private function byDay(): array
    {
        $asked = $this->asked;
        usort($asked, fn(array $a, array $b): int => $a['at'] <=> $b['at']);

        return $asked;
    }

    /**
     * Buys for lines what the Desk says is enough for a wait under a number of days, and plays them out with it and with
     * one copy fewer.
     *
     * @return list<array{ahead: int, bought: int, enough: bool, fewer: bool}> whether who joined had it in time
     */
    public function buy(float $days, int $most): array
    {
        $bought = [];
        $counts = [];
        $pressures = [];
        foreach ($this->random->shuffleArray($this->asked) as $of) {
            $ahead = count($of['line']->ahead);
            $cell = self::cell($ahead);
            if ($of['world'] === null || ($counts[$cell] ?? 0) >= $most) {
                continue;
            }
            $night = self::NIGHTS * floor($of['at'] / self::NIGHTS);
            $pressure = $pressures[(int) $night] ??= new HoldPressure(
                new Forecast($this->measured($night), (int) $this->keptHours),
            );
            $copies = $pressure->extraCopies($this->withUse($of, $night), $days, self::day($of['at']));
            if ($copies === 0) {
                continue;
            }
            $counts[$cell] = ($counts[$cell] ?? 0) + 1;
            $bought[] = [
                'ahead' => $ahead,
                'bought' => $copies,
                'enough' => $this->waitWith($of, $copies) <= $days,
                'fewer' => $this->waitWith($of, $copies - 1) <= $days,
            ];
        }

        return $bought;
    }

    /**
     * Plays one line out from where it stood, with more copies: days until who joined it then gets theirs.
     *
     * @param  array{at: float, world: array<string, mixed>|null}&array<string, mixed>  $of
     */
    private function waitWith(array $of, int $more): float
    {
        $random = $this->random;
        ['early' => $early, 'loans' => $loans, 'ready' => $ready, 'queue' => $queue] = $of['world'] ?? [];
        $queue = array_values(array_filter($queue, fn(array $hold): bool => $hold['asked'] === null));
        $queue[] = ['leaves' => INF, 'paused' => 0.0, 'misses' => 0, 'me' => true];
        [$at, $free, $keep] = [$of['at'], $more, $this->keptHours / 24];
        while ($at < self::LAST) {
            // Whoever is first and not at rest takes what is free.
            foreach ($queue as $n => $hold) {
                if ($free < 1) {
                    break;
                }
                if ($hold['paused'] > $at) {
                    continue;
                }
                if (isset($hold['me'])) {
                    return $at - $of['at'];
                }
                $free--;
                unset($queue[$n]);
                $takes = self::share($random) >= $this->missed;
                $ready[] = [
                    'hold' => $hold,
                    'takes' => $takes,
                    'then' => $at + $keep * ($takes ? self::share($random) ** 2 : 1.0),
                ];
            }
            $queue = array_values($queue);
            $next = min([
                INF,
                ...array_column($loans, 'end'),
                ...array_column($ready, 'then'),
                ...array_column($queue, 'leaves'),
                ...array_filter(array_column($queue, 'paused'), fn(float $until): bool => $until > $at),
            ]);
            $at = $next;
            $queue = array_values(array_filter($queue, fn(array $hold): bool => $hold['leaves'] > $at));
            foreach ($loans as $n => $loan) {
                if ($loan['end'] <= $at) {
                    unset($loans[$n]);
                    $free++;
                }
            }
            foreach ($ready as $n => $kept) {
                if ($kept['then'] > $at) {
                    continue;
                }
                unset($ready[$n]);
                if ($kept['takes']) {
                    $loans[] = $this->lend($at, $early);

                    continue;
                }
                $free++;
                if ($kept['hold']['misses'] === 0) {
                    array_splice($queue, min(1, count($queue)), 0, [
                        [...$kept['hold'], 'misses' => 1, 'paused' => $at + 1],
                    ]);
                }
            }
        }

        return INF;
    }

    /** @param  array{title: int, line: Line}&array<string, mixed>  $of */
    private function withUse(array $of, float $on): Line
    {
        $use = $this->use($of['title'], $on);

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

    /** @return array<int, list<array{length: int, start: float, due: float, end: float, title: int}>> loans by title */
    private function ofTitle(): array
    {
        if ($this->byTitle === []) {
            foreach ($this->loans as $loan) {
                $this->byTitle[$loan['title']][] = $loan;
            }
        }

        return $this->byTitle;
    }

    private function use(int $title, float $on): TitleUse
    {
        $of = array_filter(
            $this->ofTitle()[$title] ?? [],
            fn(array $l): bool => $l['due'] < $on && $l['due'] >= $on - self::WINDOW,
        );

        return new TitleUse(
            count(array_filter($of, fn(array $l): bool => ($l['end'] - $l['start']) / $l['length'] < TitleUse::EARLY)),
            count($of),
        );
    }

    /** @param  non-empty-list<float>  $values */
    private static function quantiles(array $values): Quantiles
    {
        sort($values);
        $last = count($values) - 1;

        return new Quantiles(
            array_map(function (int $i) use ($values, $last): float {
                $x = ($i / 20) * $last;
                $n = min($last, (int) $x);

                return $values[$n] + ($x - $n) * (($values[$n + 1] ?? $values[$n]) - $values[$n]);
            }, range(0, 20)),
        );
    }
}
