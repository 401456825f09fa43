<?php

declare(strict_types=1);

namespace Tests\App\Shared;

use App\Exchange\Mail\MailNotices;
use App\Shared\SqlFunctions;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Process;
use RuntimeException;
use Tests\App\TestCase;

/** A database made from nothing, one that has grown, and one that was restored are the same. */
final class DatabaseTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        config(['database.connections.other' => ['database' => self::other()] + config('database.connections.pgsql')]);
        DB::purge('other');
        DB::unprepared('drop database if exists ' . self::other() . ' with (force)');
        DB::unprepared('create database ' . self::other());
    }

    protected function tearDown(): void
    {
        DB::purge('other');
        DB::unprepared('drop database if exists ' . self::other() . ' with (force)');
        parent::tearDown();
    }

    public function test_a_database_from_before_becomes_what_a_new_one_is(): void
    {
        $this->restore($this->before());
        $command = "O:20:\"App\\Jobs\\MailNotices\":1:{s:31:\"\0App\\Jobs\\MailNotices\0noticeIds\";a:1:{i:0;i:7;}}";
        $payload = [
            'displayName' => 'App\Jobs\MailNotices',
            'data' => ['commandName' => 'App\Jobs\MailNotices', 'command' => $command],
        ];
        DB::connection('other')
            ->table('jobs')
            ->insert([
                'queue' => 'default',
                'payload' => json_encode($payload),
                'attempts' => 0,
                'available_at' => 1,
                'created_at' => 1,
            ]);

        Artisan::call('migrate', ['--database' => 'other', '--force' => true]);
        Artisan::call('migrate', ['--database' => 'other', '--force' => true]);

        $this->assertSame($this->settled(self::own()), $this->settled(self::other()));
        $this->assertSame(
            DB::table('migrations')->orderBy('id')->pluck('migration')->all(),
            DB::connection('other')->table('migrations')->orderBy('id')->pluck('migration')->all(),
        );
        $job = json_decode((string) DB::connection('other')->table('jobs')->value('payload'), true);
        $this->assertSame([MailNotices::class, MailNotices::class], [$job['displayName'], $job['data']['commandName']]);
        $mailing = unserialize($job['data']['command']);
        $this->assertInstanceOf(ShouldQueue::class, $mailing);
        $this->assertEquals(new MailNotices([7]), $mailing);
    }

    /** Ended at each of its statements in turn, it goes on to the same end. */
    public function test_migrating_that_is_ended_anywhere_can_begin_again(): void
    {
        $migrate = fn() => Artisan::call('migrate', ['--database' => 'other', '--force' => true]);
        for ($endAt = 1, $ended = true; $ended; $endAt++) {
            $ended = false;
            $seen = 0;
            DB::connection('other')->beforeExecuting(function (string $sql) use (&$seen, &$ended, $endAt): void {
                if (++$seen === $endAt) {
                    $ended = true;
                    throw new RuntimeException('ended from without');
                }
            });
            try {
                $migrate();
            } catch (RuntimeException $fault) {
                $this->assertTrue($ended, $fault->getMessage());
            }
            // As a process that is gone: nothing of it is left but what was committed.
            DB::purge('other');
        }
        $this->assertGreaterThan(20, $endAt);
        $this->assertSame($this->settled(self::own()), $this->settled(self::other()));
    }

    public function test_an_older_database_is_refused_and_stays_as_it_is(): void
    {
        $this->restore($this->before());
        DB::connection('other')
            ->table('migrations')
            ->where('migration', '2026_11_26_000037_stems_by_language')
            ->delete();
        $before = $this->dump(self::other());

        try {
            Artisan::call('migrate', ['--database' => 'other', '--force' => true]);
            $this->fail('It was taken over.');
        } catch (RuntimeException $refused) {
            $this->assertStringContainsString('2026_11_26_000037_stems_by_language', $refused->getMessage());
        }
        $this->assertSame($before, $this->dump(self::other()));
    }

    public function test_a_restored_database_is_what_was_dumped(): void
    {
        DB::unprepared('alter function pg_catalog.ts_match_vq(tsvector, tsquery) cost 10000');
        $this->restore($this->dump(self::own()) . $this->dump(self::own(), '--data-only', '--table=migrations'));

        Artisan::call('migrate', ['--database' => 'other', '--force' => true]);

        $this->assertSame($this->settled(self::own()), $this->settled(self::other()));
        $this->assertSame(
            '10000',
            (string) DB::connection('other')->scalar(
                "select procost from pg_proc where oid = 'pg_catalog.ts_match_vq(tsvector, tsquery)'::regprocedure",
            ),
            'what a dump does not keep',
        );
    }

    public function test_functions_are_loaded_when_their_files_differ_and_those_of_no_file_go(): void
    {
        $folder = database_path('functions');
        $this->assertFalse(SqlFunctions::bringUpToDate($folder), 'nothing differs');
        $before = $this->dump(self::own());
        DB::unprepared(
            "create function left_over() returns int language sql as 'select 1'; comment on schema public is
                'functions of another day'",
        );

        $this->assertTrue(SqlFunctions::bringUpToDate($folder));
        $this->assertSame($before, $this->dump(self::own()));
    }

    /** As dumped once it was restored: PostgreSQL writes some conditions in another form the first time. */
    private function settled(string $database): string
    {
        $again = self::other() . '_again';
        DB::unprepared("drop database if exists {$again} with (force)");
        DB::unprepared("create database {$again}");
        try {
            $this->restore($this->dump($database), $again);

            // How a function's lines are broken says nothing.
            return (string) preg_replace('/\n\s+/', ' ', $this->dump($again));
        } finally {
            DB::unprepared("drop database if exists {$again} with (force)");
        }
    }

    public function test_where_loading_fails_everything_stays_as_it_was(): void
    {
        $before = $this->dump(self::own());
        $folder = sys_get_temp_dir() . '/functions-' . getmypid();
        @mkdir("{$folder}/lending", recursive: true);
        try {
            $refused = [];
            foreach (['', 'create function broken() returns int language sql as $$ select nothing $$;'] as $sql) {
                $sql === '' || file_put_contents("{$folder}/lending/broken.sql", $sql);
                try {
                    SqlFunctions::bringUpToDate($folder);
                } catch (RuntimeException $wrong) {
                    $refused[] = $wrong::class;
                }
            }
            $this->assertSame([RuntimeException::class, QueryException::class], $refused);
        } finally {
            @unlink("{$folder}/lending/broken.sql");
            rmdir("{$folder}/lending");
            rmdir($folder);
        }
        $this->assertSame($before, $this->dump(self::own()));
    }

    private function before(): string
    {
        return (string) gzdecode((string) file_get_contents(__DIR__ . '/database-of-2026-11-27.sql.gz'));
    }

    private function dump(string $database, string ...$options): string
    {
        $options = $options === [] ? ['--schema-only'] : $options;
        $dump = Process::env($this->access())
            ->run(['pg_dump', '--no-owner', '--no-privileges', ...$options, $database])
            ->throw()
            ->output();

        // A key that differs each time, by which a restore is guarded.
        return (string) preg_replace('/^\\\\(un)?restrict .*$/m', '', $dump);
    }

    private static function other(): string
    {
        return self::own() . '_other';
    }

    private static function own(): string
    {
        return (string) getenv('DB_DATABASE');
    }

    private function restore(string $sql, ?string $into = null): void
    {
        Process::env($this->access())
            ->input($sql)
            ->run(['psql', '-qv', 'ON_ERROR_STOP=1', $into ?? self::other()])
            ->throw();
    }

    /** @return array<string, string> */
    private function access(): array
    {
        $pgsql = config('database.connections.pgsql');

        return [
            'PGHOST' => $pgsql['host'],
            'PGPORT' => (string) $pgsql['port'],
            'PGUSER' => $pgsql['username'],
            'PGPASSWORD' => $pgsql['password'],
        ];
    }
}
