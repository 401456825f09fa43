<?php

declare(strict_types=1);

namespace App\Account\Messages;

use App\Models\Message;
use App\Models\Person;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use Illuminate\Auth\Access\Response;

/** A message can be read by whom it is for while it stands, and is written by the staff of its library. */
final class MessagePolicy
{
    public function read(?Person $person, Message $message): Response
    {
        $reach = $message->reach();

        return $reach->isOn(OpenMessages::day($message->library, CarbonImmutable::now())) &&
            $reach->isFor($person?->cardAt($message->library)?->patron_group)
            ? Response::allow()
            : Response::denyAsNotFound();
    }

    public function edit(StaffMember $staff, Message $message): Response
    {
        return $message->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
