<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Exchange\Mail\StaffInvitationMail;
use App\Models\StaffInvitation;
use App\Models\StaffMember;
use App\Models\StaffPost;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;

/** Asks somebody to work here: by a mail with a link that is good once, for a week. Only its hash is kept. */
final class InviteStaff
{
    private const LETTERS = 40;

    public function __construct(private readonly RecordChange $recordChange) {}

    /** @return string|null the link; null where they work here already */
    public function __invoke(StaffMember $by, string $email, StaffRole $role, CarbonImmutable $now): ?string
    {
        return DB::transaction(function () use ($by, $email, $role, $now): ?string {
            DB::select('select from libraries where id = ? for update', [$by->library_id]);
            $email = mb_strtolower($email);
            $isHere = StaffPost::query()
                ->where('library_id', $by->library_id)
                ->whereRelation('member', 'email', $email)
                ->exists();
            if ($isHere) {
                return null;
            }
            $key = Str::random(self::LETTERS);
            StaffInvitation::query()->updateOrCreate(
                ['library_id' => $by->library_id, 'email' => $email],
                [
                    'role' => $role,
                    'key_hash' => hash('sha256', $key),
                    'invited_by' => $by->id,
                    'invited_at' => $now,
                ],
            );
            ($this->recordChange)($by, ChangeKind::StaffInvited, $email, ['role' => [null, $role->value]], $now);
            $link = route('desk.join', $key);
            Mail::to($email)
                ->locale(app()->getLocale())
                ->queue(new StaffInvitationMail($by->name, $by->library->name, $role, $link));

            return $link;
        });
    }
}
