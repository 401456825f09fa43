<?php

declare(strict_types=1);

namespace App\Queries\Reading;

use App\Models\Loan;
use App\Models\Person;
use DateTimeInterface;

/** The open loan that a person read in last, on any device. */
final class CurrentLoan
{
    public function of(Person $person, DateTimeInterface $now): ?Loan
    {
        return Loan::query()->select('loans.*')
            ->join('places', fn ($join) => $join->on('places.title_id', '=', 'loans.title_id')->where('places.person_id', $person->id))
            ->whereIn('card_id', $person->cards->modelKeys())->whereNull('ended_at')->where('due_at', '>', $now)
            ->orderByDesc('places.read_at')->with('title:id,name')->first();
    }
}
