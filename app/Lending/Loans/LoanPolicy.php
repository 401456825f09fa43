<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Models\Loan;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** A loan is its patron's alone; to everyone else it does not exist. */
final class LoanPolicy
{
    public function own(Person $person, Loan $loan): Response
    {
        return $loan->card_id !== null && $person->cards->contains('id', $loan->card_id)
            ? Response::allow()
            : Response::denyAsNotFound();
    }
}
