<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Shared\Input;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** What is written in a letter, by whichever side. */
final class LetterText
{
    private const MOST = 4000;

    /** @throws ValidationException */
    public static function of(Request $request): string
    {
        $text = Input::text($request, 'text');
        $why = match (true) {
            $text === '' => __('letters.needs_text'),
            mb_strlen($text) > self::MOST => __('letters.text_long', ['most' => self::MOST, 'has' => mb_strlen($text)]),
            default => null,
        };

        return $why === null ? $text : throw ValidationException::withMessages(['text' => $why]);
    }
}
