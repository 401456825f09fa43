<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Lending\Queues\AssignFreedCopy;
use App\Shared\Sql;
use App\Shared\SqlState;
use DateTimeImmutable;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Ends a loan before it is due and passes its copy on, in one transaction. Rows are taken in the order card, loan,
 * licence.
 */
final class ReturnLoan
{
    public function __construct(private readonly AssignFreedCopy $assignFreedCopy) {}

    /** @return bool false when the loan was over already */
    public function __invoke(int $loanId, DateTimeImmutable $now): bool
    {
        // Most returns are of titles that nobody waits for: one statement, where no transaction is open already.
        if (DB::transactionLevel() === 0) {
            try {
                $loan = $this->end($loanId, $now, pass: false);
                if ($loan === null || !$loan->awaited) {
                    return $loan !== null;
                }
            } catch (QueryException $awaited) {
                if (SqlState::of($awaited) !== SqlState::OthersWait) {
                    throw $awaited;
                }
            }
        }

        return DB::transaction(function () use ($loanId, $now): bool {
            $loan = $this->end($loanId, $now, pass: true);
            if ($loan?->awaited) {
                $this->assignFreedCopy->returned([$loan->line], $now);
            }

            return $loan !== null;
        }, attempts: 5);
    }

    private function end(int $loanId, DateTimeImmutable $now, bool $pass): ?stdClass
    {
        $json = DB::scalar('select lending_end_loan(?, ?, ?)', [$loanId, Sql::timestamp($now), $pass ? 't' : 'f']);

        return is_string($json) ? json_decode($json) : null;
    }
}
