<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Models\StaffInvitation;

/** The link that was sent is not good any more. */
final class WithdrawInvitation
{
    public function __invoke(StaffInvitation $invitation): void
    {
        $invitation->delete();
    }
}
