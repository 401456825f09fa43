<?php

declare(strict_types=1);

namespace App\Desk\Uploads;

use App\Models\StaffMember;
use App\Models\Upload;
use Illuminate\Auth\Access\Response;

/** A file that is on its way is of who sends it. */
final class UploadPolicy
{
    public function send(StaffMember $staff, Upload $upload): Response
    {
        return $upload->staff_member_id === $staff->id && $upload->library_id === $staff->library_id
            ? Response::allow()
            : Response::denyAsNotFound();
    }
}
