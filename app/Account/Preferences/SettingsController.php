<?php

declare(strict_types=1);

namespace App\Account\Preferences;

use App\Account\Notices\ChooseNotices;
use App\Shared\Input;
use App\Shared\RequestContext;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\View\View;

/** A patron's own choices: notices, the calendar of due dates, whether their history is kept. */
final class SettingsController
{
    public function __construct(private readonly RequestContext $current)
    {
    }

    public function show(Choices $choices): View
    {
        $person = $this->current->person ?? abort(401);

        return view('account.preferences.settings', [
            'cards' => $person->cards,
            'notices' => $choices->notices($person),
            'devices' => $choices->devices($person),
            'calendar' => $person->calendar_key === null ? null : route('calendar', $person->calendar_key),
            'keepsHistory' => $person->keeps_history,
        ]);
    }

    public function notices(Request $request, ChooseNotices $choose): RedirectResponse
    {
        $chosen = fn (string $way): array => array_values(array_filter(NoticeKind::cases(), fn (NoticeKind $kind): bool => $request->boolean("{$way}.{$kind->value}")));
        $choose($this->current->person ?? abort(401), $chosen('shown'), $chosen('mailed'), $request->boolean('with_devices') ? $chosen('pushed') : null);

        return redirect()->route('settings')->with('said', __('account.settings_kept'));
    }

    /** A new address; the old one gives nothing any more. */
    public function calendar(): RedirectResponse
    {
        $this->current->person?->update(['calendar_key' => Str::random(40)]);

        return redirect()->route('settings')->with('said', __('account.calendar_made'));
    }

    public function history(Request $request): RedirectResponse
    {
        $this->current->person?->update(['keeps_history' => Input::text($request, 'keep') === '1']);

        return redirect()->route('settings')->with('said', __('account.settings_kept'));
    }
}
