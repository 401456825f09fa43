<?php

declare(strict_types=1);

namespace App\Desk\Letters;

use App\Account\Letters\AnswerLetter;
use App\Account\Letters\Letters;
use App\Account\Letters\LetterText;
use App\Models\Letter;
use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** What patrons write to the library. */
final class DeskLettersController
{
    public function __construct(private readonly AnswerLetter $answer) {}

    public function index(Request $request, #[CurrentUser('staff')] StaffMember $staff, Letters $letters): View
    {
        $waiting = Input::text($request, 'show') !== 'answered';

        return view('desk.letters.letters', [
            'staff' => $staff,
            'waiting' => $waiting,
            'letters' => $letters->to($staff->library, $waiting),
        ]);
    }

    public function show(Letter $letter, #[CurrentUser('staff')] StaffMember $staff): View
    {
        return view('desk.letters.letter', ['staff' => $staff, 'letter' => $letter->load('parts')]);
    }

    public function answer(
        Request $request,
        Letter $letter,
        #[CurrentUser('staff')] StaffMember $staff,
    ): RedirectResponse {
        $seen = Input::text($request, 'seen');
        $sent = $this->answer->answer(
            $staff,
            $letter,
            LetterText::of($request),
            ctype_digit($seen) && strlen($seen) < 19 ? (int) $seen : 0,
            CarbonImmutable::now(),
        );

        return $sent
            ? redirect()->route('desk.letters')->with('said', __('letters.answered', ['name' => $letter->name]))
            : redirect()->route('desk.letter', $letter)->withInput()->with('refusal', __('letters.more_came'));
    }

    public function lay(Letter $letter): RedirectResponse
    {
        $this->answer->lay($letter);

        return redirect()->route('desk.letters')->with('said', __('letters.laid'));
    }
}
