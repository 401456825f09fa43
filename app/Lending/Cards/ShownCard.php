<?php

declare(strict_types=1);

namespace App\Lending\Cards;

use App\Account\SignIn\SignIn;
use App\Models\Card;
use App\Shared\Input;
use App\Shared\RequestContext;
use FigPorch\Core\Lending\CardNumber;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Another card than the one that is signed in with, of which somebody shows number and PIN: tries count as ever. */
final class ShownCard
{
    public function __construct(private readonly SignIn $signIn, private readonly RequestContext $current) {}

    /**
     * @param  Request  $request  with the fields at (a library), number and pin
     *
     * @throws ValidationException where they do not fit, or too many were tried
     */
    public function in(Request $request): Card
    {
        $library = $this->current->libraries()->firstWhere('slug', Input::text($request, 'at'));
        $number = CardNumber::plain(Input::text($request, 'number'));
        if ($library === null || !CardNumber::isOne($number)) {
            throw ValidationException::withMessages(['number' => __('sign_in.number_needed')]);
        }
        $pin = $request->input('pin');
        $signedIn = ($this->signIn)($library, $number, is_string($pin) ? $pin : '', (string) $request->ip());
        if ($signedIn->card === null) {
            throw ValidationException::withMessages([
                'number' => (string) $signedIn->refusal($library->pin_contact),
            ])->status($signedIn->wait === null ? 422 : 429);
        }

        return $signedIn->card;
    }
}
