<?php

declare(strict_types=1);

namespace App\Catalogue\Search;

use Illuminate\Support\Facades\DB;

/**
 * Writes down anew who can have the titles of which a licence has begun or ended since; until then searching asks the
 * licences themselves.
 */
final class RefreshAvailability
{
    /** @return int how many rows changed */
    public function __invoke(): int
    {
        return (int) DB::scalar(
            'select search_refresh(array_agg(title_id), now()) from (select title_id from search_rows
                where sure_until <= now() or sure_from > now()) x',
        );
    }
}
