<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use App\Catalogue\BitmapSearch\BitmapSearch;
use DateTimeImmutable;
use Illuminate\Support\Facades\DB;

/** The languages that titles are in. */
final class KnownLanguages
{
    public function __construct(private readonly BitmapSearch $inSets) {}

    /** @return list<string> codes; of a large catalogue as they were gathered */
    public function codes(DateTimeImmutable $now): array
    {
        $gathering = $this->inSets->latest($now);

        return $gathering === null
            ? array_values(array_filter(DB::table('search_rows')->distinct()->pluck('language')->all()))
            : array_map(strval(...), array_keys($gathering->values('language')));
    }
}
