<?php

declare(strict_types=1);

namespace App\Lending\Porch;

use App\Lending\Holds\HoldWithEstimate;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\Loans\LoanWithProgress;
use App\Models\Card;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\Spread;
use Illuminate\Support\Collection;

/** Due dates and expected holds, and what would pile up. */
final class ComingUp
{
    public function __construct(private readonly LibraryRules $rules) {}

    /**
     * Copies that are kept, to the time until which; loans, to their due time; holds, over their likely range.
     *
     * @param  Collection<int, LoanWithProgress>  $loans
     * @param  Collection<int, HoldWithEstimate>  $holds
     * @return list<ComingDate>
     */
    public function dates(Collection $loans, Collection $holds, DateTimeImmutable $now): array
    {
        $ready = $holds->filter(fn(HoldWithEstimate $in): bool => $in->isReady());
        $zone = fn(HoldWithEstimate $in): DateTimeZone => $in->hold->card->library->zone();

        return [
            ...$ready->map(
                fn(HoldWithEstimate $in): ComingDate => new ComingDate(
                    'ready',
                    $in->hold->title,
                    $zone($in),
                    $now,
                    $in->hold->kept_until,
                ),
            ),
            ...$loans->map(
                fn(LoanWithProgress $on): ComingDate => new ComingDate(
                    $on->loan->due_at < $now->modify('+3 days') ? 'due_soon' : 'loan',
                    $on->loan->title,
                    $on->loan->card?->library->zone() ?? new DateTimeZone('UTC'),
                    $now,
                    $on->loan->due_at,
                ),
            ),
            ...$holds
                ->reject(fn(HoldWithEstimate $in): bool => $in->isReady())
                ->map(
                    fn(HoldWithEstimate $in): ComingDate => new ComingDate(
                        kind: 'hold',
                        title: $in->hold->title,
                        zone: $zone($in),
                        from: $in->turn->from ?? $now,
                        to: $in->turn?->to,
                        middle: $in->turn?->middle,
                        latest: $in->turn?->latest,
                    ),
                ),
        ];
    }

    /**
     * Holds that would come while their card is at its limit, with the date until which each can be paused to find
     * room.
     *
     * @param  Collection<int, LoanWithProgress>  $loans
     * @param  Collection<int, HoldWithEstimate>  $holds
     * @return list<array{hold: HoldWithEstimate, until: DateTimeImmutable, limit: int}>
     */
    public function pileUp(Collection $loans, Collection $holds): array
    {
        $found = [];
        foreach ($holds->groupBy(fn(HoldWithEstimate $in): int => $in->hold->card_id) as $cardId => $ofCard) {
            /** @var Card $card */
            $card = $ofCard->firstOrFail()->hold->card;
            $terms = $this->rules->terms($card->library_id, $card->patron_group, Format::Ebook);
            $arrivals = [];
            foreach ($ofCard as $in) {
                if (!$in->isReady() && $in->turn?->middle !== null) {
                    $arrivals[$in->hold->id] = $in->turn->middle;
                }
            }
            $ends = $loans
                ->filter(fn(LoanWithProgress $on): bool => $on->loan->card_id === $cardId)
                ->map(fn(LoanWithProgress $on): DateTimeImmutable => $on->loan->due_at)
                ->values()
                ->all();
            $pauses = Spread::pauses(
                array_values($ends),
                $arrivals,
                $terms->maxLoans,
                $terms->defaultLength,
                $card->library->zone(),
            );
            foreach ($ofCard as $in) {
                if (isset($pauses[$in->hold->id])) {
                    $found[] = ['hold' => $in, 'until' => $pauses[$in->hold->id], 'limit' => $terms->maxLoans];
                }
            }
        }

        return $found;
    }
}
