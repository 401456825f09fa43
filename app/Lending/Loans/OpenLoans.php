<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Models\Loan;
use App\Models\Person;
use App\Models\Place;
use App\Shared\TitleNames;
use DateTimeImmutable;
use Illuminate\Support\Collection;

/** A person's open loans on all cards, soonest due first, with the newest place in each. */
final class OpenLoans
{
    /** @return Collection<int, LoanWithProgress> */
    public function of(Person $person, DateTimeImmutable $now): Collection
    {
        $loans = Loan::query()
            ->whereIn('card_id', $person->cards->modelKeys())
            ->whereNull('ended_at')
            ->where('due_at', '>', $now)
            ->orderBy('due_at')
            ->orderBy('id')
            ->get();
        TitleNames::bring($loans);
        $person->giveCardsTo($loans);
        $places = Place::query()
            ->where('person_id', $person->id)
            ->whereIn('title_id', $loans->pluck('title_id'))
            ->orderBy('read_at')
            ->get()
            ->keyBy('title_id');

        return $loans
            ->toBase()
            ->map(
                fn(Loan $loan): LoanWithProgress => new LoanWithProgress(
                    $loan,
                    $places[$loan->title_id] ?? null,
                    $loan->title->opens(),
                ),
            );
    }
}
