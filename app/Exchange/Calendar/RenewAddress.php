<?php

declare(strict_types=1);

namespace App\Exchange\Calendar;

use App\Models\Person;
use Illuminate\Support\Str;

/** A new address for a person's calendar of due dates; the old one gives nothing any more. */
final class RenewAddress
{
    private const LETTERS = 40;

    public function __invoke(Person $person): void
    {
        $person->update(['calendar_key' => Str::random(self::LETTERS)]);
    }
}
