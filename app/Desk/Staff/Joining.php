<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Desk\SignIn\StaffSignIn;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\StaffInvitation;
use App\Models\StaffMember;
use App\Models\StaffPost;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Somebody who was invited comes: new with a name and a password, or with the password that they have elsewhere. */
final class Joining
{
    public function __construct(private readonly StaffSignIn $signIn, private readonly RecordChange $recordChange) {}

    /** @return StaffInvitation|null null where there is none, or it is over */
    public function invitation(string $key, CarbonImmutable $now): ?StaffInvitation
    {
        $invitation = StaffInvitation::query()->where('key_hash', hash('sha256', $key))->first();

        return $invitation === null || $invitation->isOver($now) ? null : $invitation;
    }

    public function known(StaffInvitation $invitation): ?StaffMember
    {
        return StaffMember::query()->where('email', $invitation->email)->first();
    }

    /** @return StaffMember|null null where the link has been used meanwhile */
    public function asNew(string $key, string $name, string $password, CarbonImmutable $now): ?StaffMember
    {
        return $this->join(
            $key,
            fn(StaffInvitation $invitation): StaffMember => StaffMember::query()->create([
                'library_id' => $invitation->library_id,
                'name' => $name,
                'email' => $invitation->email,
                'password' => Hash::make($password),
            ]),
            $now,
        );
    }

    /** @return StaffMember|int|null seconds to wait after too many tries; null where the password is another */
    public function asKnown(string $key, string $password, string $address, CarbonImmutable $now): StaffMember|int|null
    {
        $invitation = $this->invitation($key, $now);
        $member = $invitation === null ? null : $this->signIn->check($invitation->email, $password, $address);

        return $member instanceof StaffMember ? $this->join($key, fn(): StaffMember => $member, $now) : $member;
    }

    /** @param  callable(StaffInvitation): StaffMember  $who */
    private function join(string $key, callable $who, CarbonImmutable $now): ?StaffMember
    {
        return DB::transaction(function () use ($key, $who, $now): ?StaffMember {
            $invitation = StaffInvitation::query()->where('key_hash', hash('sha256', $key))->lockForUpdate()->first();
            if ($invitation === null || $invitation->isOver($now)) {
                return null;
            }
            $member = $who($invitation);
            StaffPost::query()->insertOrIgnore([
                'staff_member_id' => $member->id,
                'library_id' => $invitation->library_id,
                'role' => $invitation->role->value,
            ]);
            $invitation->delete();
            $member->goTo($invitation->library_id);
            $facts = ['role' => [null, $invitation->role->value]];
            ($this->recordChange)($member, ChangeKind::StaffJoined, $member->email, $facts, $now);

            return $member;
        });
    }
}
