<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Models\Fund;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** The funds of a library are its own. */
final class FundPolicy
{
    public function arrange(StaffMember $staff, Fund $fund): Response
    {
        return $fund->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
