<?php

declare(strict_types=1);

namespace App\Desk\Files;

use App\Models\FileImport;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A file is seen by the staff of the library that sent it. */
final class FileImportPolicy
{
    public function see(StaffMember $staff, FileImport $file): Response
    {
        return $file->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
