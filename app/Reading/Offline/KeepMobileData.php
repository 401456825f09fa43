<?php

declare(strict_types=1);

namespace App\Reading\Offline;

use App\Models\Person;

/** Keeps what a person wants to be asked about before it comes over mobile data, on all their devices. */
final class KeepMobileData
{
    /** As resources/js/reading/offline/device.js knows them. */
    public const KINDS = ['offline', 'sound', 'film'];

    /** @param  list<string>  $ask  of KINDS */
    public function __invoke(Person $person, array $ask): void
    {
        $person->update(['ask_on_mobile' => $ask === [] ? null : $ask]);
    }
}
