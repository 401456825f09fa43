<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Lending\Borrowing\LendingFacts;
use App\Models\Loan;
use App\Shared\Sql;
use App\Shared\SqlState;
use DateTimeImmutable;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refused;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** Makes a short look a loan of days; as borrowing does, it reads without locks, decides, and writes if that still holds. */
final class KeepLonger
{
    private const TRIES = 5;

    private const LOOK_AGAIN = [SqlState::ChangedMeanwhile, SqlState::Deadlock];

    public function __construct(private readonly RenewalFacts $facts) {}

    /** @param  LoanLength|null  $length  null for the usual one */
    public function __invoke(Loan $loan, ?LoanLength $length, DateTimeImmutable $now): Granted|Refused
    {
        for ($try = 1; ; $try++) {
            $loan->refresh();
            $card = LendingFacts::load((int) $loan->card_id, $loan->title_id, $now);
            [$decision, $waitingAllowed] = $this->facts->longer($loan, $card, $length, $now);
            if ($decision instanceof Refused) {
                return $decision;
            }
            try {
                DB::select('select lending_longer(?, ?, ?, ?, ?, ?::boolean)', [
                    $loan->id,
                    Sql::timestamp($now),
                    $loan->getRawOriginal('due_at'),
                    Sql::timestamp($decision->dueAt),
                    $decision->length->code(),
                    $waitingAllowed ? 't' : 'f',
                ]);

                return $decision;
            } catch (QueryException $changed) {
                if ($try >= self::TRIES || !in_array(SqlState::of($changed), self::LOOK_AGAIN, true)) {
                    throw $changed;
                }
            }
        }
    }
}
