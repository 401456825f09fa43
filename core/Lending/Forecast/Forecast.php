<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Forecast;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\WaitingHold;
use Random\Randomizer;

/**
 * The likely range of a wait: the line is played through many times, each with loans, pick-ups, misses and
 * cancellations drawn from the library's habits; the range is the days within which 8 in 10 of the turns came.
 */
final class Forecast
{
    private const DAY = 86400;

    /** Turns played through in all: for one hold, and for one title of a long list. */
    public const EFFORT = 500;

    public const BRIEF = 200;

    private const FEWEST_DRAWS = 60;

    /** Turns that are played through at the most, where a line is so long that the fewest draws would be more. */
    private const MOST_TURNS = 10_000;

    private const LEAST_DRAWS = 30;

    /** From so many holds ahead the range is computed and not drawn. */
    private const LONG_LINE = 40;

    /** The 90th percentile of the standard normal distribution. */
    private const Z90 = 1.2815515655;

    /** The 95th. */
    private const Z95 = 1.644853627;

    /** The 80th. */
    private const Z80 = 0.8416212336;

    private readonly LoanHabits $loans;

    /** @param  int  $holdKeptHours  how long a ready copy is kept */
    public function __construct(private readonly Habits $habits, private readonly int $holdKeptHours)
    {
        $this->loans = new LoanHabits($habits);
    }

    /**
     * @param  DateTimeZone  $zone  whose days the range is made of
     * @param  int  $effort  EFFORT or BRIEF
     */
    public function of(
        Line $line,
        ?DateTimeImmutable $latest,
        DateTimeImmutable $now,
        DateTimeZone $zone,
        Randomizer $random,
        int $effort = self::EFFORT,
    ): WaitEstimate {
        $calendar = new DayCalendar($now, $zone);
        $long = count($line->ahead) >= self::LONG_LINE ? $this->longLine($line, $now) : null;
        if ($long !== null) {
            [$day, $deviation] = $long;
            [$from, $to] = $calendar->nearest($day - self::Z90 * $deviation, $day + self::Z90 * $deviation);

            return $calendar->estimate(
                from: $from,
                middle: $day,
                to: $to,
                surely: max($to, $calendar->day($day + self::Z95 * $deviation)),
                latest: $latest,
            );
        }
        $draws = self::draws($line, $effort);
        $waits = $this->waits($line, $now, $random, $draws);
        $finite = array_values(array_filter($waits, is_finite(...)));
        $days = array_map($calendar->day(...), $finite);
        // One more outcome lies between two neighbouring draws, or beyond them, with the same chance everywhere.
        $beyond = fn(float $share): int => $draws - 1 - max(0, (int) floor($share * ($draws + 1)) - 1);
        $likely = isset($days[$beyond(0.1)])
            ? LikelyDays::of([...$days, ...array_fill(0, $draws - count($days), PHP_INT_MAX)])
            : null;

        return $calendar->estimate(
            from: $likely->from ?? ($days[$draws - 1 - $beyond(0.1)] ?? null),
            middle: $finite[intdiv($draws, 2)] ?? null,
            to: $likely?->to,
            surely: $days[$beyond(0.05)] ?? null,
            latest: $latest,
            never: 1 - count($days) / $draws,
        );
    }

    /** Days within which 8 turns in 10 come (the 80th percentile); infinite where no copy may be left. */
    public function eightInTen(
        Line $line,
        DateTimeImmutable $now,
        Randomizer $random,
        int $effort = self::EFFORT,
    ): float {
        $long = count($line->ahead) >= self::LONG_LINE ? $this->longLine($line, $now) : null;
        if ($long !== null) {
            return max(0.0, $long[0] + self::Z80 * $long[1]);
        }
        $draws = self::draws($line, $effort);

        return $this->waits($line, $now, $random, $draws)[self::eightOf($draws)];
    }

    /** Whether eightInTen() is so many days or fewer, from no more draws than it takes to tell. */
    public function isWithin(
        Line $line,
        float $days,
        DateTimeImmutable $now,
        Randomizer $random,
        int $effort = self::EFFORT,
    ): bool {
        $long = count($line->ahead) >= self::LONG_LINE ? $this->longLine($line, $now) : null;
        if ($long !== null) {
            return max(0.0, $long[0] + self::Z80 * $long[1]) <= $days;
        }
        $draws = self::draws($line, $effort);
        $needed = self::eightOf($draws) + 1;
        $may = $draws - $needed;
        $simulation = new QueueSimulation($this->habits, $this->loans, $this->holdKeptHours);
        foreach ($simulation->drawn($line, $now, $random, $draws) as $wait) {
            if ($wait <= $days) {
                $needed--;
            } else {
                $may--;
            }
            if ($needed === 0 || $may < 0) {
                break;
            }
        }

        return $needed === 0;
    }

