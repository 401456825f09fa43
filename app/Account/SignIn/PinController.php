<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use App\Models\Card;
use App\Models\Library;
use App\Models\SignInWays;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use FigPorch\Core\Account\PinStrength;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** A PIN that is forgotten, and another one. */
final class PinController
{
    public function __construct(private readonly ChoosePin $choose) {}

    public function forgotten(RequestContext $current): View|RedirectResponse
    {
        if (SignInWays::of($current->requiredLibrary())->system !== null) {
            return $this->askThere($current->requiredLibrary());
        }

        return view('account.sign-in.forgotten-pin');
    }

    /** Says the same whether there is such a card or not. */
    public function send(Request $request, RequestContext $current): RedirectResponse
    {
        $library = $current->requiredLibrary();
        if (SignInWays::of($library)->system !== null) {
            return $this->askThere($library);
        }
        $number = CardNumber::plain(Input::text($request, 'number'));
        if (!CardNumber::isOne($number)) {
            throw ValidationException::withMessages(['number' => __('sign_in.number_needed')]);
        }
        $wait = (new TryLimit("forgotten:{$library->id}:{$number}", (string) $request->ip()))->begin();
        if ($wait !== null) {
            throw ValidationException::withMessages([
                'number' => __('account.too_many_tries', ['minutes' => max(1, (int) ceil($wait / 60))]),
            ])->status(429);
        }
        SendPinLink::dispatch($library->id, $number);

        return redirect()->route('sign-in')->with(
            'said',
            __('sign_in.pin_link_sent', [
                'minutes' => ChoosePin::LINK_MINUTES,
                'contact' => $library->pin_contact,
            ]),
        );
    }

    public function choose(string $key): View|RedirectResponse
    {
        $card = $this->choose->cardOf($key, CarbonImmutable::now());

        return $card === null
            ? redirect()->route('pin.forgotten')->with('refusal', __('sign_in.pin_link_over'))
            : view('account.sign-in.choose-pin', ['key' => $key, 'card' => $card]);
    }

    public function store(Request $request, string $key): RedirectResponse
    {
        $pin = $request->input('new_pin');
        $outcome = $this->choose->byLink($key, is_string($pin) ? $pin : '', CarbonImmutable::now());
        if ($outcome === null) {
            return redirect()->route('pin.forgotten')->with('refusal', __('sign_in.pin_link_over'));
        }
        $this->demandGood($outcome);

        return redirect()->route('sign-in')->with('said', __('sign_in.pin_is_set'));
    }

    /** With the old one, on the page of settings. */
    public function change(Request $request, Card $card): RedirectResponse
    {
        if (SignInWays::of($card->library)->system !== null) {
            return redirect()
                ->route('settings')
                ->with('refusal', __('sign_in.pin_there', ['contact' => $card->library->pin_contact]));
        }
        $text = fn(string $name): string => is_string($request->input($name)) ? $request->input($name) : '';
        $outcome = $this->choose->byOldPin(
            card: $card,
            old: $text('pin'),
            pin: $text('new_pin'),
            address: (string) $request->ip(),
            session: $request->session()->getId(),
            now: CarbonImmutable::now(),
        );
        if (!($outcome instanceof PinStrength)) {
            throw ValidationException::withMessages([
                'pin' =>
                    $outcome === null
                        ? __('sign_in.old_pin_wrong')
                        : __('account.too_many_tries', ['minutes' => max(1, (int) ceil($outcome / 60))]),
            ])->redirectTo(route('settings'));
        }
        $this->demandGood($outcome, route('settings'));

        return redirect()->route('settings')->with('said', __('sign_in.pin_is_changed'));
    }

    /** The library's own system keeps the PIN. */
    private function askThere(Library $library): RedirectResponse
    {
        return redirect()
            ->route('sign-in')
            ->with('refusal', __('sign_in.pin_there', ['contact' => $library->pin_contact]));
    }

    private function demandGood(PinStrength $strength, ?string $back = null): void
    {
        if ($strength !== PinStrength::Good) {
            $weak = ValidationException::withMessages(['new_pin' => __("sign_in.weak_pins.{$strength->value}")]);
            throw $back === null ? $weak : $weak->redirectTo($back);
        }
    }
}
