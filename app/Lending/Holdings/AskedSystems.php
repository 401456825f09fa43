<?php

declare(strict_types=1);

namespace App\Lending\Holdings;

use App\Models\Holding;
use App\Models\SignInWays;

/** The libraries' own systems, which know whether a copy on paper is in. */
final class AskedSystems
{
    /** @param  list<Holding>  $holdings  whether one of them can be asked about */
    public static function know(array $holdings): bool
    {
        $numbered = array_filter($holdings, fn(Holding $of): bool => $of->numbers !== []);
        $libraries = array_unique(array_map(fn(Holding $of): int => $of->library_id, $numbered));

        return $libraries !== [] &&
            SignInWays::query()->whereIn('library_id', $libraries)->whereNotNull('system')->exists();
    }
}
