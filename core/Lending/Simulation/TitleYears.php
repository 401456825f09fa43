<?php

declare(strict_types=1);

namespace FigPorch\Core\Lending\Simulation;

use Closure;
use FigPorch\Core\Lending\MissedHold;
use Random\Randomizer;
use SplMinHeap;

/**
 * Years of lending of one title with a number of copies, event by event, by the rules of the line: a copy that comes
 * free is kept for the next hold that is not paused; one not taken in time drops back once and lapses the second time.
 * Days are of 24 hours, counted from the beginning.
 */
final class TitleYears
{
    /** @var SplMinHeap<array{float, int, Closure(): void}> */
    private SplMinHeap $events;

    private int $order = 0;

    private float $day = 0.0;

    private int $free;

    /** @var array<int, SimulatedLoan> by the order they began in */
    public array $running = [];

    /** @var list<SimulatedLoan> in the order they ended in */
    public array $loans = [];

    /** @var array<int, SimulatedHold> in line order */
    public array $line = [];

    /** @var array<int, array{SimulatedHold, float}> holds with a copy kept for them, and until when */
    public array $ready = [];

    /** @var list<SimulatedHold> all holds placed */
    public array $holds = [];

    /**
     * @param  Closure(SimulatedHold, self, float): void|null  $onHold  sees each hold as it is placed, with the line as
     *     it stands
     */
    public function __construct(
        private readonly int $copies,
        private readonly float $keptDays,
        private readonly Behaviour $behaviour,
        private readonly Randomizer $random,
        private readonly ?Closure $onHold = null,
    ) {
        $this->free = $copies;
        $this->events = new SplMinHeap();
    }

    public function run(float $days): void
    {
        $this->at(($this->behaviour->wanted)(0.0, $this->random), fn() => $this->wanted());
        while (!$this->events->isEmpty()) {
            [$day, , $event] = $this->events->extract();
            if ($day > $days) {
                break;
            }
            $this->day = $day;
            $event();
        }
    }

    public function copiesFree(): int
    {
        return $this->free;
    }

    public function copies(): int
    {
        return $this->copies;
    }

    /** @param  Closure(): void  $event */
    private function at(float $day, Closure $event): void
    {
        $this->events->insert([$day, $this->order++, $event]);
    }

    private function wanted(): void
    {
        $this->at($this->day + ($this->behaviour->wanted)($this->day, $this->random), fn() => $this->wanted());
        if ($this->free > 0) {
            $this->free--;
            $this->lend();

            return;
        }
        $hold = new SimulatedHold(
            count($this->holds),
            $this->day,
            $this->day + ($this->behaviour->patience)($this->random),
        );
        if ($this->onHold !== null) {
            ($this->onHold)($hold, $this, $this->day);
        }
        $this->holds[] = $hold;
        $this->line[$hold->id] = $hold;
        if (is_finite($hold->cancelsAt)) {
            $this->at($hold->cancelsAt, fn() => $this->cancel($hold));
        }
    }

    private function lend(): void
    {
        $length = ($this->behaviour->length)($this->random);
        $days = $length->nominalHours() / 24;
        $loan = new SimulatedLoan(
            $length,
            $this->day,
            $this->day + $days,
            $this->day + min($days, ($this->behaviour->kept)($days, $this->random)),
        );
        $id = $this->order;
        $this->running[$id] = $loan;
        $this->at($loan->end, function () use ($id, $loan): void {
            unset($this->running[$id]);
            $this->loans[] = $loan;
            $this->passOn();
        });
    }

    private function cancel(SimulatedHold $hold): void
    {
        if (isset($this->line[$hold->id])) {
            unset($this->line[$hold->id]);
            $hold->cancelledAt = $this->day;
        }
    }

    /** A copy has come out of use. */
    private function passOn(): void
    {
        foreach ($this->line as $hold) {
            if ($hold->pausedUntil <= $this->day) {
                $this->keepFor($hold);

                return;
            }
        }
        $this->free++;
    }

    private function keepFor(SimulatedHold $hold): void
    {
        unset($this->line[$hold->id]);
        $hold->readyAt ??= $this->day;
        $until = $this->day + $this->keptDays;
        $this->ready[$hold->id] = [$hold, $until];
        $taken = $this->day + ($this->behaviour->pickUp)($this->keptDays, $this->random);
        if ($taken <= $until) {
            $this->at($taken, function () use ($hold): void {
                unset($this->ready[$hold->id]);
                $hold->takenAt = $this->day;
                $this->lend();
            });
        } else {
            $this->at($until, fn() => $this->missed($hold));
        }
    }

    private function missed(SimulatedHold $hold): void
    {
        unset($this->ready[$hold->id]);
        if ($hold->misses++ === 0) {
            $hold->pausedUntil = $this->day + MissedHold::PAUSE_DAYS;
            $this->dropBack($hold);
            $this->at($hold->pausedUntil, fn() => $this->resumed());
        } else {
            $hold->cancelledAt = $this->day;
        }
        $this->passOn();
    }

    private function dropBack(SimulatedHold $hold): void
    {
        $line = [];
        $placed = false;
        foreach ($this->line as $id => $other) {
            $line[$id] = $other;
            if (!$placed && $other->pausedUntil <= $this->day) {
                $line[$hold->id] = $hold;
                $placed = true;
            }
        }
        $this->line = $placed ? $line : [$hold->id => $hold] + $line;
    }

    /** A pause is over: a copy that was left free meanwhile is given at once. */
    private function resumed(): void
    {
        if ($this->free > 0 && $this->line !== []) {
            $this->free--;
            $this->passOn();
        }
    }
}
