<?php

declare(strict_types=1);

namespace App\Desk\SignIn;

use App\Account\SignIn\SignIn;
use App\Account\SignIn\TryLimit;
use App\Models\StaffMember;
use Illuminate\Support\Facades\Hash;

/** Mail address and password of somebody who works here; limited as the patrons' sign-in is. */
final class StaffSignIn
{
    /** @return StaffMember|int|null who it is; seconds to wait after too many tries; null when the two do not match */
    public function __invoke(string $email, string $password, string $address): StaffMember|int|null
    {
        $member = $this->check($email, $password, $address);

        return $member instanceof StaffMember && !$member->posts()->exists() ? null : $member;
    }

    /** The same of somebody who may have left everywhere, and is about to come back. */
    public function check(string $email, string $password, string $address): StaffMember|int|null
    {
        $limit = new TryLimit('staff:' . mb_strtolower($email), $address);
        if (($wait = $limit->begin()) !== null) {
            return $wait;
        }
        $member = StaffMember::query()
            ->whereRaw('lower(email) = ?', [mb_strtolower($email)])
            ->first();
        if (!Hash::check($password, $member->password ?? SignIn::NOBODY) || $member === null) {
            return null;
        }
        $limit->succeeded();

        return $member;
    }
}
