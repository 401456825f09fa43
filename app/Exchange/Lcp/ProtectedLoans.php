<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Lending\Loans\LoanWithProgress;
use App\Models\ProtectedLoan;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;

/** Which of somebody's loans have a protected file, and how many devices have opened it. */
final class ProtectedLoans
{
    /**
     * @param  Collection<int, LoanWithProgress>  $loans
     * @return array<int, ProtectedLoan> by loan, the newest of each; with events_count, its devices
     */
    public function of(Collection $loans): array
    {
        return ProtectedLoan::query()
            ->whereIn('loan_id', $loans->map(fn(LoanWithProgress $on): int => $on->loan->id))
            ->withCount(['events' => fn(Builder $events) => $events->where('kind', 'register')])
            ->orderBy('issued_at')
            ->get()
            ->keyBy('loan_id')
            ->all();
    }
}
