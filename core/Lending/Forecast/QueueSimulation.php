<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\MissedHold;
use FigPorch\Core\Lending\RandomVariates;
use FigPorch\Core\Lending\WaitingHold;
use Generator;
use Random\Randomizer;

/**
 * A line played through by its rules, with loans, pick-ups, misses and cancellations drawn from the library's habits.
 */
final readonly class QueueSimulation
{
    private const DAY = 86400;

    /** Habits are drawn so many times at the least: that takes as long as playing a short line. */
    private const HABITS = 60;

    /** @param  int  $holdKeptHours  how long a ready copy is kept */
    public function __construct(private Habits $habits, private LoanHabits $loans, private int $holdKeptHours) {}

    /**
     * @return list<float> waits in days, as many as draws, shortest first; infinite where no copy was left
     */
    public function waits(Line $line, DateTimeImmutable $now, Randomizer $random, int $draws): array
    {
        $waits = iterator_to_array($this->drawn($line, $now, $random, $draws), false);
        sort($waits);

        return $waits;
    }

    /** @return Generator<int, float> the same, each as it is drawn: who has seen enough draws no more */
    public function drawn(Line $line, DateTimeImmutable $now, Randomizer $random, int $draws): Generator
    {
        $t0 = $now->getTimestamp();
        $in = fn(?DateTimeImmutable $at): float => $at === null
            ? 0.0
            : max(0.0, ($at->getTimestamp() - $t0) / self::DAY);
        $free = $running = $kept = $left = $ends = [];
        foreach ($line->licences as $i => $state) {
            $licence = $state->licence;
            if (!$licence->model->hasCopies()) {
                if ($licence->model === LicenceModel::Simultaneous && $licence->hasFuture($now)) {
                    $free[] = [$in($licence->startsAt), $i];
                    $left[$i] = PHP_INT_MAX;
                    $ends[$i] = INF;
                }

                continue;
            }
            $left[$i] = $licence->loansLeft ?? PHP_INT_MAX;
            $ends[$i] = $licence->endsAt === null ? INF : ($licence->endsAt->getTimestamp() - $t0) / self::DAY;
            for ($n = 0; $n < (int) $licence->copiesFree; $n++) {
                $free[] = [$in($licence->startsAt), $i];
            }
            foreach ($state->dueAt as $n => $due) {
                $began = $state->startedAt[$n] ?? $now;
                $elapsed = ($t0 - $began->getTimestamp()) / self::DAY;
                $length = ($due->getTimestamp() - $began->getTimestamp()) / self::DAY;
                $of = $this->loans->nearest($length);
                $running[] = [$i, $of, $elapsed, $length, $this->loans->over($of, $elapsed, $length)];
            }
            foreach ($state->readyUntil as $until) {
                $kept[] = [$i, $in($until)];
            }
        }
        $ahead = array_map(fn(WaitingHold $hold): float => $in($hold->pausedUntil), $line->ahead);
        $waited = array_map(
            fn(WaitingHold $hold): float => $hold->placedAt === null
                ? 0.0
                : max(0.0, ($t0 - $hold->placedAt->getTimestamp()) / self::DAY),
            $line->ahead,
        );
        $own = $in($line->pausedUntil);

        $early = $rates = [];
        $alike = max(1, intdiv($draws, self::HABITS));
        for ($d = 0; $d < $draws; $d++) {
            if ($d % $alike === 0) {
                // What is not known of the habits is drawn, too.
                $early = $this->loans->earlyAt($this->habits->early->draw($line->use(), $random));
                $rates = $waited === [] ? [] : $this->habits->givingUp->draw($random);
            }
            $copies = $free;
            foreach ($running as [$i, $of, $elapsed, $length, $over]) {
                $copies[] = [
                    $this->loans->rest(
                        random: $random,
                        n: $of,
                        elapsed: $elapsed,
                        length: $length,
                        over: $over,
                        early: $early,
                    ),
                    $i,
                ];
            }
            foreach ($kept as [$i, $until]) {
                $copies[] = [
                    RandomVariates::share($random) < $this->habits->missed
                        ? $until
                        : $until * $this->habits->pickUp->at(RandomVariates::share($random)) +
                            $this->loans->draw($random, $early),
                    $i,
                ];
            }
            $cancels = array_map(
                fn(float $days): float => GivingUp::after($rates, $days, RandomVariates::share($random)),
                $waited,
            );
            yield $this->play(
                copies: $copies,
                ahead: $ahead,
                cancels: $cancels,
                early: $early,
                own: $own,
                left: $left,
                ends: $ends,
                random: $random,
            );
        }
    }

    /**
     * Plays the line through once.
     *
     * @param  list<array{float, int}>  $copies  when each comes free, and its licence
     * @param  list<float>  $ahead  until when each hold before this one is paused
     * @param  list<float>  $cancels  when each of them is cancelled
     * @param  list<float>  $early  by length, the share of the title's loans that come back early
     * @param  array<int, int>  $left  loans left by licence
     * @param  array<int, float>  $ends
     */
    private function play(
        array $copies,
        array $ahead,
        array $cancels,
        array $early,
        float $own,
        array $left,
        array $ends,
        Randomizer $random,
    ): float {
        $keep = $this->holdKeptHours / 24;
        $misses = [];
        while ($copies !== []) {
            $c = 0;
            [$t, $i] = $copies[0];
            foreach ($copies as $n => $copy) {
                if ($copy[0] < $t) {
                    $c = $n;
                    [$t, $i] = $copy;
                }
            }
            if ($left[$i] < 1 || $t >= $ends[$i]) {
                unset($copies[$c]);
                $copies = array_values($copies);

                continue;
            }
            $next = null;
            foreach ($ahead as $h => $paused) {
                if (($cancels[$h] ?? INF) <= $t) {
                    unset($ahead[$h]);
                } elseif ($paused <= $t) {
                    $next = $h;

                    break;
                }
            }
            if ($next === null && $own <= $t) {
                return $t;
            }
            if ($next !== null && RandomVariates::share($random) < $this->habits->missed) {
                $copies[$c] = [$t + $keep, $i];
                if (isset($misses[$next])) {
                    unset($ahead[$next]);
                } else {
                    $misses[$next] = true;
                    $ahead = self::droppedBack($ahead, $next, $t + $keep + MissedHold::PAUSE_DAYS);
                }

                continue;
            }
            unset($ahead[$next ?? -1]);
            $left[$i]--;
            $copies[$c] = [
                $t +
                $keep * $this->habits->pickUp->at(RandomVariates::share($random)) +
                $this->loans->draw($random, $early),
                $i,
            ];
        }

        return INF;
    }

    /**
     * A hold that missed its turn goes behind the next that waits: with nobody else before this place, behind this
     * place.
     *
     * @param  array<int, float>  $ahead
     * @return array<int, float>
     */
    private static function droppedBack(array $ahead, int $missed, float $pausedUntil): array
    {
        unset($ahead[$missed]);
        $after = array_key_first($ahead);
        if ($after === null) {
            return [];
        }
        $line = [];
        foreach ($ahead as $h => $paused) {
            $line[$h] = $paused;
            if ($h === $after) {
                $line[$missed] = $pausedUntil;
            }
        }

        return $line;
    }
}
