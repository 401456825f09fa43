<?php

declare(strict_types=1);

namespace App\Desk\Records;

use App\Models\StaffMember;
use App\Models\Title;
use Illuminate\Auth\Access\Response;

/** Who may edit the record of a title: see EditableTitles. */
final class TitlePolicy
{
    public function edit(StaffMember $staff, Title $title): Response
    {
        return EditableTitles::among($staff->library_id, [$title->id]) !== []
            ? Response::allow()
            : Response::deny(__('records.of_others'));
    }
}
