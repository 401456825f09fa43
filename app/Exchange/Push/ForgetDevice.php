<?php

declare(strict_types=1);

namespace App\Exchange\Push;

use App\Models\Person;
use App\Models\PushDevice;

/** No notices on a device any more. */
final class ForgetDevice
{
    /** @param  int|string  $device  its number, or its endpoint */
    public function __invoke(Person $person, int|string $device): void
    {
        PushDevice::query()->where('person_id', $person->id)->where(is_int($device) ? 'id' : 'endpoint', $device)->delete();
    }
}
