<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;
use FigPorch\Core\Lending\Chance;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\MissedHold;
use Random\Randomizer;

/**
 * The likely range of a wait: the line is played through many times, each with loans, pick-ups, misses and cancellations
 * drawn from the library's habits; the dates are the 10th, 50th and 90th percentile of when the turn came.
 */
final class Forecast
{
    private const DAY = 86400;

    /** Turns played through in all: for one hold, and for one title of a long list. */
    public const EFFORT = 1_000;

    public const BRIEF = 200;

    private const FEWEST_DRAWS = 60;

    private const MOST_DRAWS = 1_000;

    /** From so many holds ahead the range is computed and not drawn. */
    private const LONG_LINE = 40;

    /** The 90th percentile of the standard normal distribution. */
    private const Z90 = 1.2815515655;

    /** The 80th. */
    private const Z80 = 0.8416212336;

    /** @var list<float> running sums of the shares of the lengths */
    private readonly array $shares;

    /** @var list<float> the lengths in days */
    private readonly array $days;

    /** @var list<Quantiles> */
    private readonly array $kept;

    /** @param  int  $holdKeptHours  how long a ready copy is kept */
    public function __construct(private readonly Habits $habits, private readonly int $holdKeptHours)
    {
        $shares = $days = $kept = [];
        $sum = 0.0;
        foreach ($habits->lengths as $code => $length) {
            $shares[] = $sum += $length->share;
            $days[] = LoanLength::parse((string) $code)->nominalHours() / 24;
            $kept[] = $length->kept;
        }
        $this->shares = array_map(fn (float $s): float => $s / max($sum, 1e-9), $shares);
        $this->days = $days;
        $this->kept = $kept;
    }

    /** @param  int  $effort  EFFORT or BRIEF */
    public function of(Line $line, ?DateTimeImmutable $latest, DateTimeImmutable $now, Randomizer $random, int $effort = self::EFFORT): Turn
    {
        $at = function (float $wait) use ($now, $latest): ?DateTimeImmutable {
            $turn = is_infinite($wait) ? null : $now->setTimestamp($now->getTimestamp() + (int) round($wait * self::DAY));

            return $turn !== null && $latest !== null ? min($turn, $latest) : $turn;
        };
        if (count($line->ahead) >= self::LONG_LINE && ($long = $this->longLine($line, $now)) !== null) {
            [$from, $middle, $to] = array_map(fn (float $z): float => $long->wait(count($line->ahead), $z), [-self::Z90, 0.0, self::Z90]);

            return new Turn($at($from), $at($middle), $at($to), $latest);
        }
        $draws = self::draws($line, $effort);
        $waits = $this->waits($line, $now, $random, $draws);
        // One more outcome lies between two neighbouring draws, or beyond them, with the same chance everywhere.
        $low = max(0, (int) floor(0.1 * ($draws + 1)) - 1);

        return new Turn(
            $at($waits[$low]), $at($waits[intdiv($draws, 2)]), $at($waits[$draws - 1 - $low]), $latest,
            count(array_filter($waits, is_infinite(...))) / $draws,
        );
    }

    /** Days within which 8 turns in 10 come (the 80th percentile); infinite where no copy may be left. */
    public function eightInTen(Line $line, DateTimeImmutable $now, Randomizer $random, int $effort = self::EFFORT): float
    {
        if (count($line->ahead) >= self::LONG_LINE && ($long = $this->longLine($line, $now)) !== null) {
            return $long->wait(count($line->ahead), self::Z80);
        }
        $draws = self::draws($line, $effort);

        return $this->waits($line, $now, $random, $draws)[min($draws - 1, (int) ceil(0.8 * ($draws + 1)) - 1)];
    }

    /** Days from one loan of a copy to its next while others wait: until it is taken, and for as long as it is kept. */
    public function cycle(): float
    {
        return $this->holdKeptHours / 24 * $this->habits->pickUp->mean() + $this->loanMoments()[0];
    }

    private static function draws(Line $line, int $effort): int
    {
        return max(self::FEWEST_DRAWS, min(self::MOST_DRAWS, intdiv($effort, count($line->ahead) + 1)));
    }

    /** Null where copies may leave the line, or this place is paused: then it has to be played through. */
    public function longLine(Line $line, DateTimeImmutable $now): ?LongLine
    {
        $free = [];
        foreach ($line->licences as $state) {
            $licence = $state->licence;
            if ($licence->loansLeft !== null || $licence->endsAt !== null || ! $licence->model->hasCopies() || $licence->startsAt > $now) {
                return null;
            }
            array_push($free, ...array_fill(0, (int) $licence->copiesFree, 0.0));
            foreach ($state->dueAt as $n => $due) {
                $began = $state->startedAt[$n] ?? $now;
                [$length, $elapsed, $habit, $past] = $this->runningLoan(($now->getTimestamp() - $began->getTimestamp()) / self::DAY, ($due->getTimestamp() - $began->getTimestamp()) / self::DAY);
                $rest = array_map(fn (int $i): float => $habit->at($past + ($i + .5) / 10 * (1 - $past)) * $length - $elapsed, range(0, 9));
                $free[] = max(0.0, array_sum($rest) / 10);
            }
            foreach ($state->readyUntil as $until) {
                $kept = max(0.0, ($until->getTimestamp() - $now->getTimestamp()) / self::DAY);
                $free[] = $kept * $this->habits->pickUp->mean() + (1 - $this->habits->missed) * $this->loanMoments()[0];
            }
        }
        if ($free === [] || $line->pausedUntil !== null) {
            return null;
        }
        // A turn is either missed, and takes the time a copy is kept, or ends in a loan.
        $keep = $this->holdKeptHours / 24;
        [$loan, $loanSquare] = $this->loanMoments();
        [$wait, $waitSquare] = [$keep * $this->habits->pickUp->mean(), $keep ** 2 * $this->habits->pickUp->meanSquare()];
        $missed = $this->habits->missed;
        $mean = $missed * $keep + (1 - $missed) * ($wait + $loan);
        $square = $missed * $keep ** 2 + (1 - $missed) * ($waitSquare + 2 * $wait * $loan + $loanSquare);

        return new LongLine($mean, $square - $mean ** 2, $free, 1 + $missed, $this->habits->cancelled);
    }

