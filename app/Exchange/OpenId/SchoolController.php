<?php

declare(strict_types=1);

namespace App\Exchange\OpenId;

use App\Account\SignIn\SessionLimit;
use App\Models\Library;
use App\Models\SignInWays;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Account\Stay;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Log;

/** Signing in at a school: there, and back with who one is. */
final class SchoolController
{
    /** The key in a session under which what was begun is kept. */
    private const BEGUN = 'school_sign_in';

    public function __construct(private readonly SchoolDoor $door) {}

    public function begin(Request $request, RequestContext $current): RedirectResponse
    {
        $library = $current->requiredLibrary();
        $school = SignInWays::of($library)->schoolSignIn() ?? abort(404);
        try {
            $begun = $this->door->begin(
                $school,
                route('school.callback'),
                $library->id,
                $request->boolean('shared'),
                CarbonImmutable::now(),
            );
        } catch (SchoolRefused $refused) {
            return $this->refuse($library, $refused);
        }
        $request->session()->put(self::BEGUN, $begun->toArray());

        return redirect()->away($begun->address);
    }

    public function callback(Request $request, RequestContext $current, SchoolCards $cards): RedirectResponse
    {
        $now = CarbonImmutable::now();
        // Used once, whatever comes of it.
        $begun = BegunSignIn::fromSession($request->session()->pull(self::BEGUN), $now);
        $library = $current->libraries()->firstWhere('id', $begun?->libraryId);
        $school = $library === null ? null : SignInWays::of($library)->schoolSignIn();
        try {
            if ($begun === null || $library === null || $school === null) {
                throw new SchoolRefused('state', 'nothing was begun');
            }
            if (!$begun->hasState(Input::text($request, 'state'))) {
                throw new SchoolRefused('state', 'another state');
            }
            if (Input::text($request, 'code') === '') {
                throw new SchoolRefused(
                    Input::text($request, 'error') === 'access_denied' ? 'denied' : 'unreachable',
                    Input::text($request, 'error'),
                );
            }
            $code = Input::text($request, 'code');
            $claims = $this->door->finish($school, route('school.callback'), $code, $begun, $now);
            $card = $cards->of($library, $school, $claims);
        } catch (SchoolRefused $refused) {
            return $this->refuse($library, $refused);
        }
        Auth::guard('web')->login($card->person);
        $intended = (string) $request->session()->pull('url.intended');
        $request->session()->regenerate();
        SessionLimit::begin($request->session(), Stay::chosen($begun->shared, false), $now);

        return redirect(
            $intended === '' || str_starts_with((string) parse_url($intended, PHP_URL_PATH), '/desk')
                ? route('porch', ['library' => $library->slug])
                : $intended,
        );
    }

    private function refuse(?Library $library, SchoolRefused $refused): RedirectResponse
    {
        Log::info("Signing in at a school: {$refused->getMessage()}");

        return redirect()
            ->route('sign-in')
            ->with(
                'refusal',
                __("sign_in.school_refused.{$refused->reason}", ['contact' => $library->pin_contact ?? '']),
            );
    }
}
