<?php

declare(strict_types=1);

namespace Tests\Reference;

use Closure;
use DateTimeImmutable;
use FigPorch\Core\Lending\Forecast\Line;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A library that is played out event by event, to ask forecasts against it. It shares no code with what it tests: its
 * own clock, its own line, people who behave as the forecast does not know. Titles come, are wanted much at first and
 * less later. Times are in days from its beginning.
 */
final class OutsideLibrary
{
    /** From then on forecasts are asked; what is over by then has been measured. */
    public const MEASURED = 730.0;

    private const ASKED = 400.0;

    private const LAST = 4000.0;

    private const ASKED_SHARE = 0.2;

    /** @var list<array{length: int, start: float, due: float, end: float, title: int}> */
    private array $loans = [];

    /** @var list<array{placed: float, ready: float|null, left: float|null, taken: float|null, missed: bool}> */
    private array $holds = [];

    /** How much more a title is wanted on the days after a prize, at the most. */
    private const PRIZE = 6.0;

    /** @var list<array{title: int, at: float, ready: float|null, line: Line, world: array<string, mixed>|null}> */
    private array $asked = [];

    public readonly Randomizer $random;

    /**
     * @param  Closure(Randomizer): float  $patience  days after which somebody gives up; INF for never
     * @param  Closure(Randomizer): float  $early  the share of a title's loans that come back early
     * @param  Closure(float): float  $habitChange  what loans' lengths are multiplied with on a day
     * @param  float|null  $prize  a day from which on every title is wanted much more for some weeks
     */
    public function __construct(
        private readonly Closure $patience,
        private readonly Closure $early,
        public readonly float $keptHours = 72,
        private readonly ?Closure $habitChange = null,
        private readonly float $missed = 0.08,
        int $seed = 1,
        private readonly ?float $prize = null,
    ) {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @return list<array{length: int, start: float, due: float, end: float, title: int}> */
    public function loans(): array
    {
        return $this->loans;
    }

    /** @return list<array{placed: float, ready: float|null, left: float|null, taken: float|null, missed: bool}> */
    public function holds(): array
    {
        return $this->holds;
    }

    /**
     * Where somebody joined a line who stays, in the order of their days.
     *
     * @return list<array{title: int, at: float, ready: float|null, line: Line, world: array<string, mixed>|null}>
     */
    public function asked(): array
    {
        $asked = $this->asked;
        usort($asked, fn(array $a, array $b): int => $a['at'] <=> $b['at']);

        return $asked;
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

    public static function day(float $day): DateTimeImmutable
    {
        return (new DateTimeImmutable('2030-01-01 00:00 UTC'))->modify(
            sprintf('%+d seconds', (int) round($day * 86400)),
        );
    }

    /**
     * Plays one line out from where it stood, with more copies: days until who joined it then gets theirs.
     *
     * @param  array{at: float, world: array<string, mixed>|null}&array<string, mixed>  $of
     */
    public function waitWith(array $of, int $more): float
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
}
