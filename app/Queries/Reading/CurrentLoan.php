<?php

declare(strict_types=1);

namespace App\Queries\Reading;

use App\Models\Person;
use DateTimeInterface;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The open loan that a person read in last, on any device. */
final class CurrentLoan
{
    /** @return stdClass|null the loan's id and its title's name */
    public function of(Person $person, DateTimeInterface $now): ?stdClass
    {
        return DB::table('loans')->join('titles', 'titles.id', '=', 'title_id')
            ->join('places', fn ($join) => $join->on('places.title_id', '=', 'loans.title_id')->where('places.person_id', $person->id))
            ->whereIn('card_id', $person->cards->modelKeys())->whereNull('ended_at')->where('due_at', '>', $now)
            ->orderByDesc('places.read_at')->first(['loans.id', 'titles.name']);
    }
}
