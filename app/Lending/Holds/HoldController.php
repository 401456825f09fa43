<?php

declare(strict_types=1);

namespace App\Lending\Holds;

use App\Lending\Borrowing\RefusalText;
use App\Lending\Borrowing\TitlePanel;
use App\Lending\Loans\OpenLoans;
use App\Lending\Porch\ComingUp;
use App\Lending\Porch\ComingUpDrawing;
use App\Lending\Waits\ForecastScores;
use App\Models\Hold;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use App\Shared\View\Dates;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\Refused;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\View;

final class HoldController
{
    private const LONGEST_PAUSE_DAYS = 366;

    public function __construct(private readonly RequestContext $current) {}

    public function index(OpenHolds $openHolds, OpenLoans $openLoans, ComingUp $comingUp, ForecastScores $scores): View
    {
        $now = CarbonImmutable::now();
        $person = $this->current->requiredPerson();
        $holds = $openHolds->of($person, $now);
        $loans = $openLoans->of($person, $now);

        return view('lending.holds.holds', [
            'holds' => $holds,
            'comingUp' => ComingUpDrawing::of($comingUp->dates($loans, $holds, $now), $now, width: 780),
            'pileUp' => $comingUp->pileUp($loans, $holds),
            'held' => $this->current->library === null ? null : $scores->lastHundred($this->current->library->id),
            'now' => $now,
        ]);
    }

    public function place(
        Request $request,
        Title $title,
        PlaceHold $placeHold,
        TitlePanel $panel,
    ): View|RedirectResponse {
        $card = $this->current->card();
        if ($card === null) {
            return $panel->needsCard($title);
        }
        $outcome = $placeHold($card->id, $title->id, CarbonImmutable::now(), $request->boolean('at_once'));
        if ($outcome instanceof Refused) {
            return $panel->answer(
                $request,
                $title,
                message: RefusalText::of($outcome, $this->current->requiredLibrary()),
                refused: $outcome,
            );
        }

        return $panel->answer($request, $title, said: __('holds.hold_placed', ['name' => $title->name]));
    }

    public function cancel(Hold $hold, CloseHold $closeHold): RedirectResponse
    {
        $closeHold($hold->id, HoldState::Cancelled, CarbonImmutable::now());

        return back()->with('said', __('holds.hold_cancelled', ['name' => $hold->title()->value('name')]));
    }

    /** Also "not now" for a hold whose copy is ready. */
    public function pause(Request $request, Hold $hold, PauseHold $pauseHold): RedirectResponse
    {
        $until = $this->date($hold, Input::text($request, 'until'));
        if ($until === null) {
            return back()->with('refusal', __('holds.bad_date'));
        }
        $facts = ['name' => $hold->title()->value('name'), 'date' => Dates::day($until, $this->zone($hold))];

        return back()->with(
            ...$pauseHold($hold->id, $until, CarbonImmutable::now())
                ? ['said', __('holds.hold_paused', $facts)]
                : ['refusal', __('holds.hold_not_paused', $facts)],
        );
    }

    /** Several at once, each until its date: "hold id" => "date". All of them, or none where one cannot be. */
    public function spread(Request $request, PauseHold $pauseHold): RedirectResponse
    {
        $pauses = [];
        foreach ((array) $request->input('until') as $id => $date) {
            $hold = Hold::query()->findOrFail((int) $id);
            Gate::authorize('own', $hold);
            $until = is_string($date) ? $this->date($hold, $date) : null;
            if ($until === null) {
                return back()->with('refusal', __('holds.bad_date'));
            }
            $pauses[$hold->id] = $until;
        }
        foreach ($pauses as $id => $until) {
            $pauseHold($id, $until, CarbonImmutable::now());
        }

        return back()->with('said', __('holds.paused_all'));
    }

    public function resume(Hold $hold, ResumeHold $resumeHold): RedirectResponse
    {
        $resumeHold($hold->id, CarbonImmutable::now());

        return back()->with('said', __('holds.hold_resumed', ['name' => $hold->title()->value('name')]));
    }

    /** Whether it is borrowed for the patron when a copy comes, or they are told. */
    public function atOnce(Request $request, Hold $hold, ChooseAtOnce $choose): RedirectResponse
    {
        $choose($hold, $request->boolean('at_once'));

        return back();
    }

    private function zone(Hold $hold): DateTimeZone
    {
        return $this->current->requiredPerson()->cards->findOrFail($hold->card_id)->library->zone();
    }

    /** The beginning of a day in the library's time zone, or null if it is none that a hold can be paused until. */
    private function date(Hold $hold, string $text): ?DateTimeImmutable
    {
        $date = DateTimeImmutable::createFromFormat('!Y-m-d', $text, $this->zone($hold));
        $now = CarbonImmutable::now();

        return $date !== false &&
            $date->format('Y-m-d') === $text &&
            $date > $now &&
            $date < $now->modify('+' . self::LONGEST_PAUSE_DAYS . ' days')
            ? $date
            : null;
    }
}
