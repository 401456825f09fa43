<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Models\StaffInvitation;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** Who works here, or was asked to, is managed from here alone. */
final class StaffPolicy
{
    public function manage(StaffMember $staff, StaffMember|StaffInvitation $of): Response
    {
        $isHere =
            $of instanceof StaffInvitation
                ? $of->library_id === $staff->library_id
                : $of->posts()->where('library_id', $staff->library_id)->exists();

        return $isHere ? Response::allow() : Response::denyAsNotFound();
    }
}
