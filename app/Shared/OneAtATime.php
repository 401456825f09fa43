<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Support\Facades\DB;

/**
 * Work of which there may be one at a time. The database holds the lock for this connection, so that it is free again
 * however the process ends.
 */
final class OneAtATime
{
    /**
     * @param  string  $what  the same for what may not run beside it
     * @return bool whether it was done; false where another is at it at this moment
     */
    public static function run(string $what, callable $work): bool
    {
        if (!DB::scalar('select pg_try_advisory_lock(hashtextextended(?, 3))', [$what])) {
            return false;
        }
        try {
            $work();
        } finally {
            DB::select('select pg_advisory_unlock(hashtextextended(?, 3))', [$what]);
        }

        return true;
    }
}
