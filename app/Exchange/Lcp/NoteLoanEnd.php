<?php

declare(strict_types=1);

namespace App\Exchange\Lcp;

use App\Models\ProtectedLoan;
use App\Models\ProtectedLoanEvent;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * A loan is renewed and given back in many ways; its licence follows when it is next looked at, which is before anybody
 * reads it.
 */
final class NoteLoanEnd
{
    /** @param  Device|null  $by  by which it was done, if it was by one */
    public function __invoke(ProtectedLoan $of, CarbonImmutable $now, ?Device $by = null): ProtectedLoan
    {
        $loan = $of->loan()->firstOrFail();
        $end = $loan->ended_at ?? $loan->due_at;
        DB::transaction(function () use ($of, $loan, $end, $now, $by): void {
            $isNews = ProtectedLoan::query()
                ->whereKey($of->id)
                ->where('ends_at', '<>', $end)
                ->update(['ends_at' => $end, 'updated_at' => $now]);
            if ($isNews === 1) {
                ProtectedLoanEvent::query()->create([
                    'protected_loan_id' => $of->id,
                    'kind' => $loan->ended_at === null ? 'renew' : 'return',
                    'device_id' => $by?->id,
                    'device_name' => $by?->name,
                    'happened_at' => $loan->ended_at ?? $now,
                ]);
            }
        });

        return $of->refresh();
    }
}
