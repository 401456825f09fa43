<?php

declare(strict_types=1);

namespace App\Account\Preferences;

use App\Models\Person;

/** Somebody wants to see what is for older readers than their card is for, or no longer. */
final class ListOlder
{
    public function __invoke(Person $person, bool $older): void
    {
        $person->update(['shows_older' => $older]);
    }
}
