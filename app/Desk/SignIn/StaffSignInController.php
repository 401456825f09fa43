<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Account\SignIn\SignedOut;
use App\Shared\Input;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

final class StaffSignInController
{
    public function show(): View
    {
        return view('desk.sign-in.sign-in');
    }

    public function signIn(Request $request, StaffSignIn $signIn): RedirectResponse
    {
        $password = $request->input('password');
        $outcome = $signIn(
            Input::text($request, 'email'),
            is_string($password) ? $password : '',
            (string) $request->ip(),
        );
        if (is_int($outcome)) {
            throw ValidationException::withMessages([
                'email' => __('account.too_many_tries', ['minutes' => max(1, (int) ceil($outcome / 60))]),
            ])->status(429);
        }
        if ($outcome === null) {
            throw ValidationException::withMessages(['email' => __('desk_sign_in.no_match')]);
        }

        return StaffSession::enter($request, $outcome, $request->boolean('shared'));
    }

    public function signOut(Request $request): RedirectResponse
    {
        Auth::guard('staff')->logout();
        $request->session()->regenerate(destroy: true);

        return SignedOut::to('desk.sign-in');
    }
}
