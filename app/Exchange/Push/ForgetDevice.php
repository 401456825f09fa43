<?php

declare(strict_types=1);

namespace App\Exchange\Push;

use App\Models\Person;
use App\Models\PushDevice;

/** No notices on a device any more. */
final class ForgetDevice
{
    public function __invoke(Person $person, string $endpoint): void
    {
        PushDevice::query()->where('person_id', $person->id)->where('endpoint', $endpoint)->delete();
    }
}
