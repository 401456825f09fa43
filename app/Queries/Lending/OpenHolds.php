<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use App\Models\Hold;
use App\Models\Person;
use DateTimeImmutable;
use FigPorch\Core\Lending\LatestTurn;
use FigPorch\Core\Lending\Licence;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** A person's open holds on all cards: the ready ones first, then by when they come. */
final class OpenHolds
{
    public function __construct(
        private readonly UsableLicences $usableLicences,
        private readonly Lines $lines,
        private readonly Rules $rules,
    ) {
    }

    /** @return Collection<int, HoldInSight> */
    public function of(Person $person, DateTimeImmutable $now): Collection
    {
        $holds = Hold::query()->whereIn('card_id', $person->cards->modelKeys())->whereNull('closed_at')
            ->with(['title.contributors', 'title.series'])->orderBy('line_at')->get();
        $person->giveCardsTo($holds);
        $ahead = DB::table('holds as own')->join('holds as h', fn ($join) => $join->on('h.title_id', '=', 'own.title_id')->on('h.library_id', '=', 'own.library_id')
            ->whereIn('h.state', ['waiting', 'paused'])->whereRaw('(h.line_at, h.id) < (own.line_at, own.id)'))
            ->whereIn('own.id', $holds->modelKeys())->groupBy('own.id')->selectRaw('own.id, count(*) n')->pluck('n', 'id');

        $seen = [];
        foreach ($holds->groupBy('library_id') as $libraryId => $ofLibrary) {
            $licences = $this->usableLicences->of((int) $libraryId, array_values(array_unique($ofLibrary->pluck('title_id')->all())));
            $lines = $this->lines->of((int) $libraryId, $licences);
            foreach ($ofLibrary as $hold) {
                $place = 1 + (int) ($ahead[$hold->id] ?? 0);
                $terms = $this->rules->terms($hold->library_id, $hold->card->patron_group, $hold->title->format);
                $seen[] = new HoldInSight(
                    $hold,
                    $place,
                    (int) array_sum(array_map(fn (Licence $l): int => $l->hasFuture($now) ? (int) $l->copies : 0, $licences[$hold->title_id])),
                    $hold->kept_until !== null ? null : LatestTurn::at($lines[$hold->title_id]['licences'], $place, $terms->longest(), $terms->holdKeptHours, $hold->card->library->zone(), $now),
                );
            }
        }

        return collect($seen)->sortBy(fn (HoldInSight $h): array => [
            $h->isReady() ? 0 : 1,
            ($h->hold->kept_until ?? $h->latest)?->getTimestamp() ?? PHP_INT_MAX,
            $h->hold->id,
        ])->values();
    }
}
