<?php

declare(strict_types=1);

namespace App\Queries\Catalogue;

use App\Queries\Catalogue\Sets\InSets;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** The languages that titles are in. */
final class KnownLanguages
{
    public function __construct(private readonly InSets $inSets)
    {
    }

    /** @return list<string> codes; of a large catalogue as they were gathered */
    public function codes(DateTimeImmutable $now): array
    {
        $gathering = $this->inSets->latest($now);

        return $gathering === null
            ? array_values(array_filter(DB::table('search_rows')->distinct()->pluck('language')->all()))
            : array_map(strval(...), array_keys($gathering->values('language')));
    }
}
