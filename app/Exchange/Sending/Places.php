<?php

declare(strict_types=1);

namespace App\Exchange\Sending;

use App\Models\EReader;
use App\Models\Folder;
use App\Models\Person;
use FigPorch\Core\Exchange\Sending\Way;

/** The places of a person to which things can be sent. */
final class Places
{
    public function eReader(Person $person): ?EReader
    {
        return EReader::query()->find($person->id);
    }

    public function folder(Person $person): ?Folder
    {
        return Folder::query()->find($person->id);
    }

    /** An address; null where there is none, or it is not confirmed. */
    public function to(Person $person, Way $way): ?string
    {
        $eReader = $way === Way::EReader ? $this->eReader($person) : null;

        return match ($way) {
            Way::Mail => $person->email,
            Way::Folder => $this->folder($person)?->address,
            Way::EReader => $eReader?->confirmed_at === null ? null : $eReader->address,
        };
    }
}
