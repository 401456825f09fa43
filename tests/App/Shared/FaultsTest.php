<?php

declare(strict_types=1);

namespace Tests\App\Shared;

use App\Lending\Borrowing\BorrowTitle;
use App\Shared\AppServiceProvider;
use App\Shared\Readiness;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use PDO;
use Tests\App\TestCase;

/** What is said, and what is written down, when something does not go as it should. */
final class FaultsTest extends TestCase
{
    public function test_who_comes_to_a_locked_row_is_told_to_try_again_and_nothing_is_changed(): void
    {
        $licence = $this->licence($title = $this->title());
        $card = $this->card();
        $config = config('database.connections.pgsql');
        $other = new PDO(
            "pgsql:host={$config['host']};port={$config['port']};dbname={$config['database']}",
            $config['username'],
            $config['password'],
        );
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

    public function test_what_is_put_off_until_the_commit_may_have_to_wait_too(): void
    {
        $this->licence($title = $this->title());
        $card = $this->card();
        $config = config('database.connections.pgsql');
        $other = new PDO(
            "pgsql:host={$config['host']};port={$config['port']};dbname={$config['database']}",
            $config['username'],
            $config['password'],
        );
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
