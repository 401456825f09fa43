<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Account\Stay;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

final class SignInController
{
    public function show(): View
    {
        return view('account.sign-in.sign-in');
    }

    public function signIn(SignInRequest $request, RequestContext $current, SignIn $signIn): RedirectResponse
    {
        $outcome = $signIn(
            $current->requiredLibrary(),
            $request->cardNumber(),
            $request->pin(),
            (string) $request->ip(),
        );
        if (is_int($outcome)) {
            throw ValidationException::withMessages([
                'number' => __('account.too_many_tries', ['minutes' => max(1, (int) ceil($outcome / 60))]),
            ])->status(429);
        }
        if ($outcome === null) {
            throw ValidationException::withMessages([
                'number' => __('sign_in.no_match', ['contact' => $current->requiredLibrary()->pin_contact]),
            ]);
        }
        Auth::login($outcome->person);
        $request->session()->regenerate();
        SessionLimit::begin(
            $request->session(),
            Stay::chosen(shared: $request->boolean('shared'), long: $request->boolean('long')),
            CarbonImmutable::now(),
        );

        $intended = (string) $request->session()->pull('url.intended');

        return redirect(
            $intended === '' || str_starts_with((string) parse_url($intended, PHP_URL_PATH), '/desk')
                ? route('porch')
                : $intended,
        );
    }

    public function signOut(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return SignedOut::to('front-door');
    }
}
