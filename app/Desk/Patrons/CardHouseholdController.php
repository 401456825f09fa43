<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Models\Card;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Who looks after a child's card, as the library has seen that they may. */
final class CardHouseholdController
{
    public function __construct(private readonly ConfirmHousehold $confirm) {}

    public function add(
        Request $request,
        Card $card,
        #[CurrentUser('staff')] StaffMember $staff,
        FindPatrons $find,
    ): RedirectResponse {
        $adult = $find->byNumber($staff->library, Input::text($request, 'adult'));
        $refused = $adult === null ? 'unknown' : $this->confirm->add($staff, $card, $adult, CarbonImmutable::now());
        $back = redirect()->route('desk.card', $card);

        return $refused === null
            ? $back->with('said', __('patrons.household_added', ['name' => $adult?->person->name]))
            : $back->withInput()->with('refusal', __("patrons.household_refused.{$refused}"));
    }

    public function end(Request $request, Card $card, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        $adult = Input::text($request, 'adult');
        if (ctype_digit($adult) && strlen($adult) < 19) {
            $this->confirm->end($staff, $card, (int) $adult, CarbonImmutable::now());
        }

        return redirect()->route('desk.card', $card)->with('said', __('household.ended'));
    }
}
