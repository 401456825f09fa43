<?php

declare(strict_types=1);

namespace App\Account\Privacy;

use App\Models\Person;
use Illuminate\Support\Facades\DB;

/**
 * Whether what a person has borrowed stays known to them once it is returned, and what they read of it. Off means off:
 * what was recorded goes at once, and the loans with the next turn of ForgetEndedLoans.
 */
final class KeepHistory
{
    public function __invoke(Person $person, bool $keep): void
    {
        DB::transaction(function () use ($person, $keep): void {
            $person->update(['keeps_history' => $keep]);
            if (!$keep) {
                DB::table('readings')->where('person_id', $person->id)->delete();
                DB::table('almanac_titles')->where('person_id', $person->id)->delete();
                $person->update(['goals' => null]);
            }
        });
    }
}
