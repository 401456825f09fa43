<?php

declare(strict_types=1);

namespace App\Queries\Account;

use App\Models\Notice;
use App\Models\Person;

/** How many notices a person has not seen yet. */
final class UnreadNotices
{
    public function count(Person $person): int
    {
        return Notice::query()->where('person_id', $person->id)->whereNull('read_at')->where('shown', true)->count();
    }
}
