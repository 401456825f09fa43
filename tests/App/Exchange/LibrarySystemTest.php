<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Models\Card;
use App\Models\Holding;
use App\Models\Library;
use App\Models\SignInWays;
use App\Models\Title;
use App\Shared\View\Dates;
use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Account\LibrarySystem;
use FigPorch\Core\Catalogue\Format;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\StandIns;
use Tests\App\TestCase;

/** Patrons of a library whose own system knows them, which is asked by SIP2. */
final class LibrarySystemTest extends TestCase
{
    use StandIns;

    private static ?int $port = null;

    private Library $library;

    protected function setUp(): void
    {
        parent::setUp();
        self::$port ??= self::standIn('library-system');
        $this->library = $this->library('larkspur');
        $this->system(self::$port);
    }

    private function system(int $port, string $password = 'ropewalk', string $host = '127.0.0.1'): void
    {
        config(['figporch.inner_hosts' => "127.0.0.1:{$port}"]);
        $system = new LibrarySystem(
            host: $host,
            port: $port,
            tls: false,
            institution: 'LF',
            user: 'figporch',
            password: $password,
            terminalPassword: '',
            groupField: 'PC',
            groups: ['ADULT' => 'adult', 'TEEN' => 'teen'],
            otherGroup: 'adult',
        );
        SignInWays::query()->updateOrCreate(['library_id' => $this->library->id], ['system' => $system->toArray()]);
    }

    /** @return TestResponse<Response> */
    private function signIn(string $number, string $pin): TestResponse
    {
        Auth::guard('web')->check() && $this->post('/sign-out');
        Auth::guard('web')->forgetUser();

        return $this->withUnencryptedCookie('library', 'larkspur')->post('/sign-in', [
            'number' => $number,
            'pin' => $pin,
        ]);
    }

    private function known(string $number): ?Card
    {
        return Card::query()->with('person')->where('number', $number)->first();
    }

    public function test_who_is_known_there_comes_in_and_has_a_card_here_from_then_on(): void
    {
        $this->signIn('23000101', '8812')->assertRedirect('/porch');
        $card = $this->known('23000101') ?? $this->fail('There is a card.');
        $this->assertSame(
            ['Odalys Marrow', 'odalys.marrow@lantern.example', 'adult'],
            [$card->person->name, $card->person->email, $card->patron_group],
        );
        $this->assertNotNull($card->confirmed_at);
        $this->signIn('23000101', '8812')->assertSessionHasNoErrors();
        $this->assertSame(1, Card::query()->count());
        $this->signIn('23000102', '3390');
        $teen = $this->known('23000102') ?? $this->fail('There is a card.');
        $this->assertSame('teen', $teen->patron_group);
        $this->assertSame('2028-07-01', $teen->expires_at?->setTimezone($this->library->zone())->format('Y-m-d'));
    }

    public function test_a_wrong_pin_or_number_makes_no_card_and_gets_the_same_answer(): void
    {
        $a = $this->signIn('23000101', '0000')->assertSessionHasErrors('number');
        $first = session('errors')->first('number');
        $this->signIn('99999990', '0000')->assertSessionHasErrors('number');
        $this->assertSame($first, session('errors')->first('number'));
        $this->assertSame(0, Card::query()->count());
        $this->assertSame(302, $a->getStatusCode());
        // What was right once is not, when the system says otherwise.
        $this->signIn('23000101', '8812');
        $this->known('23000101')?->update(['pin_hash' => password_hash('1111', PASSWORD_BCRYPT, ['cost' => 4])]);
        $this->signIn('23000101', '1111')->assertSessionHasErrors('number');
    }

    public function test_a_block_and_an_end_there_are_so_here_with_the_reason(): void
    {
        $this->signIn('23000103', '6021');
        $this->assertSame(
            'Two lanterns and a chart are overdue at Larkspur Ferry.',
            $this->known('23000103')?->block_reason,
        );
        $this->get('/porch')->assertSee('Two lanterns and a chart are overdue');
        $this->signIn('23000104', '7745');
        $this->assertTrue($this->known('23000104')?->expires_at < $this->now());
        $this->assertSame('Íñigo Saltón', $this->known('23000104')?->person->name);
        $this->known('23000101');
        $this->known('23000103')?->update(['blocked_at' => null, 'block_reason' => null]);
        $this->signIn('23000103', '6021');
        $this->assertNotNull($this->known('23000103')?->blocked_at);
    }

    public function test_while_it_is_silent_those_confirmed_of_late_come_in_and_are_told(): void
    {
        $this->signIn('23000101', '8812');
        $this->system(self::freePort());
        $this->signIn('23000101', '8812')->assertRedirect('/porch')->assertSessionHas('said');
        $this->signIn('23000101', '0000')->assertSessionHasErrors('number');
        $this->assertStringContainsString('does not answer just now', session('errors')->first('number'));
        $this->signIn('23000102', '3390')->assertSessionHasErrors('number');
        $this->travel(31)->days();
        $this->signIn('23000101', '8812')->assertSessionHasErrors('number');
        $this->assertGuest();
    }

    public function test_nonsense_silence_and_a_wrong_log_in_are_no_answer(): void
    {
        foreach (['10009999', '10009998'] as $number) {
            $this->signIn($number, '0000')->assertSessionHasErrors('number');
            $this->assertStringContainsString('does not answer just now', session('errors')->first('number'));
        }
        $this->system((int) self::$port, password: 'wrong');
        $this->signIn('23000101', '8812')->assertSessionHasErrors('number');
        $this->assertStringContainsString('does not answer just now', session('errors')->first('number'));
    }

