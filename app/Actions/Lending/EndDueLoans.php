<?php

declare(strict_types=1);

namespace App\Actions\Lending;

use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** Ends what is due, in order of due time, each loan in a transaction of its own so that no borrower waits for long. */
final class EndDueLoans
{
    public function __construct(private readonly EndLoan $endLoan)
    {
    }

    /** @return int how many loans were ended */
    public function __invoke(DateTimeImmutable $now, ?int $titleId = null): int
    {
        $ended = 0;
        $due = DB::table('loans')->whereNull('ended_at')->where('due_at', '<=', $now->format('Y-m-d H:i:s.uP'))
            ->when($titleId !== null, fn ($query) => $query->where('title_id', $titleId))
            ->orderBy('due_at')->orderBy('id')->pluck('id');
        foreach ($due as $loanId) {
            $ended += ($this->endLoan)($loanId, 'expired', $now) ? 1 : 0;
        }

        return $ended;
    }
}
