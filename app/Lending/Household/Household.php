<?php

declare(strict_types=1);

namespace App\Lending\Household;

use App\Lending\LoanRules\LibraryRules;
use App\Models\Card;
use App\Models\Hold;
use App\Models\Loan;
use App\Models\Person;
use App\Models\Title;
use App\Shared\TitleNames;
use DateTimeImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The cards of children that an adult looks after: what is on loan now and until when, and what is waited for. What was
 * given back is not here, nor how far a child has read.
 */
final class Household
{
    public function __construct(private readonly LibraryRules $rules) {}

    /** @return Collection<int, Card> */
    public function cards(Person $adult): Collection
    {
        return Card::query()
            ->with(['person', 'library'])
            ->whereIn('id', fn($of) => $of->select('card_id')->from('household_cards')->where('person_id', $adult->id))
            ->orderBy('id')
            ->get();
    }

    /** @return Collection<int, Card> those that may have a title: nothing is offered that would be refused */
    public function cardsFor(Person $adult, Title $title): Collection
    {
        return $this->cards($adult)->filter(
            fn(Card $card): bool => $this->rules->usual($card)->audienceCeiling->covers($title->audience),
        );
    }

    /** @return list<array{card: Card, loans: Collection<int, Loan>, holds: Collection<int, Hold>}> */
    public function of(Person $adult, DateTimeImmutable $now): array
    {
        $household = [];
        foreach ($this->cards($adult) as $card) {
            $loans = Loan::query()
                ->where('card_id', $card->id)
                ->whereNull('ended_at')
                ->where('due_at', '>', $now)
                ->orderBy('due_at')
                ->orderBy('id')
                ->get();
            $holds = Hold::query()->where('card_id', $card->id)->whereNull('closed_at')->orderBy('line_at')->get();
            TitleNames::bring($loans);
            TitleNames::bring($holds);
            $household[] = ['card' => $card, 'loans' => $loans, 'holds' => $holds];
        }

        return $household;
    }

    /**
     * @return list<stdClass> who looks after the card, or any of a person: card_id, person_id, name, and whether they
     *     have a card at the library of the child's (is_here)
     */
    public function adultsOf(Person|Card $child): array
    {
        $of = $child instanceof Card ? 'c.id' : 'c.person_id';

        return array_values(
            DB::select(
                "select h.card_id, h.person_id, p.name, exists (select from cards own where own.person_id = p.id
                    and own.library_id = c.library_id) as is_here
                from household_cards h join cards c on c.id = h.card_id join people p on p.id = h.person_id
                where {$of} = ? order by h.since, p.id",
                [$child->id],
            ),
        );
    }
}
