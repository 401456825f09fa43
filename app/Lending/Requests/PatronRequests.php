<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Lending\Borrowing\LendingFacts;
use App\Lending\LoanRules\LibraryRules;
use App\Models\Card;
use App\Models\Person;
use App\Models\Title;
use App\Models\TitleRequest;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\CardStanding;
use FigPorch\Core\Lending\Refused;
use FigPorch\Core\Lending\RequestDecision;
use Illuminate\Database\Eloquent\Collection;

/** What a person has asked their libraries for. */
final class PatronRequests
{
    private const MOST_SHOWN = 100;

    /** @return Collection<int, TitleRequest> open ones first, then the latest */
    public function of(Person $person): Collection
    {
        $requests = TitleRequest::query()
            ->whereIn('card_id', $person->cards->modelKeys())
            ->where('state', '<>', 'withdrawn')
            ->with(['title.contributors', 'title.series'])
            ->orderByRaw("state = 'open' desc, coalesce(answered_at, asked_at) desc")
            ->orderByDesc('id')
            ->limit(self::MOST_SHOWN)
            ->get();
        $cards = $person->cards->loadMissing('library')->keyBy('id');
        $requests->each(fn(TitleRequest $request) => $request->setRelation('card', $cards[$request->card_id]));

        return $requests;
    }

    /** Why the card cannot ask for the title just now; null where it can, also again. */
    public static function refusal(Card $card, Title $title, DateTimeImmutable $now): ?Refused
    {
        $facts = LendingFacts::load($card->id, $title->id, $now);
        $open = TitleRequest::query()
            ->where('card_id', $card->id)
            ->where('state', 'open')
            ->whereRaw('title_id is distinct from ?', [$title->id])
            ->count();

        return RequestDecision::refusal(
            card: $facts->card,
            terms: $facts->terms,
            titleAudience: $facts->audience,
            licences: $facts->licences,
            open: $open,
            now: $now,
        );
    }

    /** The same for a title that no catalogue here knows. */
    public static function refusalInWords(Card $card, DateTimeImmutable $now): ?Refused
    {
        $open = TitleRequest::query()->where('card_id', $card->id)->where('state', 'open')->count();

        return RequestDecision::refusal(
            card: new CardStanding(
                id: $card->id,
                libraryId: $card->library_id,
                blocked: $card->blocked_at !== null,
                expiresAt: $card->expires_at,
                loansOpen: 0,
                loansOpenOfFormat: 0,
                holdsOpen: 0,
                holdsOpenOfFormat: 0,
                blockReason: $card->block_reason,
            ),
            terms: app(LibraryRules::class)->terms($card->library_id, $card->patron_group, Format::Ebook),
            titleAudience: null,
            licences: [],
            open: $open,
            now: $now,
        );
    }

    public function open(Card $card, int $titleId): ?TitleRequest
    {
        return TitleRequest::query()
            ->where(['card_id' => $card->id, 'title_id' => $titleId, 'state' => 'open'])
            ->first();
    }
}
