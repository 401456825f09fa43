<?php

declare(strict_types=1);

namespace App\Account\Privacy;

use App\Models\Person;

/** Whether what a person has borrowed stays known to them once it is returned. */
final class KeepHistory
{
    public function __invoke(Person $person, bool $keep): void
    {
        $person->update(['keeps_history' => $keep]);
    }
}
