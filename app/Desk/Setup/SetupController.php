<?php

declare(strict_types=1);

namespace App\Desk\Setup;

use App\Account\SignIn\SessionLimit;
use Carbon\CarbonImmutable;
use DateTimeZone;
use FigPorch\Core\Account\Stay;
use FigPorch\Core\Lending\BeginningRules;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Auth;
use Illuminate\View\View;

/** From an empty installation to a library: once. */
final class SetupController
{
    public function show(string $key, SetupLink $link): View
    {
        $link->isGood($key) || abort(404);

        return view('desk.setup.setup', [
            'key' => $key,
            'rules' => BeginningRules::cases(),
            'timezones' => DateTimeZone::listIdentifiers(),
        ]);
    }

    public function store(SetupRequest $request, string $key, OpenFirstLibrary $open): View|RedirectResponse
    {
        $made = $open($key, $request->library(), $request->staff(), $request->patrons());
        if ($made === null) {
            return redirect()->route('desk.sign-in')->with('refusal', __('setup.used'));
        }
        Auth::guard('staff')->login($made['staff']);
        $request->session()->regenerate();
        SessionLimit::begin($request->session(), Stay::Usual, CarbonImmutable::now());

        return view('desk.setup.done', $made);
    }
}
