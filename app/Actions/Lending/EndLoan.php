<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Actions\Account\GiveNotice;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;

/** Ends a loan and passes its copy on, in one transaction. Rows are taken in the order card, loan, licence. */
final class EndLoan
{
    public function __construct(private readonly PassCopyOn $passCopyOn, private readonly GiveNotice $giveNotice)
    {
    }

    /**
     * @param  'returned'|'expired'  $reason
     * @return bool false when the loan was over already
     */
    public function __invoke(int $loanId, string $reason, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($loanId, $reason, $now): bool {
            // A loan that expires ended at its due time, however late this is written down.
            $at = $reason === 'expired' ? null : $now->format('Y-m-d H:i:s.uP');
            $json = DB::scalar('select lending_end_loan(?, ?, ?)', [$loanId, $at, $reason]);
            if (! is_string($json)) {
                return false;
            }
            $loan = json_decode($json);
            if ($loan->awaited) {
                ($this->passCopyOn)($loan->licence, $loan->title, $now, loanSpent: true);
            }
            if ($reason === 'expired') {
                ($this->giveNotice)($loan->person, NoticeKind::LoanEnded, "loan-ended:{$loanId}", ['title' => $loan->title, 'name' => $loan->name], $now);
            }

            return true;
        }, attempts: 5);
    }
}
