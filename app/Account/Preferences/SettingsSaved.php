<?php

declare(strict_types=1);

namespace App\Account\Preferences;

use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** A setting was kept: said on the page of settings, or left to the page that sent it by itself as it was changed. */
final class SettingsSaved
{
    public static function answer(Request $request): RedirectResponse|Response
    {
        return $request->expectsJson()
            ? response()->noContent()
            : redirect()->route('settings')->with('said', __('account.settings_kept'));
    }
}