    /** Which of so many draws, the shortest first, is that within which 8 in 10 lie. */
    private static function eightOf(int $draws): int
    {
        return min($draws - 1, (int) ceil(0.8 * ($draws + 1)) - 1);
    }

    /** Days from one loan of a copy to its next while others wait: until it is taken, and for as long as it is kept. */
    public function cycle(): float
    {
        return ($this->holdKeptHours / 24) * $this->habits->pickUp->mean() + $this->loans->moments()[0];
    }

    private static function draws(Line $line, int $effort): int
    {
        $turns = count($line->ahead) + 1;

        return min(
            max(self::FEWEST_DRAWS, intdiv($effort, $turns)),
            max(self::LEAST_DRAWS, intdiv(self::MOST_TURNS, $turns)),
        );
    }

    /**
     * @return array{float, float}|null days until the turn and their standard deviation; null where copies may leave
     *     the line, or this place is paused: then it has to be played through
     */
    public function longLine(Line $line, DateTimeImmutable $now): ?array
    {
        foreach ($line->licences as $state) {
            $licence = $state->licence;
            if (
                $licence->loansLeft !== null ||
                $licence->endsAt !== null ||
                !$licence->model->hasCopies() ||
                $licence->startsAt > $now
            ) {
                return null;
            }
        }
        $share = $this->loans->usualAt($line->use());
        $middle = $line->pausedUntil === null ? $this->longQueue($line, $share, $now) : null;
        if ($middle === null) {
            return null;
        }
        $rates = $this->habits->givingUp->rates();
        [$day, $variance] = $middle->turn($rates);
        // What is not known of the habits: each as much off as it may be.
        $off = $this->loans->uncertaintyAt($line->use());
        $other = $this->longQueue($line, min(0.999, max(0.001, $share + $off)), $now)?->turn($rates);
        $variance += $other === null ? 0.0 : ($other[0] - $day) ** 2;
        foreach ($this->habits->givingUp->uncertainty() as $n => $deviation) {
            if ($deviation > 1e-7) {
                $changed = array_replace($rates, [$n => $rates[$n] + $deviation]);
                $variance += ($middle->turn(array_values($changed))[0] - $day) ** 2;
            }
        }

        return [$day, sqrt($variance)];
    }

    /** @param  float  $share  of the title's loans that come back early */
    private function longQueue(Line $line, float $share, DateTimeImmutable $now): ?LongQueue
    {
        $early = $this->loans->earlyAt($share);
        $moments = $this->loans->moments($share);
        $free = [];
        foreach ($line->licences as $state) {
            array_push($free, ...array_fill(0, (int) $state->licence->copiesFree, 0.0));
            foreach ($state->dueAt as $n => $due) {
                $began = $state->startedAt[$n] ?? $now;
                $length = ($due->getTimestamp() - $began->getTimestamp()) / self::DAY;
                $elapsed = ($now->getTimestamp() - $began->getTimestamp()) / self::DAY;
                $free[] = $this->loans->meanRest($this->loans->nearest($length), $elapsed, $length, $early);
            }
            foreach ($state->readyUntil as $until) {
                $kept = max(0.0, ($until->getTimestamp() - $now->getTimestamp()) / self::DAY);
                $free[] = $kept * $this->habits->pickUp->mean() + (1 - $this->habits->missed) * $moments[0];
            }
        }
        if ($free === []) {
            return null;
        }
        // A turn is either missed, and takes the time a copy is kept, or ends in a loan.
        $keep = $this->holdKeptHours / 24;
        [$loan, $loanSquare] = $moments;
        [$wait, $waitSquare] = [
            $keep * $this->habits->pickUp->mean(),
            $keep ** 2 * $this->habits->pickUp->meanSquare(),
        ];
        $missed = $this->habits->missed;
        $mean = $missed * $keep + (1 - $missed) * ($wait + $loan);
        $square = $missed * $keep ** 2 + (1 - $missed) * ($waitSquare + 2 * $wait * $loan + $loanSquare);
        $waited = array_map(
            fn(WaitingHold $hold): float => $hold->placedAt === null
                ? 0.0
                : max(0.0, ($now->getTimestamp() - $hold->placedAt->getTimestamp()) / self::DAY),
            $line->ahead,
        );

        return new LongQueue($mean, max(0.0, $square - $mean ** 2), $free, 1 + $missed, $waited);
    }

    /** @return list<float> waits in days, as many as draws, shortest first; infinite where no copy was left */
    public function waits(Line $line, DateTimeImmutable $now, Randomizer $random, int $draws): array
    {
        return (new QueueSimulation($this->habits, $this->loans, $this->holdKeptHours))->waits(
            $line,
            $now,
            $random,
            $draws,
        );
    }
}