    public function test_nothing_inside_this_network_is_asked_unless_who_runs_the_machine_named_it(): void
    {
        config(['figporch.inner_hosts' => '']);
        $this->signIn('23000101', '8812')->assertSessionHasErrors('number');
        $this->assertSame(0, Card::query()->count());
    }

    public function test_libraries_without_a_system_are_as_before(): void
    {
        $card = $this->card($this->library('saltmere'), pin: '4071');
        $this->withUnencryptedCookie('library', 'saltmere')
            ->post('/sign-in', ['number' => $card->number, 'pin' => '4071'])
            ->assertRedirect('/porch');
    }

    /** @param  list<string>  $numbers */
    private function onShelf(array $numbers, int $copies, string $place = 'Ferry room'): Title
    {
        $title = $this->title('Low Water', Format::Paper, onOrder: true);
        Holding::query()->create([
            'library_id' => $this->library->id,
            'title_id' => $title->id,
            'place' => $place,
            'call_number' => '599.2 GUL',
            'copies' => $copies,
            'numbers' => $numbers,
        ]);

        return $title;
    }

    private function shelves(Title $title): string
    {
        $page = $this->get("/titles/{$title->id}/shelves?library=larkspur")->assertOk();

        return trim((string) preg_replace('/\s+/', ' ', strip_tags((string) $page->getContent())));
    }

    public function test_whether_a_copy_is_in_is_asked_after_the_page(): void
    {
        $title = $this->onShelf(['LF0001', 'LF0002', 'LF0009'], 3);
        $page = $this->get("/titles/{$title->id}?library=larkspur")->assertOk();
        $this->assertHtml($page, "hx-get=\"/titles/{$title->id}/shelves\"", 'On paper at Larkspur, Ferry room');
        $this->assertStringContainsString('1 of 3 in at the moment', $this->shelves($title));
        // All out: when the first is due back.
        $out = $this->onShelf(['LF0007'], 1, 'Annexe');
        // The stand-in goes by the clock of this machine.
        $due = Dates::day(new DateTimeImmutable(gmdate('Y-m-d', time() + 12 * 86_400)), new DateTimeZone('UTC'));
        $this->assertStringContainsString("out, due back on {$due}", $this->shelves($out));
        $this->assertStringContainsString('out at the moment', $this->shelves($this->onShelf(['LF0019'], 1)));
        $this->assertStringEndsWith('GUL in at the moment', $this->shelves($this->onShelf(['LF0020'], 1)));
    }

    public function test_silence_nonsense_and_what_it_does_not_know_have_to_be_asked_at_the_library(): void
    {
        foreach (
            [
                'silent' => ['LF9998'],
                'nonsense' => ['LF9999'],
                'not known there' => ['31000042'],
                // One is out; of the other nothing is known.
                'half' => ['LF0002', '31000042'],
            ]
            as $case => $numbers
        ) {
            DB::table('cache')->delete();
            $this->assertStringContainsString(
                'ask at the library whether it is in',
                $this->shelves($this->onShelf($numbers, count($numbers))),
                $case,
            );
        }
        $this->system(self::freePort());
        DB::table('cache')->delete();
        $away = $this->onShelf(['LF0001'], 1);
        $this->assertStringContainsString('ask at the library', $this->shelves($away));
        // It is left in peace for a minute, and asked again then.
        $this->system((int) self::$port);
        $this->assertStringContainsString('ask at the library', $this->shelves($away));
        $this->travel(61)->seconds();
        $this->assertStringContainsString('in at the moment', $this->shelves($away));
    }

    public function test_where_nobody_can_be_asked_nothing_is_said(): void
    {
        $none = $this->onShelf([], 2);
        $this->assertStringNotContainsString(
            '/shelves',
            (string) $this->get("/titles/{$none->id}?library=larkspur")->getContent(),
        );
        $this->assertSame('On paper at Larkspur, Ferry room, 599.2 GUL · 2 copies', $this->shelves($none));
        SignInWays::query()->delete();
        $some = $this->onShelf(['LF0001'], 1);
        $this->assertStringNotContainsString(
            '/shelves',
            (string) $this->get("/titles/{$some->id}?library=larkspur")->getContent(),
        );
        $this->assertStringNotContainsString('moment', $this->shelves($some));
    }

    /** Who waits for a system that dawdles holds up few: the others are told to ask at the library at once. */
    public function test_a_system_that_dawdles_holds_up_no_more_than_two(): void
    {
        $title = $this->onShelf(['LF0001'], 1);
        $dawdles = stream_socket_server('tcp://127.0.0.1:0') ?: $this->fail('No port is free.');
        $this->system((int) substr((string) strrchr((string) stream_socket_get_name($dawdles, false), ':'), 1));
        $held = [];
        for ($n = 0; $n < 2; $n++) {
            config(["database.connections.other{$n}" => config('database.connections.pgsql')]);
            $held[] = DB::connection("other{$n}")->scalar('select pg_try_advisory_lock(hashtext(?), ?)', [
                "copies {$this->library->id}",
                $n,
            ]);
        }
        $this->assertSame([true, true], $held);
        $this->assertStringContainsString('ask at the library', $this->shelves($title));
        stream_set_blocking($dawdles, false);
        $this->assertFalse(@stream_socket_accept($dawdles, 0), 'nobody has come');
    }
}
