<?php

declare(strict_types=1);

namespace Tests\App\Shared;

use App\Lending\Borrowing\BorrowTitle;
use App\Models\Notice;
use App\Shared\AppServiceProvider;
use App\Shared\Middleware\HalfOfWorkers;
use App\Shared\Readiness;
use App\Shared\ReadyPages\ReadyPage;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Database\QueryException;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\View;
use PDO;
use PDOException;
use RuntimeException;
use Tests\App\TestCase;

/** What is said, and what is written down, when something does not go as it should. */
final class FaultsTest extends TestCase
{
    protected bool $mayBreak = true;

    public function test_who_comes_to_a_locked_row_is_told_to_try_again_and_nothing_is_changed(): void
    {
        $licence = $this->licence($title = $this->title());
        $card = $this->card();
        $other = $this->other();
        $other->beginTransaction();
        $other->exec("select from licences where id = {$licence->id} for update");
        DB::statement("set lock_timeout = '150ms'");
        try {
            $this->as($card)
                ->post("/titles/{$title->id}/borrow", ['length' => '14d'])
                ->assertStatus(503)
                ->assertHeader('Retry-After', '5')
                ->assertSee('Busy for a moment');
            $this->assertSame(0, $card->refresh()->loans_open);
            $this->get("/titles/{$title->id}")->assertOk();
        } finally {
            $other->rollBack();
            DB::statement('set lock_timeout = 0');
        }
        $this->assertIsInt(app(BorrowTitle::class)($card->id, $title->id, null, $this->now()));
        $this->assertEveryCountIsTrue();
    }

    public function test_half_of_those_that_answer_at_most_write_on_one_title(): void
    {
        config(['figporch.workers' => 4]);
        $this->licence($title = $this->title());
        $this->licence($free = $this->title('Another'));
        $card = $this->card();
        $others = $this->other();
        foreach ([0, 1] as $place) {
            $others->exec("select pg_advisory_lock(hashtext('title {$title->id}'), {$place})");
        }
        $this->as($card)
            ->post("/titles/{$title->id}/borrow", ['length' => '14d'])
            ->assertStatus(503)
            ->assertHeader('Retry-After', '5');
        $this->post("/titles/{$free->id}/borrow", ['length' => '14d'])->assertRedirect();
        $this->get("/titles/{$title->id}")->assertOk();
        // One of them has ended: its place is free.
        $others->exec("select pg_advisory_unlock(hashtext('title {$title->id}'), 1)");
        $this->post("/titles/{$title->id}/borrow", ['length' => '14d'])->assertRedirect();
        $this->assertSame(2, $card->refresh()->loans_open);
        $this->assertSame(2, $this->advisoryLocks() + 1, 'this one has given its places back');
    }

    public function test_heavy_work_is_shared_out_among_those_who_want_it(): void
    {
        config(['figporch.workers' => 8]);
        Route::get('/heavy', fn(): string => 'done')->middleware(HalfOfWorkers::class . ':drawing');
        $one = $this->card()->person;
        $others = $this->other();
        foreach ([0, 1] as $place) {
            $others->exec("select pg_advisory_lock(hashtext('drawing of {$one->id}'), {$place})");
        }
        $this->be($one)->get('/heavy')->assertStatus(503)->assertHeader('Retry-After', '5');
        $this->be($this->card()->person)->get('/heavy')->assertOk();
        foreach ([0, 1, 2, 3] as $place) {
            $others->exec("select pg_advisory_lock(hashtext('drawing'), {$place})");
        }
        $this->get('/heavy')->assertStatus(503);
        $others->exec("select pg_advisory_unlock(hashtext('drawing'), 3)");
        $this->get('/heavy')->assertOk();
        $this->get('/heavy')->assertOk();
    }

