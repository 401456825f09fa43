<?php

declare(strict_types=1);

namespace App\Http\Controllers\Account;

use App\Actions\Account\ChooseLengths;
use App\Actions\Account\ChooseNotices;
use App\Actions\Account\PushKey;
use App\Http\Current;
use App\Http\Input;
use App\Queries\Account\Choices;
use App\Queries\Lending\Rules;
use DateTimeZone;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\NoticeKind;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\View\View;
use InvalidArgumentException;

/** A patron's own choices: default lengths, notices, the calendar of due dates, whether their history is kept. */
final class SettingsController
{
    public function __construct(private readonly Current $current)
    {
    }

    public function show(Choices $choices, Rules $rules, PushKey $pushKey): View
    {
        $person = $this->current->person ?? abort(401);
        $offered = [];
        foreach (Format::cases() as $format) {
            $lengths = [];
            foreach ($person->cards as $card) {
                foreach ($rules->terms($card->library_id, $card->patron_group, $format)->lengths as $length) {
                    $lengths[$length->code()] = $length;
                }
            }
            uasort($lengths, fn (LoanLength $a, LoanLength $b): int => $a->nominalHours() <=> $b->nominalHours());
            $offered[$format->value] = $lengths;
        }

        return view('account.settings', [
            'cards' => $person->cards,
            'offered' => $offered,
            'lengths' => $choices->lengths($person),
            'notices' => $choices->notices($person),
            'devices' => $choices->devices($person),
            'pushKey' => $pushKey->public(),
            'zone' => $this->current->library?->zone() ?? new DateTimeZone('UTC'),
            'calendar' => $person->calendar_key === null ? null : route('calendar', $person->calendar_key),
            'keepsHistory' => $person->keeps_history,
        ]);
    }

    public function lengths(Request $request, ChooseLengths $choose): RedirectResponse
    {
        $lengths = [];
        foreach (Format::cases() as $format) {
            try {
                $code = $request->input("length.{$format->value}");
                if (is_string($code) && $code !== '') {
                    $lengths[$format->value] = LoanLength::parse($code);
                }
            } catch (InvalidArgumentException) {
                return redirect()->route('settings')->with('refusal', __('lending.refused.length_not_offered'));
            }
        }
        $choose($this->current->person ?? abort(401), $lengths);

        return redirect()->route('settings')->with('said', __('account.settings_kept'));
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
