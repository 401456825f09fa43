<?php

declare(strict_types=1);

namespace App\Account\SignIn;

use Illuminate\Http\RedirectResponse;

/** The answer to signing out: the browser keeps no page and no place of whoever was there. */
final class SignedOut
{
    /** @param  string  $route  where it leads */
    public static function to(string $route): RedirectResponse
    {
        // W3C Clear Site Data. Not "cookies": the library, language and light that were chosen stay.
        return redirect()
            ->route($route)
            ->withHeaders(['Clear-Site-Data' => '"cache", "storage"']);
    }
}
