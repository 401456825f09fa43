<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Desk\SignIn\StaffPassword;
use App\Desk\SignIn\StaffSession;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** For whoever has the link of an invitation. */
final class JoinController
{
    public function show(string $key, Joining $joining): View
    {
        $invitation = $joining->invitation($key, CarbonImmutable::now()) ?? abort(404);

        return view('desk.staff.join', [
            'key' => $key,
            'invitation' => $invitation,
            'known' => $joining->known($invitation),
        ]);
    }

    public function store(Request $request, string $key, Joining $joining): RedirectResponse
    {
        $now = CarbonImmutable::now();
        $invitation = $joining->invitation($key, $now);
        if ($invitation === null) {
            return redirect()->route('desk.sign-in')->with('refusal', __('staff.link_used'));
        }
        $member =
            $joining->known($invitation) === null
                ? $this->asNew($request, $key, $joining, $now)
                : $this->asKnown($request, $key, $joining, $now);
        if ($member === null) {
            return redirect()->route('desk.sign-in')->with('refusal', __('staff.link_used'));
        }

        return StaffSession::enter($request, $member, false, $member->library_id);
    }

    private function asNew(Request $request, string $key, Joining $joining, CarbonImmutable $now): ?StaffMember
    {
        $given = $request->validate(
            ['name' => ['required', 'string', 'max:120'], 'password' => StaffPassword::rules()],
            ['required' => __('setup.errors.required'), 'max' => __('setup.errors.max')] + StaffPassword::messages(),
        );

        return $joining->asNew($key, $given['name'], $given['password'], $now);
    }

    private function asKnown(Request $request, string $key, Joining $joining, CarbonImmutable $now): StaffMember
    {
        $password = $request->input('password');
        $outcome = $joining->asKnown($key, is_string($password) ? $password : '', (string) $request->ip(), $now);

        return match (true) {
            is_int($outcome) => throw ValidationException::withMessages([
                'password' => __('account.too_many_tries', ['minutes' => max(1, (int) ceil($outcome / 60))]),
            ])->status(429),
            $outcome === null => throw ValidationException::withMessages(['password' => __('staff.wrong_password')]),
            default => $outcome,
        };
    }
}
