<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use App\Models\Card;
use App\Models\Person;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\DB;

/** A card is of the person whose it is, and looked after by the staff of the library that gave it out. */
final class CardPolicy
{
    public function own(Person $person, Card $card): Response
    {
        return $card->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }

    /** An adult in whose household the card is. */
    public function lookAfter(Person $person, Card $card): Response
    {
        return $this->isLookedAfter($person, $card) ? Response::allow() : Response::denyAsNotFound();
    }

    public function endHousehold(Person $person, Card $card): Response
    {
        return $card->person_id === $person->id || $this->isLookedAfter($person, $card)
            ? Response::allow()
            : Response::denyAsNotFound();
    }

    private function isLookedAfter(Person $person, Card $card): bool
    {
        return DB::table('household_cards')
            ->where(['person_id' => $person->id, 'card_id' => $card->id])
            ->exists();
    }

    public function serve(StaffMember $staff, Card $card): Response
    {
        return $card->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
