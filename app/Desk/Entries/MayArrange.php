<?php

declare(strict_types=1);

namespace App\Desk\Entries;

use App\Catalogue\Records\EntryKind;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\DB;

/** An entry is named anew by a library that has, or had, each of its titles that any library has. */
final class MayArrange
{
    public function __invoke(StaffMember $staff, EntryKind $kind, int $entry): Response
    {
        $others = DB::table('licences as li')
            ->whereIn('li.title_id', $kind->titles($entry))
            ->whereNotExists(
                fn($own) => $own
                    ->from('licences as own')
                    ->whereColumn('own.title_id', 'li.title_id')
                    ->where('own.library_id', $staff->library_id),
            )
            ->distinct()
            ->count('li.title_id');

        return $others === 0 ? Response::allow() : Response::deny(trans_choice('entries.of_others', $others));
    }
}
