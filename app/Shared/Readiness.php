<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Whether the library can be used at this moment, at /ready: for whoever looks after the machine, and for what shares
 * the load. /up says no more than that a process lives.
 */
final class Readiness
{
    /** A job that nobody has taken up for so long, or a minute's work that has not been done, is late; in seconds. */
    private const LATE = 300;

    private const LEAST_FREE_BYTES = 200_000_000;

    /** Where the scheduler writes each minute that it is at work. */
    private static function clock(): string
    {
        return storage_path('framework/scheduler');
    }

    public static function schedulerIsAtWork(): void
    {
        touch(self::clock());
    }

    public function __invoke(): JsonResponse
    {
        $wrong = array_filter($this->reasons());

        return response()->json(['ready' => $wrong === [], 'reasons' => (object) $wrong], $wrong === [] ? 200 : 503, [
            'Cache-Control' => 'no-store',
        ]);
    }

    /** @return array<string, string|null> by what was looked at, what is wrong; null where all is well */
    private function reasons(): array
    {
        $free = disk_free_space(storage_path());
        clearstatcache(true, self::clock());
        $clock = is_file(self::clock()) ? time() - (int) filemtime(self::clock()) : null;
        $reasons = [
            'disk' => $free !== false && $free < self::LEAST_FREE_BYTES ? 'less than 200 MB are free' : null,
            'scheduler' => match (true) {
                $clock === null => 'has not run yet',
                $clock > self::LATE => "last ran {$clock} seconds ago",
                default => null,
            },
        ];
        try {
            $waits = (int) DB::scalar(
                'select coalesce(extract(epoch from now())::bigint - min(available_at), 0) from jobs
                    where reserved_at is null',
            );
            $ran = DB::table('migrations')->pluck('migration')->all();
        } catch (Throwable) {
            return ['database' => 'does not answer'] + $reasons;
        }
        $migrations = array_map(
            fn(string $file): string => basename($file, '.php'),
            glob(database_path('migrations/*.php')) ?: [],
        );

        return [
            ...$reasons,
            'queue' => $waits > self::LATE ? "a job has waited {$waits} seconds" : null,
            'migrations' => array_diff($migrations, $ran) === [] ? null : 'the database is not up to date',
        ];
    }
}
