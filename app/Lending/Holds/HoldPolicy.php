<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Models\Hold;
use App\Models\Person;

final class HoldPolicy
{
    public function own(Person $person, Hold $hold): bool
    {
        return $person->cards->contains('id', $hold->card_id);
    }
}
