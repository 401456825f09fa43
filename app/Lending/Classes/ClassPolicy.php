<?php

declare(strict_types=1);

namespace App\Lending\Classes;

use App\Models\Person;
use App\Models\SchoolClass;
use Illuminate\Auth\Access\Response;

/** A class is its teacher's; its pupils see it. */
final class ClassPolicy
{
    public function teach(Person $person, SchoolClass $class): Response
    {
        return $class->teacher->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }

    public function attend(Person $person, SchoolClass $class): Response
    {
        return $class->members()->where('person_id', $person->id)->exists()
            ? Response::allow()
            : Response::denyAsNotFound();
    }
}