    public function test_what_one_person_may_do_in_a_minute_is_limited(): void
    {
        config(['figporch.a_minute.holds' => 2]);
        $this->licence($title = $this->title());
        $this->borrow($this->card(), $title);
        $card = $this->card();
        $this->as($card);
        for ($i = 0; $i < 2; $i++) {
            $this->post("/titles/{$title->id}/hold")->assertRedirect();
        }
        $this->post("/titles/{$title->id}/hold")
            ->assertStatus(429)
            ->assertSee('That was a little fast');
        $this->as($this->card())
            ->post("/titles/{$title->id}/hold")
            ->assertRedirect();
        $this->travel(61)->seconds();
        $this->as($card)
            ->post("/titles/{$title->id}/hold")
            ->assertRedirect();
    }

    public function test_whatever_fails_speaks_the_visitor_s_language(): void
    {
        $this->library();
        config(['app.debug' => false]);
        Route::get('/broken', fn() => throw new RuntimeException('broken'));
        $spanish = ['Accept-Language' => 'fr, es;q=0.8, en;q=0.5'];
        $this->get('/nowhere/at/all', $spanish)->assertNotFound()->assertSee('Aquí no hay nada');
        $this->get('/catalogue?q=%FF', $spanish)->assertStatus(400)->assertSee('lang="es"', false);
        $this->get('/broken', $spanish)->assertStatus(500)->assertSee('Algo se ha roto por nuestra parte');
        $this->put('/porch', [], $spanish)->assertStatus(405)->assertSee('Eso no funciona aquí');
        // What is chosen here goes before what the browser names.
        $this->withUnencryptedCookie('locale', 'en')
            ->get('/broken', $spanish)
            ->assertStatus(500)
            ->assertSee('Something broke on our side');
    }

    public function test_an_address_that_nothing_has_is_said_under_the_header_of_who_asks(): void
    {
        $card = $this->card();
        $card->person->update(['name' => 'Odile Marsh', 'locale' => 'es']);
        $this->as($card)
            ->get('/nowhere/at/all?x=1')
            ->assertNotFound()
            ->assertSee('Aquí no hay nada')
            ->assertSee('Odile Marsh')
            ->assertDontSee('href="/sign-in', false);
        $this->post('/nowhere/at/all')->assertNotFound();
        $this->putJson('/titles/x/y/z')->assertNotFound();
        $this->post('/catalogue')->assertStatus(405);
        $this->options('/.env')->assertNotFound();
        $this->get('/catalogue/older')->assertNotFound();
        $this->getJson('/nowhere')->assertNotFound()->assertHeader('Content-Type', 'application/json');
    }

    public function test_where_even_the_page_that_would_say_so_breaks_one_stands_ready(): void
    {
        $this->artisan('pages:ready')->assertSuccessful();
        foreach (['en' => 'Try again', 'es' => 'Intentarlo de nuevo'] as $language => $words) {
            foreach (ReadyPage::cases() as $page) {
                $html = (string) file_get_contents($page->file($language));
                $this->assertStringContainsString($words, $html);
                $this->assertStringNotContainsString((string) config('app.url'), $html, 'by whatever name');
            }
        }
        config(['app.debug' => false]);
        Route::get('/broken', fn() => throw new RuntimeException('broken'));
        View::composer('errors.plain', fn() => throw new RuntimeException('broken too'));
        $this->get('/broken', ['Accept-Language' => 'es'])
            ->assertStatus(500)
            ->assertSee('Algo se ha roto por nuestra parte')
            ->assertDontSee('Oops');
        $this->getJson('/broken')
            ->assertStatus(500)
            ->assertJsonStructure(['message']);
    }

