<?php

declare(strict_types=1);

namespace App\Desk\Holdings;

use App\Models\Holding;
use App\Models\Link;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** What stands in a library, and where it points to, is changed by its own staff. */
final class HoldingPolicy
{
    public function change(StaffMember $staff, Holding|Link $of): Response
    {
        return $of->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
