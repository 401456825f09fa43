<?php

declare(strict_types=1);

namespace App\Account\Letters;

use App\Models\Letter;
use App\Models\Person;
use App\Models\StaffMember;
use Illuminate\Auth\Access\Response;

/** A letter is between who wrote it and the staff of the library to which it went. */
final class LetterPolicy
{
    public function own(Person $person, Letter $letter): Response
    {
        return $letter->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }

    public function answer(StaffMember $staff, Letter $letter): Response
    {
        return $letter->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
