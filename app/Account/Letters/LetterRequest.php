<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Models\Person;
use App\Shared\Input;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;

/** What somebody writes to a library. */
final class LetterRequest extends FormRequest
{
    public const ABOUT = 300;

    private const NAME = 120;

    private const EMAIL = 255;

    /**
     * @return array{name: string, email: string|null, about: string, text: string}
     *
     * @throws ValidationException
     */
    public function facts(?Person $person): array
    {
        $email = Input::text($this, 'email');
        if ($person === null && (filter_var($email, FILTER_VALIDATE_EMAIL) === false || strlen($email) > self::EMAIL)) {
            throw ValidationException::withMessages(['email' => __('letters.needs_email')]);
        }

        return [
            'name' => mb_substr(Input::text($this, 'name'), 0, self::NAME),
            'email' => $person === null ? $email : null,
            'about' => mb_substr(Input::text($this, 'about'), 0, self::ABOUT),
            'text' => LetterText::of($this),
        ];
    }
}
