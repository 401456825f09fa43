<?php

declare(strict_types=1);

namespace App\Account\Preferences;

use App\Account\Devices\SignedInDevices;
use App\Account\Notices\ChooseNotices;
use App\Account\Notices\NoticesRequest;
use App\Account\Privacy\KeepHistory;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use DateTimeZone;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\View\View;

/** A patron's own choices: notices, and whether their history is kept. */
final class SettingsController
{
    public function __construct(private readonly RequestContext $current) {}

    public function show(Request $request, Choices $choices, SignedInDevices $signedIn): View
    {
        $person = $this->current->requiredPerson();

        return view('account.preferences.settings', [
            'cards' => $person->cards,
            'notices' => $choices->notices($person),
            'devices' => $choices->devices($person),
            'calendar' => $person->calendar_key === null ? null : route('calendar', $person->calendar_key),
            'sessions' => $signedIn->of($person, $request->session()->getId(), CarbonImmutable::now()),
            'zone' => $this->current->library?->zone() ?? new DateTimeZone('UTC'),
            'keepsHistory' => $person->keeps_history,
        ]);
    }

    public function notices(NoticesRequest $request, ChooseNotices $choose): RedirectResponse|Response
    {
        $choose(
            $this->current->requiredPerson(),
            $request->chosen('shown'),
            $request->chosen('mailed'),
            $request->boolean('with_devices') ? $request->chosen('pushed') : null,
        );

        return SettingsSaved::answer($request);
    }

    public function history(Request $request, KeepHistory $keep): RedirectResponse|Response
    {
        $keep($this->current->requiredPerson(), Input::text($request, 'keep') === '1');

        return Input::text($request, 'then') === 'almanac'
            ? redirect()->route('almanac')
            : SettingsSaved::answer($request);
    }
}
