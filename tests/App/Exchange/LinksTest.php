<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Exchange\Links\LookAtAddress;
use App\Exchange\Links\LookAtLinks;
use App\Exchange\Links\Seen;
use App\Exchange\Outbound\NameServer;
use App\Models\Link;
use Closure;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Exchange\Links\Trouble;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Illuminate\Support\Sleep;
use RuntimeException;
use Tests\App\StandIns;
use Tests\App\TestCase;

/** Whether the websites that libraries point to are there: looked at in time, politely, and nowhere inside. */
final class LinksTest extends TestCase
{
    use StandIns;

    private static ?int $port = null;

    protected function setUp(): void
    {
        parent::setUp();
        self::$port ??= self::standIn('websites');
        config(['figporch.inner_hosts' => '127.0.0.1:' . self::$port]);
        Sleep::fake();
    }

    private static function at(string $path): string
    {
        return 'http://127.0.0.1:' . self::$port . "/{$path}";
    }

    private function link(string $address, ?string $library = null): Link
    {
        $title = $this->title("A website {$this->made}", Format::Website, onOrder: true);
        $link = $this->standsElsewhere($title, $library === null ? null : $this->library($library), address: $address);

        return $link instanceof Link ? $link : $this->fail('It is a website.');
    }

    private function look(): int
    {
        return app(LookAtLinks::class)($this->now());
    }

    /** @param  Closure(string): (int|null)  $answers  a status by address; null for none */
    private function find(Closure $answers): void
    {
        $this->app->instance(
            NameServer::class,
            new class extends NameServer {
                public function addressOf(string $host): string
                {
                    return '192.88.98.1';
                }
            },
        );
        Http::fake(
            fn(Request $request) => ($status = $answers($request->url())) === null
                ? throw new ConnectionException('cURL error 28: Connection timed out')
                : Http::response('', $status),
        );
    }

    public function test_what_is_there_is_found_whatever_it_answers_to_the_first_question(): void
    {
        $look = app(LookAtAddress::class);
        $this->assertEquals(new Seen(null), $look(self::at('tides')));
        $this->assertEquals(new Seen(null), $look(self::at('old-newspapers')), 'it answers to no HEAD');
        $this->assertEquals(new Seen(null, self::at('lamp-pictures')), $look(self::at('harbour-museum')));
        $this->assertEquals(new Seen(Trouble::Gone), $look(self::at('ferry-timetable')));
        // A host is asked once a second: of seven questions six come after another.
        Sleep::assertSleptTimes(6);
    }

    public function test_nobody_is_asked_or_followed_inside_this_network(): void
    {
        $inner = stream_socket_server('tcp://127.0.0.1:0') ?: $this->fail('No port is free.');
        $address = 'http://' . stream_socket_get_name($inner, false) . '/';
        $look = app(LookAtAddress::class);
        $this->assertEquals(new Seen(Trouble::Inside), $look($address));
        foreach (
            ['http://10.0.0.1/', 'http://[::1]/', 'http://169.254.169.254/latest', 'http://[::ffff:127.0.0.1]/']
            as $one
        ) {
            $this->assertEquals(new Seen(Trouble::Inside), $look($one), $one);
        }
        // A name that means this machine, and a website that leads into it.
        $this->app->instance(
            NameServer::class,
            new class extends NameServer {
                public function addressOf(string $host): ?string
                {
                    return ['here.example' => '127.0.0.1', 'six.example' => 'fd00::1'][$host] ?? null;
                }
            },
        );
        $look = app(LookAtAddress::class);
        $this->assertEquals(new Seen(Trouble::Inside), $look('https://here.example/'));
        $this->assertEquals(new Seen(Trouble::Inside), $look('https://six.example/'));
        $this->assertEquals(new Seen(Trouble::NoHost), $look('https://nobody.example/'));
        $leads = self::serve("HTTP/1.1 302 Found\r\nLocation: {$address}\r\nContent-Length: 0\r\n\r\n");
        $this->assertEquals(new Seen(Trouble::Inside), $look($leads));
        stream_set_blocking($inner, false);
        $this->assertFalse(@stream_socket_accept($inner, 0), 'nobody has come');
    }

    public function test_what_never_ends_hangs_up_or_leads_on_and_on_keeps_nobody(): void
    {
        $look = app(LookAtAddress::class);
        $sent = (string) tempnam(sys_get_temp_dir(), 'sent');
        $endless = self::serve("HTTP/1.1 200 OK\r\nContent-Type: text/plain\r\n\r\n", $sent);
        $this->assertEquals(new Seen(null), $look($endless));
        for ($tries = 0; $tries < 200 && filesize($sent) === 0; $tries++) {
            usleep(20_000);
            clearstatcache();
        }
        $this->assertGreaterThan(0, filesize($sent));
        $this->assertLessThan(50_000_000, (int) file_get_contents($sent), 'what follows the head is not taken');
        $circle = self::serve("HTTP/1.1 301 Moved\r\nLocation: /again\r\nContent-Length: 0\r\n\r\n");
        $this->assertEquals(new Seen(Trouble::Circle), $look($circle));
        $this->assertEquals(new Seen(Trouble::Silent), $look(self::serve('')));
        $this->assertEquals(new Seen(Trouble::Silent), $look(self::serve("\x00\xff\x17\r\n\r\n")));
        // A way that is only for now is no new address; nor is one that leads to nothing.
        $this->assertEquals(
            new Seen(Trouble::Gone),
            $look(self::serve("HTTP/1.1 301 Moved\r\nLocation: " . self::at('nothing') . "\r\n\r\n")),
        );
        $this->assertEquals(
            new Seen(null),
            $look(self::serve("HTTP/1.1 302 Found\r\nLocation: " . self::at('tides') . "\r\n\r\n")),
        );
        $this->assertEquals(
            new Seen(null),
            $look(self::serve("HTTP/1.1 303 See\r\nLocation: mailto:a@b.example\r\n\r\n")),
        );
    }

