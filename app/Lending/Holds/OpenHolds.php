<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Lending\Licences\UsableLicences;
use App\Lending\Queues\HoldQueues;
use App\Lending\Waits\WaitEstimates;
use App\Models\Hold;
use App\Models\Person;
use App\Shared\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use FigPorch\Core\Lending\LineLicence;
use Illuminate\Support\Collection;

/** A person's open holds on all cards: the ready ones first, then by when they come. */
final class OpenHolds
{
    public function __construct(
        private readonly UsableLicences $usableLicences,
        private readonly HoldQueues $lines,
        private readonly WaitEstimates $turns,
    ) {}

    /** @return Collection<int, HoldWithEstimate> */
    public function of(Person $person, DateTimeImmutable $now): Collection
    {
        $holds = Hold::query()
            ->whereIn('card_id', $person->cards->modelKeys())
            ->whereNull('closed_at')
            ->orderBy('line_at')
            ->get();
        TitleNames::bring($holds);
        $person->giveCardsTo($holds);

        $seen = [];
        foreach ($holds->groupBy('library_id') as $libraryId => $ofLibrary) {
            $licences = $this->usableLicences->of(
                (int) $libraryId,
                array_values(array_unique($ofLibrary->pluck('title_id')->all())),
                $now,
            );
            $lines = $this->lines->of((int) $libraryId, $licences);
            foreach ($ofLibrary as $hold) {
                $line = $lines[$hold->title_id];
                $before = array_slice($line['waiting'], 0, (int) array_search($hold->id, $line['holds'], true));
                $seen[] = new HoldWithEstimate(
                    $hold,
                    count($before) + 1,
                    (int) array_sum(
                        array_map(
                            fn(Licence $l): int => $l->hasFuture($now) ? (int) $l->copies : 0,
                            $licences[$hold->title_id],
                        ),
                    ),
                    $hold->kept_until !== null
                        ? null
                        : $this->turns->of(
                            library: $hold->card->library,
                            format: $hold->title->format,
                            licences: $line['licences'],
                            ahead: $before,
                            pausedUntil: $hold->paused_until,
                            now: $now,
                        ),
                    LineLicence::onOrder($line['licences']),
                );
            }
        }

        return collect($seen)
            ->sortBy(
                fn(HoldWithEstimate $h): array => [
                    $h->isReady() ? 0 : 1,
                    ($h->hold->kept_until ?? $h->turn?->middle)?->getTimestamp() ?? PHP_INT_MAX,
                    $h->hold->id,
                ],
            )
            ->values();
    }
}
