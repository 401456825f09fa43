<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Support\Facades\DB;
use PDOException;

/**
 * How many may do the same at once. The database holds the places for their connections, so that they are free again
 * however a process ends.
 */
final class WorkSlots
{
    private const STEP_MICROSECONDS = 15_000;

    /**
     * @param  string  $what  of which there are so many places
     * @return int|null the place; null where none was free in the time
     */
    public static function take(string $what, int $places, int $milliseconds): ?int
    {
        $until = hrtime(true) + $milliseconds * 1_000_000;
        do {
            for ($place = 0; $place < $places; $place++) {
                if (DB::scalar('select pg_try_advisory_lock(hashtext(?), ?)', [$what, $place])) {
                    return $place;
                }
            }
            usleep(self::STEP_MICROSECONDS);
        } while (hrtime(true) < $until);

        return null;
    }

    public static function free(string $what, int $place): void
    {
        try {
            DB::select('select pg_advisory_unlock(hashtext(?), ?)', [$what, $place]);
        } catch (PDOException) {
            // The connection is gone, and the place with it.
        }
    }
}
