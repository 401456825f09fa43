<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use App\Models\Card;
use App\Models\Person;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A card is of the person whose it is, and looked after by the staff of the library that gave it out. */
final class CardPolicy
{
    public function own(Person $person, Card $card): Response
    {
        return $card->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }

    public function serve(StaffMember $staff, Card $card): Response
    {
        return $card->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
