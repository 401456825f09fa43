<?php

declare(strict_types=1);

namespace App\Reading\Offline;

use App\Account\Preferences\SettingsSaved;
use App\Shared\RequestContext;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What may come over mobile data unasked, on the page of settings. */
final class MobileDataController
{
    public function __invoke(Request $request, RequestContext $current, KeepMobileData $keep): RedirectResponse|Response
    {
        $ask = array_filter(KeepMobileData::KINDS, fn(string $kind): bool => $request->input($kind) === '1');
        $keep($current->requiredPerson(), array_values($ask));

        return SettingsSaved::answer($request);
    }
}
