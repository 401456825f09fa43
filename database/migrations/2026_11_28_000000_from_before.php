<?php

declare(strict_types=1);

use App\Exchange\Mail\MailNotices;
use App\Exchange\Push\PushNotice;
use App\Lending\Holds\BorrowForPatron;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Takes over a database that 37 earlier migrations made: what has another name now is renamed, also in the jobs that
 * wait in the queue. Run again, it changes nothing. An empty database it leaves alone.
 */
return new class extends Migration {
    private const LAST = '2026_11_26_000037_stems_by_language';

    private const JOBS = [
        'App\Jobs\MailNotices' => MailNotices::class,
        'App\Jobs\PushNotice' => PushNotice::class,
        'App\Jobs\BorrowForPatron' => BorrowForPatron::class,
    ];

    public function up(): void
    {
        if (!Schema::hasTable('search_loose')) {
            Schema::hasTable('libraries') && Schema::hasTable('search_index_changes') === false && $this->refuse();

            return;
        }
        DB::table('migrations')->where('migration', self::LAST)->exists() || $this->refuse();
        DB::unprepared(
            <<<'SQL'
            alter table search_loose rename to search_index_changes;
            alter sequence search_loose_id_seq rename to search_index_changes_id_seq;
            alter index search_loose_pkey rename to search_index_changes_pkey;
            SQL
            ,
        );
        foreach (['jobs', 'failed_jobs'] as $table) {
            foreach (
                DB::table($table)
                    ->orderBy('id')
                    ->get(['id', 'payload'])
                as $job
            ) {
                DB::table($table)
                    ->where('id', $job->id)
                    ->update(['payload' => self::renamed((string) $job->payload)]);
            }
        }
        DB::table('migrations')->where('migration', '<=', self::LAST)->delete();
    }

    private function refuse(): never
    {
        throw new RuntimeException(
            'This database was made by an earlier version than this one can take over. ' .
                'Run the migrations of the version before (' .
                self::LAST .
                ') first; nothing has been changed.',
        );
    }

    /** A job as the queue keeps it, whose command is serialized: names stand in it with their lengths. */
    private static function renamed(string $payload): string
    {
        $job = json_decode($payload, true);
        $old = $job['data']['commandName'] ?? null;
        $new = is_string($old) ? self::JOBS[$old] ?? null : null;
        if ($new === null) {
            return $payload;
        }
        $job['displayName'] = $job['data']['commandName'] = $new;
        $job['data']['command'] = preg_replace_callback(
            '/(O|s):\d+:"(\0?)' . preg_quote((string) $old, '/') . '((?:\0\w+)?)"/',
            fn(array $m): string => "{$m[1]}:" . strlen($m[2] . $new . $m[3]) . ":\"{$m[2]}{$new}{$m[3]}\"",
            (string) $job['data']['command'],
        );

        return (string) json_encode($job, JSON_THROW_ON_ERROR);
    }
};
