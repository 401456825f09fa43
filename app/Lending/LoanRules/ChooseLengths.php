<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

use App\Models\Person;
use FigPorch\Core\Lending\LoanLength;
use Illuminate\Support\Facades\DB;

/** Sets a person's own default lengths; where they choose none, the library's default holds. */
final class ChooseLengths
{
    /** @param  array<string, LoanLength>  $lengths  by format */
    public function __invoke(Person $person, array $lengths): void
    {
        DB::transaction(function () use ($person, $lengths): void {
            DB::table('own_lengths')->where('person_id', $person->id)->delete();
            foreach ($lengths as $format => $length) {
                DB::table('own_lengths')->insert([
                    'person_id' => $person->id,
                    'format' => $format,
                    'length' => $length->code(),
                ]);
            }
        });
    }
}
