<?php

declare(strict_types=1);

namespace App\Http\Controllers\Lending;

use App\Actions\Lending\EndLoan;
use App\Actions\Lending\UndoReturn;
use App\Http\Current;
use App\Models\Loan;
use App\Queries\Lending\OpenLoans;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\View;

final class LoanController
{
    public function index(Current $current, OpenLoans $openLoans): View
    {
        $now = now()->toImmutable();

        return view('lending.loans', ['loans' => $openLoans->of($current->person ?? abort(401), $now), 'now' => $now]);
    }

    public function return(Loan $loan, EndLoan $endLoan): RedirectResponse
    {
        Gate::allows('own', $loan) || abort(404);
        $ended = $endLoan($loan->id, 'returned', now()->toImmutable());
        $name = $loan->title()->value('name');

        return self::backOr('loans.index')->with($ended
            ? ['said' => __('lending.returned', ['name' => $name]), 'undo' => $loan->id]
            : ['said' => __('lending.returned_before', ['name' => $name])]);
    }

    public function undoReturn(Loan $loan, UndoReturn $undoReturn): RedirectResponse
    {
        Gate::allows('own', $loan) || abort(404);
        $done = $undoReturn($loan->id, now()->toImmutable());

        return self::backOr('loans.index')->with($done ? 'said' : 'refusal', __($done ? 'lending.return_undone' : 'lending.return_not_undone'));
    }

    /** Back to the page of the act, but never into the reader of a loan that has just ended. */
    private static function backOr(string $route): RedirectResponse
    {
        $previous = (string) parse_url(url()->previous(), PHP_URL_PATH);

        return $previous === '' || str_starts_with($previous, '/loans/') ? redirect()->route($route) : back();
    }
}
