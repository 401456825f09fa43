<?php

declare(strict_types=1);

namespace App\Shared;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Cache;
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

    private const SCHEDULER = 'scheduler is at work';

    /** Said each minute, to all machines: only one of them need have a scheduler. */
    public static function schedulerIsAtWork(): void
    {
        Cache::put(self::SCHEDULER, now()->getTimestamp());
    }

    public function __invoke(): JsonResponse
    {
        $wrong = array_filter($this->reasons());

        return response()->json(['ready' => $wrong === [], 'reasons' => (object) $wrong], $wrong === [] ? 200 : 503, [
            'Cache-Control' => 'no-store',
        ]);
    }

    /** @return array<string, string|null> by what was looked at, what is wrong; null where all is well */
    public function reasons(): array
    {
        $free = disk_free_space(storage_path());
        $reasons = [
            'disk' => $free !== false && $free < self::LEAST_FREE_BYTES ? 'less than 200 MB are free' : null,
        ];
        try {
            $ran = Cache::get(self::SCHEDULER);
            $ago = is_int($ran) ? now()->getTimestamp() - $ran : null;
            $waits = (int) DB::scalar(
                "select coalesce(extract(epoch from now())::bigint - min(available_at), 0) from jobs
                    where reserved_at is null and queue not in ('imports', 'files', 'sendings')",
            );
            $migrated = DB::table('migrations')->pluck('migration')->all();
        } catch (Throwable) {
            return ['database' => 'does not answer'] + $reasons;
        }
        $migrations = array_map(
            fn(string $file): string => basename($file, '.php'),
            glob(database_path('migrations/*.php')) ?: [],
        );

        return [
            ...$reasons,
            'scheduler' => match (true) {
                $ago === null => 'has not run yet',
                $ago > self::LATE => "last ran {$ago} seconds ago",
                default => null,
            },
            'queue' => $waits > self::LATE ? "a job has waited {$waits} seconds" : null,
            'migrations' => array_diff($migrations, $migrated) === [] ? null : 'the database is not up to date',
        ];
    }
}
