<?php

declare(strict_types=1);

namespace App\Account\Preferences;

use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Language and light or dark, kept for the person and in this browser. */
final class PreferenceController
{
    public function __invoke(Request $request, RequestContext $current, ChooseLanguage $choose): RedirectResponse
    {
        $locale = $request->input('locale');
        $scheme = $request->input('scheme');
        $response = back();
        if (is_string($locale) && array_key_exists($locale, (array) config('app.locales'))) {
            $current->person === null || $choose($current->person, $locale);
            $response->withCookie(cookie()->forever('locale', $locale));
        }
        if (in_array($scheme, ['light', 'dark', 'system'], true)) {
            $response->withCookie(cookie()->forever('scheme', $scheme));
        }

        return $response;
    }
}
