<?php

declare(strict_types=1);

namespace App\Queries\Lending;

use App\Models\Card;
use App\Models\Person;
use App\Models\TitleRequest;
use Illuminate\Database\Eloquent\Collection;

/** What a person has asked their libraries for. */
final class Requests
{
    private const MOST_SHOWN = 100;

    /** @return Collection<int, TitleRequest> open ones first, then the latest */
    public function of(Person $person): Collection
    {
        $requests = TitleRequest::query()->whereIn('card_id', $person->cards->modelKeys())->where('state', '<>', 'withdrawn')->with(['title.contributors', 'title.series'])
            ->orderByRaw("state = 'open' desc, coalesce(answered_at, asked_at) desc")->orderByDesc('id')->limit(self::MOST_SHOWN)->get();
        $cards = $person->cards->loadMissing('library')->keyBy('id');
        $requests->each(fn (TitleRequest $request) => $request->setRelation('card', $cards[$request->card_id]));

        return $requests;
    }

    public function open(Card $card, int $titleId): ?TitleRequest
    {
        return TitleRequest::query()->where(['card_id' => $card->id, 'title_id' => $titleId, 'state' => 'open'])->first();
    }
}
