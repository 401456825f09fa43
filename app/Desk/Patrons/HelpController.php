<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Models\Card;
use App\Models\Hold;
use App\Models\Loan;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\View\View;

/** A patron asks for help with a loan or hold: only then are their titles shown, and that they were is written down. */
final class HelpController
{
    public function show(Card $card, #[CurrentUser('staff')] StaffMember $staff, HelpWithLoans $help): View
    {
        return view('desk.patrons.help', [
            'staff' => $staff,
            'card' => $card,
            ...$help($staff, $card, CarbonImmutable::now()),
        ]);
    }

    public function return(
        Card $card,
        Loan $loan,
        #[CurrentUser('staff')] StaffMember $staff,
        HelpWithLoans $help,
    ): RedirectResponse {
        $help->returnLoan($staff, $card, $loan, CarbonImmutable::now());

        return redirect()->route('desk.card', $card)->with('said', __('patrons.returned'));
    }

    public function cancel(
        Card $card,
        Hold $hold,
        #[CurrentUser('staff')] StaffMember $staff,
        HelpWithLoans $help,
    ): RedirectResponse {
        $help->cancelHold($staff, $card, $hold, CarbonImmutable::now());

        return redirect()->route('desk.card', $card)->with('said', __('patrons.cancelled'));
    }
}
