<?php

declare(strict_types=1);

namespace App\Desk\Staff;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\StaffMember;
use App\Models\StaffPost;
use DateTimeImmutable;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\DB;

/** Another role for somebody, or none any more. A library keeps a director. */
final class ChangePost
{
    public function __construct(private readonly RecordChange $recordChange) {}

    /**
     * @param  StaffRole|null  $to  null: they leave
     * @return bool false where they are the last director
     */
    public function __invoke(StaffMember $by, StaffMember $of, ?StaffRole $to, DateTimeImmutable $now): bool
    {
        return DB::transaction(function () use ($by, $of, $to, $now): bool {
            // Two directors who leave at the same moment.
            DB::select('select from libraries where id = ? for update', [$by->library_id]);
            $posts = StaffPost::query()->where('library_id', $by->library_id);
            $post = (clone $posts)->where('staff_member_id', $of->id)->first();
            if ($post === null || $post->role === $to) {
                return true;
            }
            $directors = (clone $posts)->where('role', StaffRole::Director->value)->count();
            if ($post->role === StaffRole::Director && $directors === 1) {
                return false;
            }
            $change = (clone $posts)->where('staff_member_id', $of->id);
            $to === null ? $change->delete() : $change->update(['role' => $to->value]);
            ($this->recordChange)(
                $by,
                $to === null ? ChangeKind::StaffLeft : ChangeKind::StaffRole,
                $of->email,
                ['role' => [$post->role->value, $to?->value]],
                $now,
            );

            return true;
        });
    }
}
