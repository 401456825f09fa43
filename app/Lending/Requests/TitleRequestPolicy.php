<?php

declare(strict_types=1);

namespace App\Lending\Requests;

use App\Models\Person;
use App\Models\StaffMember;
use App\Models\TitleRequest;
use Illuminate\Auth\Access\Response;

/** A request is of who asked, and of the staff of the library that was asked. */
final class TitleRequestPolicy
{
    public function own(Person $person, TitleRequest $asked): Response
    {
        return $person->cards->contains('id', $asked->card_id) ? Response::allow() : Response::denyAsNotFound();
    }

    public function answer(StaffMember $staff, TitleRequest $asked): Response
    {
        return $asked->library_id === $staff->library_id ? Response::allow() : Response::denyAsNotFound();
    }
}
