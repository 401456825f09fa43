<?php

declare(strict_types=1);

namespace App\Catalogue\SavedSearches;

use App\Models\Person;
use App\Models\SavedSearch;
use Illuminate\Auth\Access\Response;

/** A saved search is of who keeps it. */
final class SavedSearchPolicy
{
    public function own(Person $person, SavedSearch $saved): Response
    {
        return $saved->person_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