    public function test_after_five_tries_over_a_week_it_is_dead_and_when_it_answers_it_lives(): void
    {
        $link = $this->link('https://tides.example/');
        $is = 404;
        $this->find(function (string $address) use (&$is): int {
            return $is;
        });
        for ($try = 1; $try <= 5; $try++) {
            $this->assertNull($link->refresh()->dead_at);
            $this->assertSame(1, $this->look(), "try {$try}");
            $this->assertSame(0, $this->look(), 'not twice');
            $this->assertSame([$try, 'gone'], [$link->refresh()->tries, $link->trouble]);
            $try < 5 && $this->travelTo($link->ask_at);
        }
        $this->assertEqualsWithDelta(7, $link->refresh()->dead_at?->diffInDays($this->now(), true) + 7, 0.01);
        $died = $link->dead_at;
        $this->travelTo($link->ask_at);
        $this->look();
        $this->assertEquals($died, $link->refresh()->dead_at, 'it died when it did');
        $is = 200;
        $this->travelTo($link->refresh()->ask_at);
        $this->look();
        $this->assertSame([0, null, null], [$link->refresh()->tries, $link->trouble, $link->dead_at]);
        $this->assertEqualsWithDelta(7, $this->now()->diffInDays($link->ask_at), 0.01);
    }

    public function test_an_address_of_two_libraries_is_looked_at_once_and_hosts_have_their_turns(): void
    {
        foreach (range(1, 25) as $n) {
            $this->link("https://many.example/{$n}");
        }
        [$a, $b] = [$this->link('https://one.example/'), $this->link('https://one.example/', 'larkspur')];
        $asked = [];
        $this->find(function (string $address) use (&$asked): int {
            $asked[] = $address;

            return 200;
        });
        $this->look();
        $this->assertContains('https://one.example/', array_slice($asked, 0, 2), 'it waits for nobody’s twenty');
        $this->assertCount(1, array_keys($asked, 'https://one.example/'));
        $this->assertNotNull($a->refresh()->asked_at);
        $this->assertEquals($a->asked_at, $b->refresh()->asked_at);
        $this->assertCount(21, $asked, 'twenty of a host, and the other');
        $this->look();
        $this->assertSame(26, count(array_unique($asked)));
        $this->assertCount(26, $asked);
    }

    public function test_where_this_machine_has_no_way_out_nothing_is_held_against_anybody(): void
    {
        $answering = '';
        $this->find(function (string $address) use (&$answering): ?int {
            return $address === $answering ? 200 : null;
        });
        $links = array_map(fn(int $n): Link => $this->link("https://host{$n}.example/"), range(1, 3));
        // Of who has never reached anybody nobody can know; what is not there counts.
        $this->look();
        $this->assertSame([1, 1, 1], Link::query()->pluck('tries')->all());

        $well = $this->link('https://well.example/');
        $answering = 'https://well.example/';
        $this->look();
        $this->assertSame(0, $well->refresh()->tries);
        $this->assertNotNull($well->asked_at);
        // Cut off: what answered the last time does not, either.
        $answering = '';
        $this->travelTo($links[0]->refresh()->ask_at);
        $this->look();
        foreach ($links as $link) {
            $this->assertSame(1, $link->refresh()->tries);
            $this->assertEqualsWithDelta(6, $this->now()->diffInHours($link->ask_at), 0.01);
        }
        $this->assertSame(0, $well->refresh()->tries);
        // It does: then it is they who are not there, though nobody else was due.
        $answering = 'https://well.example/';
        $this->travelTo($links[0]->ask_at);
        $this->look();
        $this->assertSame([2, 2, 2], Link::query()->whereKeyNot($well->id)->orderBy('id')->pluck('tries')->all());
    }

    public function test_two_at_a_time_do_not_look_twice(): void
    {
        $this->link('https://tides.example/');
        $this->find(function (string $address): int {
            // Another begins meanwhile, on a connection of its own.
            config(['database.connections.other' => config('database.connections.pgsql')]);
            $this->assertFalse(
                DB::connection('other')->scalar('select pg_try_advisory_lock(hashtextextended(?, 3))', [
                    LookAtLinks::class,
                ]),
            );

            return 200;
        });
        $this->assertSame(1, $this->look());
    }

    /**
     * A website that says one thing to everybody.
     *
     * @param  string|null  $sent  a file for how many bytes it could send of something without an end, of which it
     *     does not tell the head
     * @return string its address
     */
    private static function serve(string $answer, ?string $sent = null): string
    {
        $port = self::freePort();
        $process = proc_open(
            ['php', __DIR__ . '/odd-website.php', (string) $port, base64_encode($answer), (string) $sent],
            [1 => ['file', '/dev/null', 'w'], 2 => ['file', '/dev/null', 'w']],
            $pipes,
        );
        self::$running[] = $process ?: throw new RuntimeException('It does not start.');
        config(['figporch.inner_hosts' => config('figporch.inner_hosts') . ",127.0.0.1:{$port}"]);
        for ($tries = 0; $tries < 100; $tries++) {
            usleep(20_000);
            $socket = @fsockopen('127.0.0.1', $port, timeout: 1);
            if ($socket !== false) {
                fclose($socket);
                break;
            }
        }

        return "http://127.0.0.1:{$port}/";
    }
}
