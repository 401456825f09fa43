<?php

declare(strict_types=1);

namespace App\Desk\Usage;

use App\Models\CounterKey;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** The keys for a library's reports are its own. */
final class CounterKeyPolicy
{
    public function takeBack(StaffMember $staff, CounterKey $key): Response
    {
        return $key->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
