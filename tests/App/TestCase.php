<?php

declare(strict_types=1);

namespace Tests\App;

use App\Account\SignIn\SessionLimit;
use Carbon\CarbonImmutable;
use FigPorch\Core\Account\Stay;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Lang;
use Illuminate\Testing\PendingCommand;
use Illuminate\Testing\TestResponse;
use LogicException;

/** Against a real PostgreSQL, emptied before each test; nothing is wrapped in a transaction, so commits are real. */
abstract class TestCase extends LaravelTestCase
{
    use LendingFixtures;

    private static bool $migrated = false;

    /** Whether answers of 500 are what is tested. */
    protected bool $mayBreak = false;

    /** Deleting a few rows is much cheaper than truncating thirty tables. */
    private const EMPTY_ALL = <<<'SQL'
    do $$
    declare v record; v_any boolean;
    begin
        set local session_replication_role = replica;
        for v in select tablename as name from pg_tables where schemaname = 'public' and tablename <> 'migrations' loop
            execute format('select exists (select from %I)', v.name) into v_any;
            if v_any then
                execute format('delete from %I', v.name);
            end if;
        end loop;
        for v in select sequencename as name from pg_sequences
            where schemaname = 'public' and last_value is not null and sequencename <> 'migrations_id_seq' loop
            perform setval(quote_ident(v.name), 1, false);
        end loop;
    end $$
    SQL;

    /**
     * @param  string  $command
     * @param  array<string, mixed>  $parameters
     */
    public function artisan($command, $parameters = []): PendingCommand
    {
        $pending = parent::artisan($command, $parameters);

        return $pending instanceof PendingCommand ? $pending : $this->fail('Output of commands is not mocked.');
    }

    /**
     * A page that broke shows what broke it, and would be taken for one that shows what is looked for.
     *
     * @param  string  $method
     * @param  string  $uri
     * @param  array<mixed>  $parameters
     * @param  array<mixed>  $cookies
     * @param  array<mixed>  $files
     * @param  array<mixed>  $server
     * @param  string|null  $content
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    public function call(
        $method,
        $uri,
        $parameters = [],
        $cookies = [],
        $files = [],
        $server = [],
        $content = null,
    ): TestResponse {
        $answer = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        if ($answer->getStatusCode() === 500 && !$this->mayBreak && $answer->exception !== null) {
            throw $answer->exception;
        }

        return $answer;
    }

    /** Advisory locks of this database, of such a kind; other processes that test have databases of their own. */
    protected function advisoryLocks(string $such = 'true'): int
    {
        return (int) DB::scalar(
            "select count(*) from pg_locks where locktype = 'advisory' and {$such}
                and database = (select oid from pg_database where datname = current_database())",
        );
    }

    /** So much later; who was signed in has signed in again meanwhile. */
    protected function later(int $days): void
    {
        $this->travel($days)->days();
        SessionLimit::begin($this->app->make('session.store'), Stay::Usual, CarbonImmutable::now());
    }

    /**
     * A page has each of some pieces of HTML, wherever its lines are broken.
     *
     * @param  TestResponse<covariant \Symfony\Component\HttpFoundation\Response>  $page
     */
    protected function assertHtml(TestResponse $page, string ...$pieces): void
    {
        $html = (string) preg_replace('/\s+/', ' ', (string) $page->getContent());
        foreach ($pieces as $piece) {
            $this->assertStringContainsString($piece, $html);
        }
    }

    protected function setUp(): void
    {
        parent::setUp();
        if (!self::$migrated) {
            // With its functions, which migrate:fresh would leave.
            DB::unprepared('drop schema public cascade; create schema public');
            Artisan::call('migrate');
            self::$migrated = true;
        }
        DB::unprepared(self::EMPTY_ALL);
        $this->travelTo(CarbonImmutable::parse('2026-05-01 12:00:00', 'UTC'));
        $this->withoutVite();
        // A page never shows the name of a sentence instead of it.
        Lang::handleMissingKeysUsing(
            fn(string $key): string => preg_match('/^(?!validation)[a-z_]+\.[\w.-]+$/', $key) === 1
                ? throw new LogicException("There is no sentence {$key}.")
                : $key,
        );
    }
}
