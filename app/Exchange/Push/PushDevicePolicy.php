<?php

declare(strict_types=1);

namespace App\Exchange\Push;

use App\Models\Person;
use App\Models\PushDevice;
use Illuminate\Auth\Access\Response;

/** A device that shows notices is of the person whose notices they are. */
final class PushDevicePolicy
{
    public function own(Person $person, PushDevice $device): Response
    {
        return $device->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
