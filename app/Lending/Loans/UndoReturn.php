<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Lending\Borrowing\LendingFacts;
use App\Lending\Licences\UsableLicences;
use App\Shared\Sql;
use App\Shared\SqlState;
use DateTimeImmutable;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** Takes a return back, for as long as the copy has gone to nobody else and the card may have the loan. */
final class UndoReturn
{
    /** How long after a return it can be taken back. */
    private const MINUTES = 30;

    private const TRIES = 3;

    public function __invoke(int $loanId, DateTimeImmutable $now): true|Refused
    {
        $since = $now->modify('-' . self::MINUTES . ' minutes');
        for ($try = 1; ; $try++) {
            $loan = DB::selectOne(
                "select l.card_id, l.title_id, li.* from loans l join licences li on li.id = l.licence_id
                    where l.id = ? and l.end_reason = 'returned' and l.ended_at > ? and l.due_at > ?
                        and l.card_id is not null",
                [$loanId, Sql::timestamp($since), Sql::timestamp($now)],
            );
            if ($loan === null) {
                // A second click finds it open already: that is what was wished.
                $isOpen = DB::scalar('select ended_at is null and due_at > ? from loans where id = ?', [
                    Sql::timestamp($now),
                    $loanId,
                ]);

                return $isOpen ? true : new Refused(Refusal::NoCopyFree);
            }
            $facts = LendingFacts::load($loan->card_id, $loan->title_id, $now);
            $refused = $facts->undo(UsableLicences::fromRow($loan), $now);
            if ($refused !== null) {
                return $refused;
            }
            try {
                DB::select('select lending_undo_return(?, ?, ?, ?, ?)', [
                    $loanId,
                    Sql::timestamp($now),
                    Sql::timestamp($since),
                    $facts->terms->maxLoans,
                    $facts->terms->loansCountedByFormat ? $facts->format->value : null,
                ]);

                return true;
            } catch (QueryException $changed) {
                // What was seen is so no more: seen again, it is refused with the reason.
                if (SqlState::of($changed) === null || $try >= self::TRIES) {
                    throw $changed;
                }
            }
        }
    }
}
