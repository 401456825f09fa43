<?php

declare(strict_types=1);

namespace App\Desk\RecordImport;

use App\Models\RecordImport;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A file of records is of the library whose staff sent it. */
final class RecordImportPolicy
{
    public function handle(StaffMember $staff, RecordImport $records): Response
    {
        return $records->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
