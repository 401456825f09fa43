<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use FigPorch\Core\Lending\CardNumber;
use Illuminate\Foundation\Http\FormRequest;

final class SignInRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['number' => ['required', 'string', 'max:40'], 'pin' => ['required', 'string', 'max:64']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['number.required' => __('sign_in.number_needed'), 'pin.required' => __('sign_in.pin_needed')];
    }

    /** Spaces and hyphens in a card number do not matter. */
    public function cardNumber(): string
    {
        return CardNumber::plain($this->string('number')->value());
    }

    public function pin(): string
    {
        return $this->string('pin')->value();
    }
}
