<?php

declare(strict_types=1);

namespace App\Desk\Patrons;

use App\Lending\Cards\NewCard;
use App\Lending\LoanRules\PatronGroups;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Finding patrons, and giving out cards. */
final class PatronsController
{
    public function __construct(private readonly PatronGroups $groups) {}

    public function index(
        Request $request,
        #[CurrentUser('staff')] StaffMember $staff,
        FindPatrons $find,
    ): View|RedirectResponse {
        $search = PatronSearch::of($request);
        // A number that is read by a scanner leads straight to its card.
        $card = $search->find === '' ? null : $find->byNumber($staff->library, $search->find);
        if ($card !== null) {
            return redirect()->route('desk.card', $card);
        }
        $now = CarbonImmutable::now();

        return view('desk.patrons.patrons', [
            'staff' => $staff,
            'search' => $search,
            'page' => $find->page($staff->library, $search, $now),
            'groups' => $this->groups->of($staff->library_id),
            'now' => $now,
        ]);
    }

    public function create(#[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.patrons.new-card', ['staff' => $staff, 'groups' => $this->groups->of($staff->library_id)]);
    }

    public function issue(
        CardRequest $request,
        #[CurrentUser('staff')] StaffMember $staff,
        GiveOutCard $giveOut,
    ): RedirectResponse {
        $issued = $giveOut(
            $staff,
            new NewCard(
                name: $request->name(),
                group: $request->group(),
                number: $request->number(),
                email: $request->email(),
                class: $request->schoolClass(),
                expiresAt: $request->expiresAt($staff->library->zone()),
            ),
            CarbonImmutable::now(),
        );
        if ($issued === null) {
            return redirect()
                ->route('desk.patrons.new')
                ->withInput()
                ->withErrors(['number' => __('patrons.number_taken', ['number' => (string) $request->number()])]);
        }

        return redirect()
            ->route('desk.card', $issued->id)
            ->with([
                'said' => __('patrons.issued', ['number' => $issued->number]),
                'pin' => encrypt($issued->pin),
            ]);
    }
}
