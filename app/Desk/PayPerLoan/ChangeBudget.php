<?php

declare(strict_types=1);

namespace App\Desk\PayPerLoan;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\Library;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/** What a library may spend on paid loans: in each month, or in one. */
final class ChangeBudget
{
    public function __construct(private readonly RecordChange $recordChange) {}

    /** For each month that has none of its own. */
    public function usual(StaffMember $by, int $cents, CarbonImmutable $now): void
    {
        DB::transaction(function () use ($by, $cents, $now): void {
            $library = Library::query()->lockForUpdate()->findOrFail($by->library_id);
            $before = $library->pay_per_loan_budget_cents;
            $library->update(['pay_per_loan_budget_cents' => $cents]);
            $this->write($by, '', $before, $cents, $now);
        });
    }

    /**
     * @param  string  $month  "2026-12"
     * @return int|null cents that are spent already, where that is more and nothing was changed
     */
    public function month(StaffMember $by, string $month, int $cents, CarbonImmutable $now): ?int
    {
        return DB::transaction(function () use ($by, $month, $cents, $now): ?int {
            $key = ['library_id' => $by->library_id, 'month' => "{$month}-01"];
            DB::table('pay_per_loan_months')->insertOrIgnore([
                ...$key,
                'budget_cents' => Library::query()->findOrFail($by->library_id)->pay_per_loan_budget_cents,
            ]);
            // A loan that is being paid waits, or is waited for.
            $row = DB::table('pay_per_loan_months')->where($key)->lockForUpdate()->first();
            if ($row !== null && $row->spent_cents > $cents) {
                return $row->spent_cents;
            }
            DB::table('pay_per_loan_months')
                ->where($key)
                ->update(['budget_cents' => $cents]);
            $this->write($by, $month, $row?->budget_cents, $cents, $now);

            return null;
        });
    }

    private function write(StaffMember $by, string $month, ?int $before, int $cents, CarbonImmutable $now): void
    {
        $said = fn(?int $of): ?string => $of === null ? null : sprintf('%.2F', $of / 100) . " {$by->library->currency}";
        if ($before !== $cents) {
            $facts = ['budget' => [$said($before), $said($cents)]];
            ($this->recordChange)($by, ChangeKind::PayPerLoanBudget, $month, $facts, $now);
        }
    }
}
