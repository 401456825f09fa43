<?php

declare(strict_types=1);

namespace App\Account\Notices;

use App\Models\Person;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;
use stdClass;

/** What each page of a person shows besides its own. */
final class HeadOfPage
{
    /**
     * @return stdClass unread: how many notices they have not seen yet; loan_id, loan_name and loan_format: the open
     *     loan read in last, or null
     */
    public function of(Person $person, DateTimeInterface $now): stdClass
    {
        return DB::selectOne('select * from head_of_page(?, ?, ?)', [
            $person->id,
            '{' . $person->cards->implode('id', ',') . '}',
            $now,
        ]);
    }
}
