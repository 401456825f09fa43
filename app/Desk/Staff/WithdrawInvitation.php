<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\StaffInvitation;
use App\Models\StaffMember;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** The link that was sent is not good any more. */
final class WithdrawInvitation
{
    public function __construct(private readonly RecordChange $recordChange) {}

    public function __invoke(StaffMember $by, StaffInvitation $invitation, DateTimeImmutable $now): void
    {
        DB::transaction(function () use ($by, $invitation, $now): void {
            $invitation->delete();
            ($this->recordChange)($by, ChangeKind::StaffWithdrawn, $invitation->email, [], $now);
        });
    }
}
