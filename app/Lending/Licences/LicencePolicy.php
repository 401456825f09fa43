<?php

declare(strict_types=1);

namespace App\Lending\Licences;

use App\Models\Licence;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A licence is changed by the staff of the library that bought it. */
final class LicencePolicy
{
    public function change(StaffMember $staff, Licence $licence): Response
    {
        return $licence->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