    /** @return array{float, float} mean and mean square of the days that a loan is kept */
    private function loanMoments(): array
    {
        $mean = $square = $before = 0.0;
        foreach ($this->shares as $n => $share) {
            $mean += ($share - $before) * $this->days[$n] * $this->kept[$n]->mean();
            $square += ($share - $before) * $this->days[$n] ** 2 * $this->kept[$n]->meanSquare();
            $before = $share;
        }

        return [$mean, $square];
    }

    /**
     * @return list<float> waits in days, as many as draws, shortest first; infinite where no copy was left
     */
    public function waits(Line $line, DateTimeImmutable $now, Randomizer $random, int $draws): array
    {
        $t0 = $now->getTimestamp();
        $in = fn (?DateTimeImmutable $at): float => $at === null ? 0.0 : max(0.0, ($at->getTimestamp() - $t0) / self::DAY);
        $free = $running = $kept = $left = $ends = [];
        foreach ($line->licences as $i => $state) {
            $licence = $state->licence;
            if (! $licence->model->hasCopies()) {
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
                $running[] = [$i, ...$this->runningLoan(($t0 - $began->getTimestamp()) / self::DAY, ($due->getTimestamp() - $began->getTimestamp()) / self::DAY)];
            }
            foreach ($state->readyUntil as $until) {
                $kept[] = [$i, $in($until)];
            }
        }
        $ahead = array_map($in, $line->ahead);
        $own = $in($line->pausedUntil);

        $waits = [];
        for ($d = 0; $d < $draws; $d++) {
            $copies = $free;
            foreach ($running as [$i, $length, $elapsed, $habit, $past]) {
                $copies[] = [max(0.0, $habit->at($past + Chance::share($random) * (1 - $past)) * $length - $elapsed), $i];
            }
            foreach ($kept as [$i, $until]) {
                $copies[] = [Chance::share($random) < $this->habits->missed ? $until : $until * $this->habits->pickUp->at(Chance::share($random)) + $this->loan($random), $i];
            }
            $waits[] = $this->play($copies, $ahead, $own, $left, $ends, $random);
        }
        sort($waits);

        return $waits;
    }

    /**
     * Plays the line through once.
     *
     * @param  list<array{float, int}>  $copies  when each comes free, and its licence
     * @param  list<float>  $ahead  until when each hold before this one is paused
     * @param  array<int, int>  $left  loans left by licence
     * @param  array<int, float>  $ends
     */
    private function play(array $copies, array $ahead, float $own, array $left, array $ends, Randomizer $random): float
    {
        $keep = $this->holdKeptHours / 24;
        $misses = [];
        $cancels = [];
        if ($this->habits->cancelled > 0) {
            foreach ($ahead as $h => $_) {
                $cancels[$h] = Chance::exponential($random, 1 / $this->habits->cancelled);
            }
        }
        while ($copies !== []) {
            $c = 0;
            foreach ($copies as $n => $copy) {
                if ($copy[0] < $copies[$c][0]) {
                    $c = $n;
                }
            }
            $t = $copies[$c][0];
            $i = $copies[$c][1];
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
            if ($next !== null && Chance::share($random) < $this->habits->missed) {
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
            $copies[$c] = [$t + $keep * $this->habits->pickUp->at(Chance::share($random)) + $this->loan($random), $i];
        }

        return INF;
    }

    /**
     * A hold that missed its turn goes behind the next that waits: with nobody else before this place, behind this place.
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

    /** Days that a loan yet to come is kept. */
    private function loan(Randomizer $random): float
    {
        $share = Chance::share($random);
        $n = 0;
        while ($n < count($this->shares) - 1 && $share > $this->shares[$n]) {
            $n++;
        }

        return $this->days[$n] * $this->kept[$n]->at(Chance::share($random));
    }

    /**
     * @return array{float, float, Quantiles, float} length, days gone by, the habit, and the share of loans that are over by now
     */
    private function runningLoan(float $elapsed, float $length): array
    {
        $nearest = 0;
        foreach ($this->days as $n => $days) {
            if (abs($days - $length) < abs($this->days[$nearest] - $length)) {
                $nearest = $n;
            }
        }

        return [$length, $elapsed, $this->kept[$nearest], min(0.999, $this->kept[$nearest]->below($elapsed / max($length, 1e-6)))];
    }
}
