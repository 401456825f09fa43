<?php

declare(strict_types=1);

namespace App\Account\Help;

use App\Models\Person;

/** Somebody has seen the tour; it does not come by itself again. */
final class EndTour
{
    public function __invoke(Person $person): void
    {
        $person->update(['toured' => true]);
    }
}
