<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Actions\Account\GiveNotice;
use DateTimeImmutable;
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
            $card = DB::selectOne(
                'select c.id, c.person_id, p.keeps_history from cards c join people p on p.id = c.person_id
                    where c.id = (select card_id from loans where id = ? and ended_at is null) for no key update of c',
                [$loanId],
            );
            // A loan that expires ended at its due time, however late this is written down.
            $loan = $card === null ? null : DB::selectOne(
                'update loans set ended_at = '.($reason === 'expired' ? 'due_at' : 'least(due_at, ?::timestamptz)').', end_reason = ?
                    from titles t where loans.id = ? and ended_at is null and t.id = loans.title_id
                    returning loans.id, title_id, licence_id, t.name',
                [...($reason === 'expired' ? [] : [$now->format('Y-m-d H:i:s.uP')]), $reason, $loanId],
            );
            if ($card === null || $loan === null) {
                return false;
            }
            DB::update('update cards set loans_open = loans_open - 1 where id = ?', [$card->id]);
            ($this->passCopyOn)($loan->licence_id, $loan->title_id, $now, loanSpent: true);
            if ($reason === 'expired') {
                ($this->giveNotice)($card->person_id, 'loan_ended', "loan-ended:{$loanId}", ['title' => $loan->title_id, 'name' => $loan->name], $now);
            }

            return true;
        }, attempts: 5);
    }
}
