<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Models\StaffMember;
use Illuminate\Support\Facades\Hash;

/** One's own name, and another password on the word of the old. */
final class ChangeOwn
{
    public function __construct(private readonly StaffSignIn $signIn) {}

    /** @return bool|int false where the old password is another; seconds to wait after too many tries */
    public function __invoke(
        StaffMember $staff,
        string $name,
        ?string $newPassword,
        string $password,
        string $address,
    ): bool|int {
        $changes = ['name' => $name];
        if ($newPassword !== null) {
            $outcome = $this->signIn->check($staff->email, $password, $address);
            if (!($outcome instanceof StaffMember)) {
                return $outcome ?? false;
            }
            $changes['password'] = Hash::make($newPassword);
        }
        StaffMember::query()->whereKey($staff->id)->update($changes);

        return true;
    }
}
