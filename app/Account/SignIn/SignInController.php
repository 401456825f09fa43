<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Models\SignInWays;
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
    public function show(RequestContext $current): View
    {
        return view('account.sign-in.sign-in', ['ways' => SignInWays::of($current->requiredLibrary())]);
    }

    public function signIn(SignInRequest $request, RequestContext $current, SignIn $signIn): RedirectResponse
    {
        $outcome = $signIn(
            $current->requiredLibrary(),
            $request->cardNumber(),
            $request->pin(),
            (string) $request->ip(),
        );
        $refusal = $outcome->refusal($current->requiredLibrary()->pin_contact);
        if ($outcome->card === null || $refusal !== null) {
            throw ValidationException::withMessages(['number' => (string) $refusal])->status(
                $outcome->wait === null ? 422 : 429,
            );
        }
        Auth::login($outcome->card->person);
        $request->session()->regenerate();
        SessionLimit::begin(
            $request->session(),
            Stay::chosen(shared: $request->boolean('shared'), long: $request->boolean('long')),
            CarbonImmutable::now(),
        );

        $intended = (string) $request->session()->pull('url.intended');

        $answer = redirect(
            $intended === '' || str_starts_with((string) parse_url($intended, PHP_URL_PATH), '/desk')
                ? route('porch')
                : $intended,
        );

        return $outcome->isSystemSilent ? $answer->with('said', __('sign_in.by_what_was_known')) : $answer;
    }

    public function signOut(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return SignedOut::to('front-door');
    }
}
