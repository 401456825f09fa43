<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Lending\Borrowing\LendingFacts;
use App\Models\Loan;
use App\Shared\Sql;
use DateTimeImmutable;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;

/** Renews a loan; as borrowing does, it reads without locks, decides, and writes only if what was read still holds. */
final class RenewLoan
{
    public function __construct(private readonly RenewalFacts $renewalFacts) {}

    /** @param  LoanLength|null  $length  null for the default */
    public function __invoke(Loan $loan, ?LoanLength $length, DateTimeImmutable $now): Granted|Refused
    {
        return LookAgain::until($loan, function () use ($loan, $length, $now): array {
            $card = LendingFacts::load((int) $loan->card_id, $loan->title_id, $now);
            [$decision, $waitingAllowed] = $this->renewalFacts->decide($loan, $card, $length, $now);
            $write = fn(Granted $of): array => DB::select('select lending_renew(?, ?, ?, ?, ?, ?::boolean)', [
                $loan->id,
                Sql::timestamp($now),
                $loan->getRawOriginal('due_at'),
                Sql::timestamp($of->dueAt),
                $of->licence->model === LicenceModel::PayPerLoan ? $card->terms->payPerLoanMonthly : null,
                $waitingAllowed ? 't' : 'f',
            ]);

            return [$decision, $write];
        });
    }
}
