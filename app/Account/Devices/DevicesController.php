<?php

declare(strict_types=1);

namespace App\Account\Devices;

use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Where I am signed in: to end one, or all others; and to say that one is still here. */
final class DevicesController
{
    public function __construct(private readonly SignedInDevices $devices, private readonly RequestContext $current) {}

    public function end(Request $request, string $session): RedirectResponse
    {
        $person = $this->current->requiredPerson();
        $here = $request->session()->getId();
        foreach ($this->devices->of($person, $here, CarbonImmutable::now()) as $device) {
            if ($device['isThis'] && $device['name'] === $session) {
                return redirect()->route('settings')->with('refusal', __('devices.is_this'));
            }
        }
        $this->devices->end($person, $session);

        return redirect()->route('settings')->with('said', __('devices.ended'));
    }

    public function endOthers(Request $request): RedirectResponse
    {
        $ended = $this->devices->endOthers($this->current->requiredPerson(), $request->session()->getId());

        return redirect()->route('settings')->with('said', trans_choice('devices.others_ended', $ended));
    }

    /** Somebody is still at the shared computer; that they asked is all it takes. */
    public function stay(): Response
    {
        return response()->noContent();
    }
}
