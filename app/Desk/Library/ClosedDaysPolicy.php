<?php

declare(strict_types=1);

namespace App\Desk\Library;

use App\Models\ClosedDays;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A library's closed days are its own. */
final class ClosedDaysPolicy
{
    public function arrange(StaffMember $staff, ClosedDays $days): Response
    {
        return $days->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
