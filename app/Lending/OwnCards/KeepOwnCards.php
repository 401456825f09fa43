<?php

declare(strict_types=1);

namespace App\Lending\OwnCards;

use App\Lending\Cards\JoinPeople;
use App\Models\Card;
use App\Models\Person;
use Illuminate\Support\Facades\DB;

/** A person puts their cards together, by names of their own, and takes them apart. */
final class KeepOwnCards
{
    public function __construct(private readonly JoinPeople $joinPeople) {}

    /** Another card of theirs, for which they have just shown the PIN. */
    public function add(Person $person, Card $card): AddedCard
    {
        return DB::transaction(function () use ($person, $card): AddedCard {
            // In one order, so that two who add each other's cards do not wait for one another.
            DB::select('select from people where id in (?, ?) order by id for update', [$person->id, $card->person_id]);
            $now = DB::selectOne('select person_id from cards where id = ? for update', [$card->id]);
            $outcome = match (true) {
                $now === null || $now->person_id !== $card->person_id => AddedCard::Changed,
                $card->person_id === $person->id => AddedCard::OwnAlready,
                Card::query()
                    ->where(['person_id' => $person->id, 'library_id' => $card->library_id])
                    ->exists()
                    => AddedCard::SameLibrary,
                Card::query()->where('person_id', $card->person_id)->whereKeyNot($card->id)->exists()
                    => AddedCard::WithOthers,
                default => AddedCard::Added,
            };
            if ($outcome === AddedCard::Added) {
                Card::query()
                    ->whereKey($card->id)
                    ->update(['person_id' => $person->id, 'is_first' => false]);
                ($this->joinPeople)($person->id, $card->person_id);
            }

            return $outcome;
        }, attempts: 3);
    }

    public function name(Card $card, string $name): void
    {
        $card->update(['own_name' => $name === '' ? null : $name]);
    }

    public function putFirst(Person $person, Card $card): void
    {
        DB::transaction(function () use ($person, $card): void {
            DB::select('select from people where id = ? for update', [$person->id]);
            Card::query()
                ->where('person_id', $person->id)
                ->where('is_first', true)
                ->update(['is_first' => false]);
            Card::query()
                ->where(['id' => $card->id, 'person_id' => $person->id])
                ->update(['is_first' => true]);
        });
    }

    /**
     * The card stands alone again, with what was borrowed with it; marks, baskets and choices stay here.
     *
     * @return bool false where it is the only one, or something is open on it
     */
    public function remove(Person $person, Card $card): bool
    {
        return DB::transaction(function () use ($person, $card): bool {
            DB::select('select from people where id = ? for update', [$person->id]);
            $now = DB::selectOne('select loans_open, holds_open from cards where id = ? and person_id = ? for update', [
                $card->id,
                $person->id,
            ]);
            $count = Card::query()->where('person_id', $person->id)->count();
            if ($now === null || $now->loans_open > 0 || $now->holds_open > 0 || $count < 2) {
                return false;
            }
            $alone = Person::query()->create([
                'name' => $person->name,
                'email' => $person->email,
                'locale' => $person->locale,
                'keeps_history' => $person->keeps_history,
            ]);
            Card::query()
                ->whereKey($card->id)
                ->update(['person_id' => $alone->id, 'is_first' => false, 'own_name' => null]);

            return true;
        });
    }
}
