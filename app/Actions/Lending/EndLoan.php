<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Actions\Account\GiveNotice;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Ends a loan and passes its copy on, in one transaction. Rows are taken in the order card, loan, licence. */
final class EndLoan
{
    private const OTHERS_WAIT = 'FP004';

    public function __construct(private readonly PassCopyOn $passCopyOn, private readonly GiveNotice $giveNotice)
    {
    }

    /**
     * @param  'returned'|'expired'  $reason
     * @return bool false when the loan was over already
     */
    public function __invoke(int $loanId, string $reason, DateTimeImmutable $now): bool
    {
        // Most returns are of titles that nobody waits for: one statement, where no transaction is open already.
        if ($reason === 'returned' && DB::transactionLevel() === 0) {
            try {
                $loan = $this->end($loanId, $reason, $now, pass: false);
                if ($loan === null || ! $loan->awaited) {
                    return $loan !== null;
                }
            } catch (QueryException $awaited) {
                if ($awaited->getCode() !== self::OTHERS_WAIT) {
                    throw $awaited;
                }
            }
        }

        return DB::transaction(function () use ($loanId, $reason, $now): bool {
            $loan = $this->end($loanId, $reason, $now, pass: true);
            if ($loan === null) {
                return false;
            }
            if ($loan->awaited) {
                $this->passCopyOn->to($loan->line, $loan->title, $now, loanSpent: true);
            }
            if ($reason === 'expired') {
                ($this->giveNotice)($loan->person, NoticeKind::LoanEnded, "loan-ended:{$loanId}", ['title' => $loan->title, 'name' => $loan->name], $now);
            }

            return true;
        }, attempts: 5);
    }

    private function end(int $loanId, string $reason, DateTimeImmutable $now, bool $pass): ?stdClass
    {
        $json = DB::scalar('select lending_end_loan(?, ?, ?, ?)', [$loanId, $now->format('Y-m-d H:i:s.uP'), $reason, $pass ? 't' : 'f']);

        return is_string($json) ? json_decode($json) : null;
    }
}
