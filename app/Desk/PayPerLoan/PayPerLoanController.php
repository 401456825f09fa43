<?php

declare(strict_types=1);

namespace App\Desk\PayPerLoan;

use App\Desk\Figures\DeskText;
use App\Lending\LoanRules\LibraryRules;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Loans that are paid one by one: the month's budget, what is spent of it, and what will be. */
final class PayPerLoanController
{
    public function __construct(private readonly PaidLoans $paid, private readonly ChangeBudget $change) {}

    public function index(#[CurrentUser('staff')] StaffMember $staff, LibraryRules $rules): View
    {
        $now = CarbonImmutable::now();

        return view('desk.pay-per-loan.pay-per-loan', [
            'staff' => $staff,
            'now' => $now,
            'forecast' => $this->paid->forecast($staff->library, $now),
            'months' => $this->paid->months($staff->library, $now),
            'dearest' => $this->paid->dearest($staff->library, $now),
            'cap' => $rules->table($staff->library_id)->rule(null, null)->payPerLoanMonthly,
        ]);
    }

    public function budget(Request $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $text = str_replace(',', '.', Input::text($request, 'budget'));
        $month = Input::text($request, 'month');
        $now = CarbonImmutable::now();
        $isMonth = in_array($month, array_column($this->paid->months($staff->library, $now), 'month'), true);
        if (preg_match('/^\d{1,7}(\.\d{1,2})?$/D', $text) !== 1 || ($month !== '' && !$isMonth)) {
            return back()->withInput()->with('refusal', __('paid.needs_budget'));
        }
        $cents = (int) round(100 * (float) $text);
        if ($month === '') {
            $this->change->usual($staff, $cents, $now);
        } elseif (($spent = $this->change->month($staff, $month, $cents, $now)) !== null) {
            return back()->with(
                'refusal',
                __('paid.spent_more', ['sum' => DeskText::price($spent, $staff->library->currency)]),
            );
        }

        return back()->with('said', __('paid.kept'));
    }
}
