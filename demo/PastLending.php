<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Models\Licence;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\RandomVariates;
use FigPorch\Core\Lending\Simulation\Behaviour;
use FigPorch\Core\Lending\Simulation\SimulatedHold;
use FigPorch\Core\Lending\Simulation\SimulatedLoan;
use FigPorch\Core\Lending\Simulation\TitleYears;
use Random\Randomizer;

/**
 * Years of lending of one licence, simulated by the rules of the line; what was over by a day, as rows of loans and
 * holds without patrons.
 */
final class PastLending
{
    private const KEPT_HOURS = 72;

    /** Copies that stand for a licence without a number of them. */
    private const MANY = 6;

    public function __construct(private readonly Randomizer $random) {}

    /**
     * @param  float  $wanted  by how many patrons a month
     * @param  int  $most  loans that the licence may have spent
     * @return array{loans: list<array<string, mixed>>, holds: list<array<string, mixed>>}
     */
    public function of(Licence $licence, float $wanted, CarbonImmutable $until, int $most): array
    {
        $days = ($until->getTimestamp() - $licence->starts_at->getTimestamp()) / 86400;
        if ($days <= 1 || $most < 1) {
            return ['loans' => [], 'holds' => []];
        }
        $years = new TitleYears(
            $licence->copies ?? self::MANY,
            self::KEPT_HOURS / 24,
            self::behaviour($wanted / 30),
            $this->random,
        );
        $years->run($days);
        $at = fn(float $day): CarbonImmutable => $licence->starts_at->addSeconds((int) round($day * 86400));

        $loans = array_map(
            fn(SimulatedLoan $loan): array => [
                'card_id' => null,
                'title_id' => $licence->title_id,
                'licence_id' => $licence->id,
                'length' => $loan->length->code(),
                'started_at' => $at($loan->start),
                'due_at' => $at($loan->due),
                'ended_at' => $at($loan->end),
                'end_reason' => $loan->end >= $loan->due ? 'expired' : 'returned',
            ],
            array_slice($years->loans, 0, $most),
        );
        $closed = array_filter(
            $years->holds,
            fn(SimulatedHold $hold): bool => ($hold->takenAt ?? $hold->cancelledAt) !== null,
        );
        $holds = array_map(
            fn(SimulatedHold $hold): array => [
                'card_id' => null,
                'library_id' => $licence->library_id,
                'title_id' => $licence->title_id,
                'state' => $hold->takenAt !== null ? 'filled' : ($hold->misses > 1 ? 'lapsed' : 'cancelled'),
                'placed_at' => $at($hold->placedAt),
                'line_at' => $at($hold->placedAt),
                'misses' => $hold->misses,
                'ready_at' => $hold->readyAt === null ? null : $at($hold->readyAt),
                'closed_at' => $at($hold->takenAt ?? (float) $hold->cancelledAt),
            ],
            array_values($closed),
        );

        return ['loans' => $loans, 'holds' => $holds];
    }

    private static function behaviour(float $perDay): Behaviour
    {
        return new Behaviour(
            wanted: fn(float $day, Randomizer $r): float => RandomVariates::exponential($r, 1 / max($perDay, 1e-4)),
            length: fn(Randomizer $r): LoanLength => LoanLength::days([7, 14, 14, 21][$r->getInt(0, 3)]),
            kept: fn(float $days, Randomizer $r): float => RandomVariates::share($r) < 0.4
                ? $days
                : max(0.02, $days * RandomVariates::share($r) ** 0.7),
            pickUp: fn(float $kept, Randomizer $r): float => RandomVariates::share($r) < 0.1
                ? $kept * 2
                : $kept * RandomVariates::share($r) ** 2,
            patience: fn(Randomizer $r): float => RandomVariates::exponential($r, 200),
        );
    }
}
