<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use App\Actions\Account\GiveNotice;
use DateTimeImmutable;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Support\Facades\DB;

/**
 * Ends what is due, in order of due time: those that nobody waits for together, a small number in each transaction so that no
 * borrower waits for long; those that somebody waits for each in a transaction of its own, which passes the copy on.
 */
final class EndDueLoans
{
    private const TOGETHER = 100;

    public function __construct(private readonly EndLoan $endLoan)
    {
    }

    /** @return int how many loans were ended */
    public function __invoke(DateTimeImmutable $now, ?int $titleId = null): int
    {
        $ended = 0;
        $due = DB::table('loans')->whereNull('ended_at')->where('due_at', '<=', $now->format('Y-m-d H:i:s.uP'))
            ->when($titleId !== null, fn ($query) => $query->where('title_id', $titleId))
            ->orderBy('due_at')->orderBy('id')->pluck('id')->all();
        foreach (array_chunk($due, self::TOGETHER) as $loans) {
            $ended += $this->together($loans, $now);
            foreach ($this->stillOpen($loans) as $loanId) {
                $ended += ($this->endLoan)($loanId, 'expired', $now) ? 1 : 0;
            }
        }

        return $ended;
    }

    /** @param  list<int>  $loans */
    private function together(array $loans, DateTimeImmutable $now): int
    {
        return DB::transaction(function () use ($loans, $now): int {
            $json = DB::scalar('select lending_end_due(?::bigint[], ?, ?)', ['{'.implode(',', $loans).'}', $now->format('Y-m-d H:i:s.uP'), NoticeKind::LoanEnded->value]);
            $done = json_decode((string) $json);
            GiveNotice::carry($done);

            return $done->ended;
        }, attempts: 5);
    }

    /**
     * @param  list<int>  $loans
     * @return list<int> in order of due time
     */
    private function stillOpen(array $loans): array
    {
        return array_values(DB::table('loans')->whereIn('id', $loans)->whereNull('ended_at')->orderBy('due_at')->orderBy('id')->pluck('id')->all());
    }
}
