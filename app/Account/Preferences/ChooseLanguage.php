<?php

declare(strict_types=1);

namespace App\Account\Preferences;

use App\Models\Person;

/** The language in which a person reads pages and is told of things. */
final class ChooseLanguage
{
    public function __invoke(Person $person, string $locale): void
    {
        $person->update(['locale' => $locale]);
    }
}
