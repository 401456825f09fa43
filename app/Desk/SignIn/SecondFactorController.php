<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Models\StaffMember;
use App\Shared\Input;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** The one-time code: asked for at sign-in, turned on and off by whose it is. */
final class SecondFactorController
{
    /** In the session, encrypted, until a code of it has been seen. */
    private const NEW_SECRET = 'desk_new_secret';

    public function __construct(private readonly SecondFactor $second) {}

    public function ask(Request $request): View|RedirectResponse
    {
        return StaffSession::half($request) === null ? redirect()->route('desk.sign-in') : view('desk.sign-in.code');
    }

    public function enter(Request $request): RedirectResponse
    {
        $member = StaffSession::half($request);
        if ($member === null) {
            return redirect()->route('desk.sign-in')->with('said', __('staff.code_too_late'));
        }
        $this->demand($request, $member);

        return StaffSession::complete($request, $member);
    }

    public function show(Request $request, #[CurrentUser('staff')] StaffMember $staff): View|RedirectResponse
    {
        if (SecondFactor::isOn($staff)) {
            return redirect()->route('desk.own');
        }
        $kept = $request->session()->get(self::NEW_SECRET);
        $secret = is_string($kept) ? decrypt($kept) : $this->second->newSecret();
        $request->session()->put(self::NEW_SECRET, encrypt($secret));

        return view('desk.sign-in.second-factor', ['staff' => $staff, 'secret' => $secret]);
    }

    public function turnOn(Request $request, #[CurrentUser('staff')] StaffMember $staff): View|RedirectResponse
    {
        $kept = $request->session()->get(self::NEW_SECRET);
        if (!is_string($kept) || SecondFactor::isOn($staff)) {
            return redirect()->route('desk.own');
        }
        $codes = $this->second->turnOn($staff, decrypt($kept), Input::text($request, 'code'), CarbonImmutable::now());
        if ($codes === null) {
            throw ValidationException::withMessages(['code' => __('staff.wrong_code')]);
        }
        $request->session()->forget(self::NEW_SECRET);

        return view('desk.sign-in.recovery-codes', ['staff' => $staff, 'codes' => $codes]);
    }

    public function turnOff(Request $request, #[CurrentUser('staff')] StaffMember $staff): RedirectResponse
    {
        if (SecondFactor::isOn($staff)) {
            $this->demand($request, $staff);
            $this->second->turnOff($staff);
        }

        return redirect()->route('desk.own')->with('said', __('staff.second_off'));
    }

    private function demand(Request $request, StaffMember $member): void
    {
        $outcome = $this->second->check(
            $member,
            Input::text($request, 'code'),
            (string) $request->ip(),
            CarbonImmutable::now(),
        );
        if ($outcome !== true) {
            throw ValidationException::withMessages([
                'code' =>
                    $outcome === false
                        ? __('staff.wrong_code')
                        : __('account.too_many_tries', ['minutes' => max(1, (int) ceil($outcome / 60))]),
            ])->status($outcome === false ? 422 : 429);
        }
    }
}
