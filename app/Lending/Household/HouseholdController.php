<?php

declare(strict_types=1);

namespace App\Lending\Household;

use App\Lending\Borrowing\RefusalText;
use App\Lending\Cards\ShownCard;
use App\Lending\Holds\CloseHold;
use App\Lending\Holds\PlaceHold;
use App\Models\Card;
use App\Models\Hold;
use App\Models\Title;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\Refused;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** Children's cards that an adult looks after. */
final class HouseholdController
{
    public function __construct(private readonly RequestContext $current, private readonly KeepHousehold $keep) {}

    public function index(Household $household): View
    {
        $now = CarbonImmutable::now();

        return view('lending.household.household', [
            'household' => $household->of($this->current->requiredPerson(), $now),
            'now' => $now,
        ]);
    }

    public function add(Request $request, ShownCard $shown): RedirectResponse
    {
        $card = $shown->in($request);
        $refused = $this->keep->add($this->current->requiredPerson(), $card, CarbonImmutable::now());
        if ($refused !== null) {
            throw ValidationException::withMessages(['number' => __("household.refused.{$refused}")]);
        }

        return redirect()->route('household')->with('said', __('household.added', ['name' => $card->person->name]));
    }

    /** Either side: the adult on the page of the household, whose card it is on the page of settings. */
    public function end(Request $request, Card $card): RedirectResponse
    {
        $person = $this->current->requiredPerson();
        $adult = Input::text($request, 'adult');
        $isChild = $card->person_id === $person->id && ctype_digit($adult) && strlen($adult) < 19;
        $this->keep->end($isChild ? (int) $adult : $person->id, $card->id);

        return redirect()
            ->route($isChild ? 'settings' : 'household')
            ->with('said', __('household.ended'));
    }

    public function hold(Card $card, Title $title, PlaceHold $placeHold): RedirectResponse
    {
        $outcome = $placeHold($card->id, $title->id, CarbonImmutable::now());

        return $outcome instanceof Refused
            ? back()->with('refusal', RefusalText::of($outcome, $card->library))
            : back()->with('said', __('household.held', ['name' => $title->name, 'child' => $card->person->name]));
    }

    public function cancel(Card $card, Hold $hold, CloseHold $closeHold): RedirectResponse
    {
        $closeHold($hold->id, HoldState::Cancelled, CarbonImmutable::now());

        return back()->with('said', __('holds.hold_cancelled', ['name' => $hold->title()->value('name')]));
    }
}
