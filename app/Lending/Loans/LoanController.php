<?php

declare(strict_types=1);

namespace App\Lending\Loans;

use App\Lending\Availability\AvailableTitle;
use App\Lending\Availability\OwnItems;
use App\Lending\Availability\TitleAvailability;
use App\Lending\Borrowing\LendingFacts;
use App\Lending\Borrowing\RefusalText;
use App\Lending\LoanRules\LibraryRules;
use App\Models\Card;
use App\Models\Loan;
use App\Shared\RequestContext;
use App\Shared\View\Dates;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use FigPorch\Core\Lending\RenewalDecision;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

final class LoanController
{
    public function index(
        RequestContext $current,
        OpenLoans $openLoans,
        LibraryRules $rules,
        LoanFiles $loanFiles,
        RenewalFacts $longer,
        TitleAvailability $availability,
        OwnItems $own,
    ): View {
        $now = CarbonImmutable::now();
        $loans = $openLoans->of($current->requiredPerson(), $now);
        $renewFrom = $short = [];
        foreach ($loans as $on) {
            $card = $on->loan->card ?? abort(500);
            $terms = $rules->terms($card->library_id, $card->patron_group, $on->loan->title->format);
            if (LoanLength::parse($on->loan->length)->inHours) {
                $short[$on->loan->id] = $this->shortLook(
                    loan: $on->loan,
                    card: $card,
                    longer: $longer,
                    availability: $availability,
                    own: $own,
                    now: $now,
                );
            } elseif ($on->loan->renewals < $terms->maxRenewals) {
                $renewFrom[$on->loan->id] = RenewalDecision::opensAt($terms, $on->loan->due_at, $card->library->zone());
            }
        }

        return view('lending.loans.loans', [
            'loans' => $loans,
            'renewFrom' => $renewFrom,
            'short' => $short,
            'now' => $now,
            'files_of' => $loanFiles->of($loans->map(fn(LoanWithProgress $on): Loan => $on->loan)),
        ]);
    }

    /**
     * Whether a short look may be made longer now, and if others wait, how the line stands for who would join it.
     *
     * @return array{until: DateTimeImmutable|null, line: AvailableTitle|null, hold: bool}
     */
    private function shortLook(
        Loan $loan,
        Card $card,
        RenewalFacts $longer,
        TitleAvailability $availability,
        OwnItems $own,
        CarbonImmutable $now,
    ): array {
        [$decision] = $longer->longer($loan, LendingFacts::load($card->id, $loan->title_id, $now), null, $now);
        $others = $decision instanceof Refused && $decision->reason === Refusal::OthersWait;

        return [
            'until' => $decision instanceof Granted ? $decision->dueAt : null,
            'line' => $others ? $availability->of($card->library, [$loan->title], $card, $now)[$loan->title_id] : null,
            'hold' => $others && $own->of($card->person, [$loan->title], $now)->hold($loan->title_id) !== null,
        ];
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

    /** A short look becomes a loan of days, from the list of loans or from the reader. */
    public function longer(
        Request $request,
        Loan $loan,
        KeepLonger $keepLonger,
        RequestContext $current,
    ): RedirectResponse|JsonResponse {
        $library = $current->person?->cards->find($loan->card_id)->library ?? abort(404);
        $outcome = $loan->isOpen(now()) ? $keepLonger($loan, null, CarbonImmutable::now()) : null;
        $name = $loan->title()->value('name');
        [$kind, $words] = match (true) {
            $outcome === null => ['refusal', __('loans.returned_before', ['name' => $name])],
            $outcome instanceof Refused => ['refusal', RefusalText::of($outcome, $library)],
            default => [
                'said',
                __('loans.kept_longer', [
                    'name' => $name,
                    'date' => Dates::words($outcome->dueAt, $library->zone()),
                ]),
            ],
        };
        if ($request->expectsJson()) {
            return $outcome instanceof Granted
                ? response()->json(['said' => $words, 'due' => $outcome->dueAt->getTimestamp() * 1000])
                : response()->json(['message' => $words], 422);
        }

        return self::backOr('loans.index')->with($kind, $words);
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