    public function test_a_job_that_failed_is_kept_without_what_was_asked_for(): void
    {
        $fault = new QueryException(
            'pgsql',
            'select * from cards where number = ?',
            ['a secret number'],
            new PDOException('invalid input: "a secret number"'),
        );
        app('queue.failer')->log('database', 'default', '{"uuid":"1"}', $fault);
        app('queue.failer')->log(
            'database',
            'default',
            '{"uuid":"2"}',
            new RuntimeException('The push service is away.'),
        );
        $kept = DB::table('failed_jobs')->orderBy('id')->pluck('exception')->all();
        $this->assertStringNotContainsString('secret', (string) $kept[0]);
        $this->assertStringContainsString(QueryException::class, (string) $kept[0]);
        $this->assertStringContainsString(__FILE__, (string) $kept[0]);
        $this->assertStringContainsString('The push service is away.', (string) $kept[1]);
    }

    public function test_what_is_wrong_with_an_installation_is_said_with_what_to_do(): void
    {
        Readiness::schedulerIsAtWork();
        config(['mail.default' => 'smtp']);
        $said = fn(): array => json_decode(
            Artisan::call('installation:check', ['--json' => true]) >= 0 ? Artisan::output() : '',
            true,
        )['looked_at'];
        // A port on which nobody listens, one on which a mail server does, and one with something else.
        foreach (
            ['220 mail ready' => null, 'HTTP/1.1 400' => 'is no mail server', '' => 'no mail server answers']
            as $greeting => $problem
        ) {
            $server = stream_socket_server('tcp://127.0.0.1:0') ?: $this->fail('no port is free');
            $port = (int) substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1);
            config(['mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => $port]);
            $child = 0;
            if ($greeting === '') {
                fclose($server);
            } elseif (($child = pcntl_fork()) === 0) {
                $visitor = stream_socket_accept($server, 10);
                $visitor === false || fwrite($visitor, "{$greeting}\r\n");
                posix_kill(posix_getpid(), SIGKILL);
            }
            $found = $said();
            $problem === null
                ? $this->assertNull($found['mail'])
                : $this->assertStringContainsString($problem, (string) $found['mail']);
            $child === 0 || pcntl_waitpid($child, $status);
            unset($found['mail']);
            $this->assertSame([], array_filter($found));
        }
        config(['mail.default' => 'array']);
        $this->assertSame(0, Artisan::call('installation:check'));
        $this->travel(1000)->seconds();
        $this->assertSame(1, Artisan::call('installation:check'));
        $this->assertStringContainsString('last ran 1000 seconds ago', Artisan::output());
    }

    public function test_logs_are_kept_by_the_day_and_for_fourteen_days(): void
    {
        $var = sys_get_temp_dir() . '/rotate-' . bin2hex(random_bytes(4));
        foreach (["{$var}/log", "{$var}/storage/logs", "{$var}/run"] as $folder) {
            mkdir($folder, recursive: true);
        }
        $yesterday = date('Y-m-d', time() - 86_400);
        foreach (
            [
                'log/nginx-access.log' => 0,
                'log/nginx-access.2026-01-01.log' => 15,
                'log/queue.log.1' => 15,
                'log/queue.log' => 13,
                'storage/logs/laravel-2026-01-01.log' => 15,
            ]
            as $file => $days
        ) {
            file_put_contents("{$var}/{$file}", 'x');
            touch("{$var}/{$file}", time() - $days * 86_400 - 60);
        }
        // Of a program that is gone.
        file_put_contents("{$var}/run/nginx.pid", '999999999');
        Process::env(['FIGPORCH_VAR' => $var, 'RUN' => "{$var}/run"])
            ->run(['sh', base_path('deploy/rotate-logs.sh')])
            ->throw();
        $this->assertSame(
            ["nginx-access.{$yesterday}.log", 'queue.log'],
            array_map(basename(...), [...glob("{$var}/log/*") ?: [], ...glob("{$var}/storage/logs/*") ?: []]),
        );
        (new Filesystem())->deleteDirectory($var);
    }

    public function test_a_mail_of_which_nobody_knows_whether_it_went_is_reported(): void
    {
        $card = $this->card();
        $notice = fn(string $key, int $hoursAgo, bool $mailed): Notice => Notice::query()->create([
            'person_id' => $card->person_id,
            'kind' => 'loan_ended',
            'event_key' => $key,
            'facts' => ['name' => 'x', 'title' => 1],
            'created_at' => $this->now()->subHours($hoursAgo),
            'mail_begun_at' => $this->now()->subHours($hoursAgo),
            'mailed_at' => $mailed ? $this->now()->subHours($hoursAgo) : null,
        ]);
        $notice('went', 5, true);
        $notice('long ago', 72, false);
        $this->artisan('lending:audit')->assertSuccessful();
        $half = $notice('half', 5, false);
        $this->artisan('lending:audit')
            ->expectsOutputToContain("notice {$half->id} began to be mailed")
            ->assertFailed();
    }

    private function other(): PDO
    {
        $config = config('database.connections.pgsql');

        return new PDO(
            "pgsql:host={$config['host']};port={$config['port']};dbname={$config['database']}",
            $config['username'],
            $config['password'],
        );
    }

    public function test_what_is_put_off_until_the_commit_may_have_to_wait_too(): void
    {
        $this->licence($title = $this->title());
        $card = $this->card();
        $other = $this->other();
        $other->beginTransaction();
        // The last copy goes: who can have the title is written down at the commit.
        $other->exec("select from search_rows where title_id = {$title->id} for update");
        DB::statement("set lock_timeout = '150ms'");
        try {
            $this->as($card)
                ->post("/titles/{$title->id}/borrow", ['length' => '14d'], ['Referer' => url("/titles/{$title->id}")])
                ->assertStatus(503)
                ->assertSee('href="' . url("/titles/{$title->id}") . '"', false);
            $this->postJson("/titles/{$title->id}/borrow", ['length' => '14d'])
                ->assertStatus(503)
                ->assertJsonStructure(['message']);
            $this->post("/titles/{$title->id}/borrow", [], ['Referer' => 'https://elsewhere.example/x'])
                ->assertStatus(503)
                ->assertDontSee('elsewhere');
        } finally {
            $other->rollBack();
            DB::statement('set lock_timeout = 0');
        }
        $this->assertSame(0, $card->refresh()->loans_open);
        $this->assertEveryCountIsTrue();
    }

    public function test_behind_a_proxy_the_visitor_is_known_and_no_other_name_is_taken(): void
    {
        $this->library();
        config(['figporch.proxies' => '10.9.0.1']);
        (new AppServiceProvider($this->app))->boot();
        Route::get('/seen', fn(Request $request): array => [$request->ip(), url('/x')]);
        $seen = fn(string $from): array => $this->withServerVariables(['REMOTE_ADDR' => $from])
            ->get('/seen', [
                'X-Forwarded-For' => '192.0.2.7',
                'X-Forwarded-Proto' => 'https',
                'X-Forwarded-Host' => 'evil.example',
            ])
            ->json();
        $this->assertSame('192.0.2.7', $seen('10.9.0.1')[0]);
        $this->assertStringStartsWith('https://', $seen('10.9.0.1')[1]);
        $this->assertStringNotContainsString('evil', $seen('10.9.0.1')[1]);
        $this->assertSame('10.9.0.2', $seen('10.9.0.2')[0], 'anybody else is nobody’s proxy');
        TrustProxies::flushState();
    }

    public function test_a_failed_question_is_logged_without_what_was_asked_for(): void
    {
        $logged = [];
        config(['app.debug' => false]);
        Log::listen(function (MessageLogged $message) use (&$logged): void {
            $logged[] = json_encode([$message->message, $message->context]);
        });
        Route::get(
            '/broken',
            fn() => DB::select('select * from cards where number = ?::int and pin_hash = ?', [
                'a secret number',
                'a secret hash',
            ]),
        );
        $this->get('/broken')->assertStatus(500)->assertDontSee('secret');
        $this->assertCount(1, $logged);
        $this->assertStringContainsString('42883', (string) $logged[0]);
        $this->assertStringContainsString('select * from cards where number = ?::int', (string) $logged[0]);
        $this->assertStringNotContainsString('secret', (string) $logged[0]);
    }

    /** A form in which something is wrong leads to the page that it came from, if that is ours. */
    public function test_nobody_is_sent_back_to_somebody_elses_page(): void
    {
        $this->library();
        $here = url('/');
        $sent = function (string $from): string {
            $answer = $this->be($this->card()->person)->post('/letters', ['text' => ''], ['Referer' => $from]);

            return (string) $answer->assertRedirect()->headers->get('Location');
        };
        foreach (
            [
                'http://169.254.169.254/latest/meta-data/',
                'https://evil.example/letters/new',
                "{$here}.evil.example/",
                "{$here}@evil.example/",
                '//evil.example/',
                'javascript:alert(1)',
                'http://127.0.0.1:1/',
            ]
            as $from
        ) {
            $this->assertTrue(str_starts_with($sent($from) . '/', "{$here}/"), $from);
            $this->assertStringNotContainsString('evil', $sent($from));
        }
        $this->assertSame("{$here}/letters/new", $sent("{$here}/letters/new"));
    }

    public function test_only_our_hosts_are_answered(): void
    {
        $this->library();
        config(['app.url' => 'https://books.saltmere.example']);
        $ask = function (string $host): int {
            $request = Request::create('/libraries');
            $request->headers->set('Host', $host);

            return $this->app->make(Kernel::class)->handle($request)->getStatusCode();
        };
        foreach (
            [
                'evil.example',
                'books.saltmere.example.evil.example',
                '',
                'books.saltmere.example@evil.example',
                '127.0.0.1',
            ]
            as $host
        ) {
            $this->assertSame(421, $ask($host), $host);
        }
        foreach (['books.saltmere.example', 'BOOKS.saltmere.example', 'books.saltmere.example:443'] as $host) {
            $this->assertSame(200, $ask($host), $host);
        }
        config(['figporch.hosts' => 'one.example, two.example']);
        $this->assertSame([200, 200, 421], array_map($ask, ['one.example', 'two.example', 'books.saltmere.example']));
    }

    public function test_whether_the_library_can_be_used_is_said_with_the_reasons(): void
    {
        $this->getJson('/ready')
            ->assertStatus(503)
            ->assertExactJson(['ready' => false, 'reasons' => ['scheduler' => 'has not run yet']]);
        Readiness::schedulerIsAtWork();
        $this->getJson('/ready')
            ->assertOk()
            ->assertExactJson(['ready' => true, 'reasons' => []]);
        $this->travel(1000)->seconds();
        DB::table('jobs')->insert([
            'queue' => 'default',
            'payload' => '{}',
            'attempts' => 0,
            'available_at' => time() - 1000,
            'created_at' => time() - 1000,
        ]);
        $reasons = $this->getJson('/ready')->assertStatus(503)->json('reasons');
        $this->assertSame(['scheduler', 'queue'], array_keys($reasons));
        DB::table('jobs')->delete();
        Readiness::schedulerIsAtWork();
        $last = DB::table('migrations')->orderByDesc('id')->first();
        DB::table('migrations')
            ->where('id', $last->id ?? 0)
            ->delete();
        $this->getJson('/ready')
            ->assertStatus(503)
            ->assertJsonPath('reasons.migrations', 'the database is not up to date');
        DB::table('migrations')->insert((array) $last);
        // A process lives though there is no database; whoever asks whether it can be used is told.
        $port = config('database.connections.pgsql.port');
        config(['database.connections.pgsql.port' => 1]);
        DB::purge();
        $this->get('/up')->assertOk();
        $this->getJson('/ready')->assertStatus(503)->assertJsonPath('reasons.database', 'does not answer');
        config(['database.connections.pgsql.port' => $port]);
        DB::purge();
    }
}
