<?php

declare(strict_types=1);

namespace App\Desk\SignInWays;

use App\Exchange\LibrarySystem\AskSystem;
use App\Exchange\LibrarySystem\SystemSilent;
use App\Exchange\OpenId\SchoolDoor;
use App\Exchange\OpenId\SchoolRefused;
use App\Lending\LoanRules\PatronGroups;
use App\Models\SignInWays;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** How patrons come in: cards of the library's own, its own system, a school's sign-in. */
final class WaysController
{
    public function edit(#[CurrentUser('staff')] StaffMember $staff, PatronGroups $groups): View
    {
        $ways = SignInWays::of($staff->library);

        return view('desk.sign-in-ways.ways', [
            'staff' => $staff,
            'ways' => $ways,
            'system' => $ways->librarySystem(),
            'school' => $ways->schoolSignIn(),
            'groups' => $groups->of($staff->library_id),
        ]);
    }

    /**
     * What was saved is tried at once; whether it answers is said, and is no condition: the other side may come later.
     */
    public function save(
        WaysRequest $request,
        #[CurrentUser('staff')] StaffMember $staff,
        ChangeWays $change,
        SchoolDoor $door,
        AskSystem $ask,
    ): RedirectResponse {
        $before = SignInWays::of($staff->library);
        [$school, $system] = [$request->school($before), $request->system($before)];
        $withCards = $request->boolean('with_cards') || $system !== null;
        if (!$withCards && $school === null) {
            throw ValidationException::withMessages(['with_cards' => __('ways.no_way')]);
        }
        $now = CarbonImmutable::now();
        $change(
            by: $staff,
            withCards: $withCards,
            system: $system,
            school: $school,
            mailDomain: $request->mailDomain(),
            now: $now,
        );
        $said = [__('library.kept')];
        $refusals = [];
        try {
            $school === null || $door->discover($school);
            $school === null || ($said[] = __('ways.school_answers', ['name' => $school->name]));
        } catch (SchoolRefused $silent) {
            $refusals[] = __('ways.school_silent', ['why' => $silent->getMessage()]);
        }
        try {
            $system === null || $ask->tryOut($system, $now);
            $system === null || ($said[] = __('ways.system_answers'));
        } catch (SystemSilent $silent) {
            $refusals[] = __('ways.system_silent', ['why' => $silent->getMessage()]);
        }

        return redirect()
            ->route('desk.ways')
            ->with('said', implode(' ', $said))
            ->with('refusal', $refusals === [] ? null : implode(' ', $refusals));
    }
}
