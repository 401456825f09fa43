<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Lending\Borrowing\LendingFacts;
use App\Models\Loan;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;

/** Makes a short look a loan of days. */
final class KeepLonger
{
    public function __construct(private readonly RenewalFacts $facts) {}

    /** @param  LoanLength|null  $length  null for the usual one */
    public function __invoke(Loan $loan, ?LoanLength $length, DateTimeImmutable $now): Granted|Refused
    {
        return LookAgain::until($loan, function () use ($loan, $length, $now): array {
            $card = LendingFacts::load((int) $loan->card_id, $loan->title_id, $now);
            [$decision, $waitingAllowed] = $this->facts->longer($loan, $card, $length, $now);
            $write = fn(Granted $of): array => DB::select('select lending_longer(?, ?, ?, ?, ?, ?::boolean)', [
                $loan->id,
                Sql::timestamp($now),
                $loan->getRawOriginal('due_at'),
                Sql::timestamp($of->dueAt),
                $of->length->code(),
                $waitingAllowed ? 't' : 'f',
            ]);

            return [$decision, $write];
        });
    }
}
