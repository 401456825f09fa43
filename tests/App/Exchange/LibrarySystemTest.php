<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Models\Card;
use App\Models\Library;
use App\Models\SignInWays;
use FigPorch\Core\Account\LibrarySystem;
use Illuminate\Support\Facades\Auth;
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
}
