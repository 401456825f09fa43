<?php

declare(strict_types=1);

namespace App\Desk\Lists;

use App\Models\StaffList;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A staff list is made by the staff of its library. */
final class StaffListPolicy
{
    public function edit(StaffMember $staff, StaffList $list): Response
    {
        return $list->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
