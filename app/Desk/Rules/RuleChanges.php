<?php

declare(strict_types=1);

namespace App\Desk\Rules;

use Illuminate\Support\Facades\DB;
use stdClass;

/** Changes of a library's loan rules, planned and done, the last first. */
final class RuleChanges
{
    private const LAST = 30;

    /** @return list<stdClass> */
    public function last(int $libraryId): array
    {
        return array_values(
            DB::table('loan_rule_changes')
                ->join('staff_members', 'staff_members.id', '=', 'loan_rule_changes.staff_member_id')
                ->where('loan_rule_changes.library_id', $libraryId)
                ->orderByDesc('loan_rule_changes.id')
                ->limit(self::LAST)
                ->get(['loan_rule_changes.*', 'staff_members.name as by'])
                ->all(),
        );
    }
}
