<?php

declare(strict_types=1);

namespace App\Reading\Appearance;

use App\Account\Preferences\SettingsSaved;
use App\Shared\Input;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** How text looks on every device that has nothing of its own, on the page of settings. */
final class AppearanceController
{
    public function __invoke(Request $request, RequestContext $current, KeepAppearance $keep): RedirectResponse|Response
    {
        $chosen = [];
        foreach (KeepAppearance::CHOICES as $name => $values) {
            $value = Input::text($request, $name);
            in_array($value, $values, true) && ($chosen[$name] = $value);
        }
        $keep($current->requiredPerson(), $chosen);

        return SettingsSaved::answer($request);
    }
}
