<?php

declare(strict_types=1);

namespace App\Lending\LoanRules;

use App\Models\Person;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use Illuminate\Support\Facades\DB;

/** The loan lengths that a person's cards offer, and which of them they chose as their own default. */
final class LengthChoices
{
    public function __construct(private readonly LibraryRules $rules) {}

    /** @return array<string, array<string, LoanLength>> by format and code, the shortest first */
    public function offered(Person $person): array
    {
        $offered = [];
        foreach (Format::lent() as $format) {
            $lengths = [];
            foreach ($person->cards as $card) {
                foreach ($this->rules->terms($card->library_id, $card->patron_group, $format)->lengths as $length) {
                    $lengths[$length->code()] = $length;
                }
            }
            uasort($lengths, fn(LoanLength $a, LoanLength $b): int => $a->nominalHours() <=> $b->nominalHours());
            $offered[$format->value] = $lengths;
        }

        return $offered;
    }

    /** @return array<string, string> code of the default length by format; only where one was chosen */
    public function chosen(Person $person): array
    {
        return DB::table('own_lengths')->where('person_id', $person->id)->pluck('length', 'format')->all();
    }
}
