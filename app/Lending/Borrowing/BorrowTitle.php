<?php

declare(strict_types=1);

namespace App\Lending\Borrowing;

use App\Lending\Expiry\EndDueLoans;
use App\Shared\Sql;
use App\Shared\SqlState;
use DateTimeImmutable;
use FigPorch\Core\Lending\AlreadyOnLoan;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refused;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/**
 * Reads without locks, lets the core decide, then writes once and only if what was read still holds; when it no longer
 * does, looks again.
 */
final class BorrowTitle
{
    private const TRIES = 5;

    /**
     * Raised by lending_borrow when the facts have changed, and by PostgreSQL for a loan that is there already and for
     * a deadlock.
     */
    private const LOOK_AGAIN = [
        SqlState::LimitReached,
        SqlState::ThereAlready,
        SqlState::ChangedMeanwhile,
        SqlState::Deadlock,
    ];

    public function __construct(
        private readonly EndDueLoans $endDueLoans,
        private readonly CountTurnaway $countTurnaway,
    ) {}

    /**
     * @param  LoanLength|null  $length  null for the default of the card's rules
     * @return AlreadyOnLoan|Refused|int the id of the new loan
     */
    public function __invoke(
        int $cardId,
        int $titleId,
        ?LoanLength $length,
        DateTimeImmutable $now,
    ): AlreadyOnLoan|Refused|int {
        for ($try = 1; ; $try++) {
            $facts = LendingFacts::load($cardId, $titleId, $now);
            if ($facts->overdueLoan && $try < self::TRIES) {
                ($this->endDueLoans)($now, titleId: $titleId);

                continue;
            }
            $decision = $facts->borrow($length, $now);
            if ($decision instanceof AlreadyOnLoan) {
                return $decision;
            }
            if ($decision instanceof Refused) {
                if (
                    $decision->reason->isTurnaway() &&
                    $try < self::TRIES &&
                    ($this->endDueLoans)($now, titleId: $titleId) > 0
                ) {
                    continue;
                }
                ($this->countTurnaway)($facts->card->libraryId, $titleId, $decision->reason, $now);

                return $decision;
            }
            try {
                return $this->write($cardId, $titleId, $facts, $decision, $now);
            } catch (QueryException $changed) {
                if ($try >= self::TRIES || !in_array(SqlState::of($changed), self::LOOK_AGAIN, true)) {
                    throw $changed;
                }
            }
        }
    }

    private function write(
        int $cardId,
        int $titleId,
        LendingFacts $facts,
        Granted $granted,
        DateTimeImmutable $now,
    ): int {
        return DB::selectOne('select lending_borrow(?, ?, ?, ?, ?, ?, ?, ?, ?) as id', [
            $cardId,
            $titleId,
            $granted->licence->id,
            Sql::timestamp($now),
            Sql::timestamp($granted->dueAt),
            $granted->length->code(),
            $facts->terms->maxLoans,
            $facts->terms->loansCountedByFormat ? $facts->format->value : null,
            $granted->licence->model === LicenceModel::PayPerLoan ? $facts->terms->payPerLoanMonthly : null,
        ])->id;
    }
}
