<?php

declare(strict_types=1);

namespace App\Exchange\Opds;

use App\Exchange\Packages\GiveDownload;
use App\Exchange\Packages\NotGiven;
use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Borrowing\RefusalText;
use App\Lending\Holds\CloseHold;
use App\Lending\Holds\HoldWithEstimate;
use App\Lending\Holds\OpenHolds;
use App\Lending\Holds\PlaceHold;
use App\Lending\Loans\LoanWithProgress;
use App\Lending\Loans\OpenLoans;
use App\Lending\Loans\RenewLoan;
use App\Lending\Loans\ReturnLoan;
use App\Models\Hold;
use App\Models\Loan;
use App\Models\Title;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Opds\Out\Feed;
use FigPorch\Core\Exchange\Opds\Out\Link;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\Refused;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Loans and holds of a card in a reading application, and what is done with them. Who borrows twice has one loan, so
 * an application may ask by GET, as it follows a link (OPDS Catalog 1.2, 5.1): what it sends with it says whose it is.
 */
final class OwnFeedController
{
    public function __construct(
        private readonly RequestContext $current,
        private readonly Publications $publications,
    ) {}

    public function loans(Edition $edition, OpenLoans $openLoans): Response
    {
        $now = CarbonImmutable::now();
        $loans = $openLoans
            ->of($this->current->requiredPerson(), $now)
            ->filter(fn(LoanWithProgress $of): bool => $of->loan->card_id === $this->current->card()?->id);

        return $this->own(
            $edition,
            'loans',
            array_values($loans->map(fn(LoanWithProgress $of): Title => $of->loan->title)->all()),
            $now,
        );
    }

    public function holds(Edition $edition, OpenHolds $openHolds): Response
    {
        $now = CarbonImmutable::now();
        $holds = $openHolds
            ->of($this->current->requiredPerson(), $now)
            ->filter(fn(HoldWithEstimate $of): bool => $of->hold->card_id === $this->current->card()?->id);

        return $this->own(
            $edition,
            'holds',
            array_values($holds->map(fn(HoldWithEstimate $of): Title => $of->hold->title)->all()),
            $now,
            $holds->mapWithKeys(fn(HoldWithEstimate $of): array => [$of->hold->title_id => $of->place])->all(),
        );
    }

    public function borrow(
        Request $request,
        Edition $edition,
        string $library,
        Title $title,
        BorrowTitle $borrow,
    ): Response {
        $outcome = $borrow($this->cardId($request), $title->id, null, CarbonImmutable::now());

        return $outcome instanceof Refused
            ? $this->refused($outcome)
            : $this->title($edition, $title, is_int($outcome) ? 201 : 200);
    }

    public function hold(
        Request $request,
        Edition $edition,
        string $library,
        Title $title,
        PlaceHold $placeHold,
    ): Response {
        $outcome = $placeHold($this->cardId($request), $title->id, CarbonImmutable::now());

        return $outcome instanceof Refused ? $this->refused($outcome) : $this->title($edition, $title, 201);
    }

    public function return(Edition $edition, string $library, Loan $loan, ReturnLoan $returnLoan): Response
    {
        $returnLoan($loan->id, CarbonImmutable::now());

        return $this->title($edition, $loan->title);
    }

    public function renew(Edition $edition, string $library, Loan $loan, RenewLoan $renewLoan): Response
    {
        $outcome = $renewLoan($loan, null, CarbonImmutable::now());

        return $outcome instanceof Refused ? $this->refused($outcome) : $this->title($edition, $loan->title);
    }

    public function cancel(Edition $edition, string $library, Hold $hold, CloseHold $closeHold): Response
    {
        $closeHold($hold->id, HoldState::Cancelled, CarbonImmutable::now());

        return $this->title($edition, $hold->title);
    }

    /** The whole as a file; of a large one that is only being made, when to ask again. */
    public function file(Edition $edition, string $library, Loan $loan, string $kind, GiveDownload $give): Response
    {
        $given = $give($loan, $kind, CarbonImmutable::now());

        return match (true) {
            $given === NotGiven::NoSuchFile => abort(404),
            $given === NotGiven::NotAllowed => AnswerApps::problem(403, __('lending.no_download')),
            $given === NotGiven::NoPassphrase => AnswerApps::problem(
                403,
                __('lcp.apps_set_first', ['address' => route('settings') . '#protected']),
            ),
            $given->isRedirection() => AnswerApps::problem(503, __('opds.being_made'), '10'),
            default => $given,
        };
    }

    /**
     * @param  list<Title>  $titles
     * @param  array<int, int>  $places
     */
    private function own(
        Edition $edition,
        string $path,
        array $titles,
        CarbonImmutable $now,
        array $places = [],
    ): Response {
        $at = new Addresses($edition, $this->current->requiredLibrary());
        $other = $path === 'loans' ? 'holds' : 'loans';

        return $edition->feed(
            new Feed(
                id: $at->of($path),
                title: __("opds.{$path}"),
                modified: $now,
                links: [
                    new Link('self', $at->of($path), $edition->acquisition()),
                    new Link('related', $at->of($other), $edition->acquisition(), __("opds.{$other}")),
                    ...$at->everywhere(),
                ],
                publications: $this->publications->of($at, $titles, $now, $places),
                paging: [
                    'total' => count($titles),
                    'page' => 1,
                    'pages' => 1,
                    'perPage' => max(1, count($titles)),
                ],
            ),
        );
    }

    /** A title as it stands now with this person. */
    private function title(Edition $edition, Title $title, int $status = 200): Response
    {
        $at = new Addresses($edition, $this->current->requiredLibrary());

        return $edition->publication($this->publications->of($at, [$title], CarbonImmutable::now())[0], $status);
    }

    private function refused(Refused $refused): Response
    {
        return AnswerApps::problem(409, RefusalText::of($refused, $this->current->requiredLibrary()));
    }

    /** Asked for the head alone, nothing is done. */
    private function cardId(Request $request): int
    {
        $request->isMethod('HEAD') && abort(405);

        return $this->current->card()->id ?? abort(401);
    }
}
