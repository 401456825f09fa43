<?php

declare(strict_types=1);

namespace App\Reading\Speech;

use Illuminate\Foundation\Http\FormRequest;

final class SpeechRequest extends FormRequest
{
    /** Letters: what is said within half a minute. */
    private const LONGEST = 600;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['text' => ['required', 'string', 'max:' . self::LONGEST]];
    }
}
