<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Lending\Borrowing\RefusalText;
use App\Lending\LoanRules\LibraryRules;
use App\Models\Loan;
use App\Shared\RequestContext;
use App\Shared\View\Dates;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use FigPorch\Core\Lending\RenewalDecision;
use Illuminate\Http\RedirectResponse;
use Illuminate\View\View;

final class LoanController
{
    public function index(
        RequestContext $current,
        OpenLoans $openLoans,
        LibraryRules $rules,
        LoanFiles $loanFiles,
    ): View {
        $now = CarbonImmutable::now();
        $loans = $openLoans->of($current->requiredPerson(), $now);
        $renewFrom = [];
        foreach ($loans as $on) {
            $card = $on->loan->card ?? abort(500);
            $terms = $rules->terms($card->library_id, $card->patron_group, $on->loan->title->format);
            if ($on->loan->renewals < $terms->maxRenewals) {
                $renewFrom[$on->loan->id] = RenewalDecision::opensAt($terms, $on->loan->due_at, $card->library->zone());
            }
        }

        return view('lending.loans.loans', [
            'loans' => $loans,
            'renewFrom' => $renewFrom,
            'now' => $now,
            'files_of' => $loanFiles->of($loans->map(fn(LoanWithProgress $on): Loan => $on->loan)),
        ]);
    }

    public function renew(Loan $loan, RenewLoan $renewLoan, RequestContext $current): RedirectResponse
    {
        $library = $current->person?->cards->find($loan->card_id)->library ?? abort(404);
        if (!$loan->isOpen(now())) {
            return self::backOr('loans.index')->with(
                'said',
                __('loans.returned_before', ['name' => $loan->title()->value('name')]),
            );
        }
        $outcome = $renewLoan($loan, null, CarbonImmutable::now());

        return self::backOr('loans.index')->with(
            ...$outcome instanceof Refused
                ? ['refusal', RefusalText::of($outcome, $library)]
                : [
                    'said',
                    __('loans.renewed', [
                        'name' => $loan->title()->value('name'),
                        'date' => Dates::words($outcome->dueAt, $library->zone()),
                    ]),
                ],
        );
    }

    public function return(Loan $loan, ReturnLoan $returnLoan): RedirectResponse
    {
        $ended = $returnLoan($loan->id, CarbonImmutable::now());
        $name = $loan->title()->value('name');

        return self::backOr('loans.index')->with(
            $ended
                ? ['said' => __('loans.returned', ['name' => $name]), 'undo' => $loan->id]
                : ['said' => __('loans.returned_before', ['name' => $name])],
        );
    }

    public function undoReturn(Loan $loan, UndoReturn $undoReturn): RedirectResponse
    {
        $outcome = $undoReturn($loan->id, CarbonImmutable::now());
        $library = $loan->card->library ?? abort(404);

        return self::backOr('loans.index')->with(
            ...match (true) {
                $outcome === true => ['said', __('loans.return_undone')],
                $outcome->reason === Refusal::NoCopyFree => ['refusal', __('loans.return_not_undone')],
                default => ['refusal', RefusalText::of($outcome, $library)],
            },
        );
    }

    /** Back to the page of the act, but never into the reader of a loan that has just ended. */
    private static function backOr(string $route): RedirectResponse
    {
        $previous = (string) parse_url(url()->previous(), PHP_URL_PATH);

        return $previous === '' || str_starts_with($previous, '/loans/') ? redirect()->route($route) : back();
    }
}
