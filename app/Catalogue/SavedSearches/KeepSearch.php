<?php

declare(strict_types=1);

namespace App\Catalogue\SavedSearches;

use App\Models\Library;
use App\Models\Person;
use App\Models\SavedSearch;
use DateTimeImmutable;

/** Keeps a search for a person under a name, or keeps it no longer. */
final class KeepSearch
{
    public const MOST = 50;

    /**
     * The one of that name is replaced.
     *
     * @param  array<string, string>  $search  values of a query string
     * @return bool false when they keep as many as anyone may
     */
    public function __invoke(
        Person $person,
        Library $library,
        string $name,
        array $search,
        bool $tells,
        DateTimeImmutable $now,
    ): bool {
        $others = SavedSearch::query()->where('person_id', $person->id)->where('name', '<>', $name);
        if ($others->count() >= self::MOST) {
            return false;
        }
        SavedSearch::query()->updateOrCreate(
            ['person_id' => $person->id, 'library_id' => $library->id, 'name' => $name],
            ['search' => $search, 'tells' => $tells, 'looked_at' => $now],
        );

        return true;
    }

    /** What came while nothing was to be told is no news afterwards. */
    public function tell(SavedSearch $saved, bool $tells, DateTimeImmutable $now): void
    {
        $saved->update(['tells' => $tells, 'looked_at' => $now]);
    }

    public function remove(SavedSearch $saved): void
    {
        $saved->delete();
    }
}
