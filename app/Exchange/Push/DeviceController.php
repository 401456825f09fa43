<?php

declare(strict_types=1);

namespace App\Exchange\Push;

use App\Models\PushDevice;
use App\Shared\Input;
use App\Shared\RequestContext;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use InvalidArgumentException;

/** The devices that show a person's notices. */
final class DeviceController
{
    public function __construct(private readonly RequestContext $current) {}

    /** As a browser gives its subscription (Push API, PushSubscriptionJSON). */
    public function add(Request $request, AddDevice $add): JsonResponse|Response
    {
        try {
            $add(
                $this->current->requiredPerson(),
                Input::text($request, 'endpoint'),
                Input::text($request, 'keys.p256dh'),
                Input::text($request, 'keys.auth'),
                CarbonImmutable::now(),
            );
        } catch (InvalidArgumentException) {
            return response()->json(['message' => __('account.device_refused')], 422);
        }

        return response()->noContent();
    }

    /** The browser itself, which knows its endpoint, is to show none any more. */
    public function forget(Request $request, ForgetDevice $forget): Response
    {
        $forget($this->current->requiredPerson(), Input::text($request, 'endpoint'));

        return response()->noContent();
    }

    public function remove(PushDevice $device, ForgetDevice $forget): RedirectResponse
    {
        $forget($this->current->requiredPerson(), $device->endpoint);

        return redirect()->route('settings')->with('said', __('account.device_removed'));
    }
}
