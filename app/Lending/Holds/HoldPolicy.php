<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Models\Hold;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** A hold is its patron's alone; to everyone else it does not exist. */
final class HoldPolicy
{
    public function own(Person $person, Hold $hold): Response
    {
        return $person->cards->contains('id', $hold->card_id) ? Response::allow() : Response::denyAsNotFound();
    }
}
