<?php

declare(strict_types=1);

namespace App\Reading\Marks;

use App\Models\Mark;
use App\Models\Person;
use Illuminate\Auth\Access\Response;

/** A mark is of who made it; once removed it is nobody's. */
final class MarkPolicy
{
    public function own(Person $person, Mark $mark): Response
    {
        return $mark->person_id === $person->id && !$mark->removed ? Response::allow() : Response::denyAsNotFound();
    }
}
