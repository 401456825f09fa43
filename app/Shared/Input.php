<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Http\Request;

/** What a request says, as text: a list where a word belongs counts as nothing said. */
final class Input
{
    public static function text(Request $request, string $name): string
    {
        $value = $request->input($name);

        return is_string($value) ? trim(mb_scrub($value)) : '';
    }
}
