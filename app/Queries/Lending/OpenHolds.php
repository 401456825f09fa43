<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use App\Models\Hold;
use App\Models\Person;
use App\Queries\Catalogue\TitleNames;
use DateTimeImmutable;
use FigPorch\Core\Lending\Licence;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** A person's open holds on all cards: the ready ones first, then by when they come. */
final class OpenHolds
{
    public function __construct(
        private readonly UsableLicences $usableLicences,
        private readonly Lines $lines,
        private readonly Turns $turns,
    ) {
    }

    /** @return Collection<int, HoldInSight> */
    public function of(Person $person, DateTimeImmutable $now): Collection
    {
        $holds = Hold::query()->whereIn('card_id', $person->cards->modelKeys())->whereNull('closed_at')
            ->with('title')->orderBy('line_at')->get();
        TitleNames::giveTo($holds->pluck('title'));
        $person->giveCardsTo($holds);
        $ahead = $this->ahead($holds->pluck('id')->all());

        $seen = [];
        foreach ($holds->groupBy('library_id') as $libraryId => $ofLibrary) {
            $licences = $this->usableLicences->of((int) $libraryId, array_values(array_unique($ofLibrary->pluck('title_id')->all())), $now);
            $copies = $this->lines->copies($licences);
            foreach ($ofLibrary as $hold) {
                $before = $ahead[$hold->id] ?? [];
                $seen[] = new HoldInSight(
                    $hold,
                    count($before) + 1,
                    (int) array_sum(array_map(fn (Licence $l): int => $l->hasFuture($now) ? (int) $l->copies : 0, $licences[$hold->title_id])),
                    $hold->kept_until !== null ? null : $this->turns->of($hold->card->library, $hold->title->format, $copies[$hold->title_id], $before, $hold->paused_until, $now),
                );
            }
        }

        return collect($seen)->sortBy(fn (HoldInSight $h): array => [
            $h->isReady() ? 0 : 1,
            ($h->hold->kept_until ?? $h->turn?->middle)?->getTimestamp() ?? PHP_INT_MAX,
            $h->hold->id,
        ])->values();
    }

    /**
     * @param  array<int>  $holdIds
     * @return array<int, list<DateTimeImmutable|null>> by hold, of each of the library's holds before it until when it is paused
     */
    private function ahead(array $holdIds): array
    {
        $rows = DB::select(
            "select own.id, h.paused_until from holds own join holds h on h.title_id = own.title_id and h.library_id = own.library_id
                and h.state in ('waiting', 'paused') and (h.line_at, h.id) < (own.line_at, own.id) where own.id = any(?::bigint[]) order by own.id, h.line_at, h.id",
            ['{'.implode(',', $holdIds).'}'],
        );
        $ahead = [];
        foreach ($rows as $row) {
            $ahead[$row->id][] = $row->paused_until === null ? null : new DateTimeImmutable($row->paused_until);
        }

        return $ahead;
    }
}
