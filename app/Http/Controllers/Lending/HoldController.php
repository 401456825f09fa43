<?php

declare(strict_types=1);

namespace App\Http\Controllers\Lending;

use App\Actions\Lending\CloseHold;
use App\Actions\Lending\PlaceHold;
use App\Http\Current;
use App\Http\TitlePanel;
use App\Models\Hold;
use App\Models\Title;
use App\Queries\Lending\ComingUp;
use App\Queries\Lending\OpenHolds;
use App\Queries\Lending\OpenLoans;
use App\View\RefusalText;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\Refused;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\View;

final class HoldController
{
    public function __construct(private readonly Current $current)
    {
    }

    public function index(OpenHolds $openHolds, OpenLoans $openLoans): View
    {
        $now = now()->toImmutable();
        $person = $this->current->person ?? abort(401);
        $holds = $openHolds->of($person, $now);

        return view('lending.holds', ['holds' => $holds, 'comingUp' => ComingUp::chart($openLoans->of($person, $now), $holds, $now), 'now' => $now]);
    }

    public function place(Request $request, Title $title, PlaceHold $placeHold, TitlePanel $panel): View|RedirectResponse
    {
        $card = $this->current->card();
        if ($card === null) {
            return $panel->needsCard($title);
        }
        $outcome = $placeHold($card->id, $title->id, now()->toImmutable());
        if ($outcome instanceof Refused) {
            return $panel->answer($request, $title, message: RefusalText::of($outcome, $this->current->requiredLibrary()), refused: $outcome);
        }

        return $panel->answer($request, $title, said: __('lending.hold_placed', ['name' => $title->name]));
    }

    public function cancel(Hold $hold, CloseHold $closeHold): RedirectResponse
    {
        Gate::allows('own', $hold) || abort(404);
        $closeHold($hold->id, HoldState::Cancelled, now()->toImmutable());

        return back()->with('said', __('lending.hold_cancelled', ['name' => $hold->title()->value('name')]));
    }
}
