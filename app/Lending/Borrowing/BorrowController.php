<?php

declare(strict_types=1);

namespace App\Lending\Borrowing;

use App\Models\Card;
use App\Models\Loan;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\AlreadyOnLoan;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refused;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\View;
use InvalidArgumentException;

final class BorrowController
{
    public function __construct(
        private readonly RequestContext $current,
        private readonly TitlePanel $panel,
        private readonly SwapLoan $swapLoan,
    ) {}

    /** The panel with the lengths and the due date each gives. */
    public function show(Request $request, Title $title): View|RedirectResponse
    {
        $card = $this->current->card();
        if ($card === null) {
            return $this->panel->needsCard($title);
        }
        $now = CarbonImmutable::now();
        $facts = LendingFacts::load($card->id, $title->id, $now);
        $decision = $facts->borrow(null, $now);

        return view($request->hasHeader('HX-Request') ? 'lending.borrowing.borrow-panel' : 'lending.borrowing.borrow', [
            'title' => $title->load('contributors'),
            'card' => $card,
            'way' => $this->panel->way($request),
            'terms' => $facts->terms,
            'zone' => $facts->zone,
            'now' => $now,
            'loansOpen' => $facts->terms->loansCountedByFormat
                ? $facts->card->loansOpenOfFormat
                : $facts->card->loansOpen,
            'refused' => $decision instanceof Refused ? $decision : null,
            'paid' =>
                $decision instanceof Granted && $decision->licence->model === LicenceModel::PayPerLoan
                    ? $facts->payPerLoan
                    : null,
        ]);
    }

    public function borrow(Request $request, Title $title, BorrowTitle $borrow): View|RedirectResponse
    {
        $card = $this->current->card();
        if ($card === null) {
            return $this->panel->needsCard($title);
        }
        try {
            $asked = Input::text($request, 'length');
            $length = $asked === '' ? null : LoanLength::parse($asked);
        } catch (InvalidArgumentException) {
            return $this->panel->answer($request, $title, message: __('lending.refused.length_not_offered'));
        }
        $first = (int) Input::text($request, 'return_first');
        $outcome =
            $first === 0
                ? $borrow($card->id, $title->id, $length, CarbonImmutable::now())
                : $this->returnAndBorrow(Loan::query()->findOrFail($first), $card, $title, $length);
        if ($outcome instanceof Refused) {
            return $this->panel->answer(
                $request,
                $title,
                message: RefusalText::of($outcome, $this->current->requiredLibrary()),
                refused: $outcome,
            );
        }

        return $this->panel->answer(
            $request,
            $title,
            said: $outcome instanceof AlreadyOnLoan
                ? __('borrowing.already_on_loan')
                : __('borrowing.borrowed', ['name' => $title->name]),
        );
    }

    /** At the limit: gives back a loan to make room, unless the title cannot be had all the same. */
    private function returnAndBorrow(
        Loan $loan,
        Card $card,
        Title $title,
        ?LoanLength $length,
    ): AlreadyOnLoan|Refused|int {
        Gate::authorize('own', $loan);

        return ($this->swapLoan)($loan->id, $card->id, $title->id, $length, CarbonImmutable::now());
    }
}
