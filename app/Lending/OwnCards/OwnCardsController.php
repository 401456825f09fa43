<?php

declare(strict_types=1);

namespace App\Lending\OwnCards;

use App\Account\SignIn\SignedOut;
use App\Lending\Cards\ShownCard;
use App\Models\Card;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use Illuminate\View\View;

/** A person's own cards: more of them, their names, which is first; and the end of it all. */
final class OwnCardsController
{
    private const NAME = 40;

    public function __construct(private readonly KeepOwnCards $keep, private readonly RequestContext $current) {}

    public function create(): View
    {
        return view('lending.own-cards.add-card');
    }

    public function add(Request $request, ShownCard $shown): RedirectResponse
    {
        $card = $shown->in($request);
        $outcome = $this->keep->add($this->current->requiredPerson(), $card);
        if ($outcome !== AddedCard::Added) {
            throw ValidationException::withMessages([
                'number' => __("own_cards.outcomes.{$outcome->value}", ['library' => $card->library->name]),
            ]);
        }

        return redirect()
            ->route('settings')
            ->with('said', __('own_cards.outcomes.added', ['library' => $card->library->name]));
    }

    public function name(Request $request, Card $card): RedirectResponse
    {
        $this->keep->name($card, mb_substr(Input::text($request, 'own_name'), 0, self::NAME));

        return redirect()->route('settings')->with('said', __('account.settings_kept'));
    }

    public function putFirst(Card $card): RedirectResponse
    {
        $this->keep->putFirst($this->current->requiredPerson(), $card);

        return redirect()->route('settings')->with('said', __('account.settings_kept'));
    }

    public function remove(Card $card): RedirectResponse
    {
        return $this->keep->remove($this->current->requiredPerson(), $card)
            ? redirect()->route('settings')->with('said', __('own_cards.removed'))
            : redirect()->route('settings')->with('refusal', __('own_cards.not_removed'));
    }

    public function erasing(): View
    {
        return view('lending.own-cards.erase', ['cards' => $this->current->requiredPerson()->cards]);
    }

    public function erase(Request $request, EraseMe $erase): RedirectResponse
    {
        if (mb_strtoupper(Input::text($request, 'word')) !== mb_strtoupper(__('own_cards.word'))) {
            throw ValidationException::withMessages([
                'word' => __('own_cards.word_needed', ['word' => __('own_cards.word')]),
            ]);
        }
        $erase($this->current->requiredPerson(), CarbonImmutable::now());
        Auth::guard('web')->logoutCurrentDevice();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return SignedOut::to('front-door')->with('said', __('own_cards.erased'));
    }
}
