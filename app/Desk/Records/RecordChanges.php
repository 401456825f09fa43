<?php

declare(strict_types=1);

namespace App\Desk\Records;

use Illuminate\Support\Facades\DB;
use stdClass;

/** What staff changed in a record, the last first. */
final class RecordChanges
{
    private const LAST = 20;

    /** @return list<stdClass> */
    public function of(int $titleId): array
    {
        return array_values(
            DB::table('record_changes')
                ->join('staff_members', 'staff_members.id', '=', 'record_changes.staff_member_id')
                ->join('libraries', 'libraries.id', '=', 'record_changes.library_id')
                ->where('title_id', $titleId)
                ->orderByDesc('record_changes.id')
                ->limit(self::LAST)
                ->get(['record_changes.*', 'staff_members.name as by', 'libraries.short_name as at'])
                ->all(),
        );
    }
}
