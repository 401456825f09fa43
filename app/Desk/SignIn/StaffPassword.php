<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use Illuminate\Validation\Rules\Password;

/** What is asked of a password of somebody who works here. */
final class StaffPassword
{
    /** Letters (NIST SP 800-63B, 5.1.1, asks 8 at least and no rules of what is in it; from memory). */
    public const LEAST = 12;

    /** @return list<mixed> */
    public static function rules(): array
    {
        return ['required', 'string', 'max:200', Password::min(self::LEAST)];
    }

    /** @return array<string, string> */
    public static function messages(): array
    {
        return ['password.min' => __('setup.errors.password', ['least' => (string) self::LEAST])];
    }
}
