<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

use Illuminate\Support\Facades\DB;

/** The groups of patrons that a library has: those that its rules name, and those that its cards are in. */
final class PatronGroups
{
    /** @return list<string> */
    public function of(int $libraryId): array
    {
        // From one group to the next by the index, however many cards are in each.
        $rows = DB::select(
            'with recursive used as (
                (select patron_group g from cards where library_id = :one order by 1 limit 1)
                union all select (select patron_group from cards where library_id = :two and patron_group > used.g
                    order by 1 limit 1) from used where used.g is not null)
            select g from used where g is not null
            union select patron_group from loan_rules
                where library_id = :three and patron_group is not null order by 1',
            ['one' => $libraryId, 'two' => $libraryId, 'three' => $libraryId],
        );

        return array_column($rows, 'g');
    }
}
