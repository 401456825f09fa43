<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Models\Library;
use App\Models\StaffMember;
use App\Models\StaffPost;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\DB;

/** Lets somebody work at a library on the word of whoever runs the machine: new, or with a new password. */
final class AddStaff
{
    /** Whoever is given a new password may have lost the device, too. */
    private const WITHOUT_SECOND = ['second_factor' => null, 'second_factor_step' => null, 'recovery_codes' => null];

    public function __invoke(
        Library $library,
        StaffRole $role,
        string $name,
        string $email,
        string $passwordHash,
    ): StaffMember {
        return DB::transaction(function () use ($library, $role, $name, $email, $passwordHash): StaffMember {
            $member = StaffMember::query()->updateOrCreate(
                ['email' => mb_strtolower($email)],
                ['library_id' => $library->id, 'name' => $name, 'password' => $passwordHash, ...self::WITHOUT_SECOND],
            );
            StaffPost::query()->upsert(
                ['staff_member_id' => $member->id, 'library_id' => $library->id, 'role' => $role->value],
                ['staff_member_id', 'library_id'],
                ['role'],
            );

            return $member;
        });
    }
}
