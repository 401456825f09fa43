<?php

declare(strict_types=1);

namespace App\Queries\Account;

use App\Models\Person;
use Illuminate\Support\Facades\DB;

/** How many notices a person has not seen yet. */
final class UnreadNotices
{
    public function count(Person $person): int
    {
        return DB::scalar('select count(*) from notices where person_id = ? and read_at is null and shown', [$person->id]);
    }
}
