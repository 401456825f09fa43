<?php

declare(strict_types=1);

namespace App\Desk\CardImport;

use App\Models\CardImport;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A file of patrons is of the library whose staff sent it. */
final class CardImportPolicy
{
    public function handle(StaffMember $staff, CardImport $import): Response
    {
        return $import->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
