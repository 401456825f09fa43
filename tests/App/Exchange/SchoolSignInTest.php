<?php

declare(strict_types=1);

namespace Tests\App\Exchange;

use App\Exchange\Outbound\NameServer;
use App\Models\Card;
use App\Models\Library;
use App\Models\SignInWays;
use Closure;
use FigPorch\Core\Account\SchoolSignIn;
use Firebase\JWT\JWT;
use GuzzleHttp\Client;
use GuzzleHttp\Cookie\CookieJar;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use OpenSSLAsymmetricKey;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\StandIns;
use Tests\App\TestCase;

/**
 * Signing in at a school by OpenID Connect: with a provider that is not ours (npm's oidc-provider, which is certified
 * by the OpenID Foundation), and with one that lies.
 */
final class SchoolSignInTest extends TestCase
{
    use StandIns;

    private const SHARED = 'a secret that is shared with everybody who reads it here';

    private static ?int $port = null;

    /** @var array<string, OpenSSLAsymmetricKey> by their ids */
    private static array $keys = [];

    private Library $library;

    protected function setUp(): void
    {
        parent::setUp();
        $this->library = $this->library('cinder-point');
        $this->withUnencryptedCookie('library', 'cinder-point');
    }

    /** @param  array<string, mixed>  $more */
    private function school(string $issuer, array $more = []): void
    {
        $school = SchoolSignIn::fromArray([
            'name' => 'Cinder Point School',
            'issuer' => $issuer,
            'client_id' => 'fig-porch',
            'secret' => 'chalk-and-low-water',
            'group_claim' => 'role',
            'groups' => ['pupil' => 'student', 'teacher' => 'teacher'],
            'class_claim' => 'class',
            ...$more,
        ]);
        SignInWays::query()->updateOrCreate(['library_id' => $this->library->id], ['school' => $school->toArray()]);
    }

    /**
     * At the provider, as a browser would.
     *
     * @return string the address to which it sends the browser back
     */
    private function atTheSchool(string $address, string $who): string
    {
        $browser = new Client(['cookies' => new CookieJar(), 'allow_redirects' => false, 'http_errors' => false]);
        for ($steps = 0; $steps < 10; $steps++) {
            $answer = $browser->get($address);
            if ($answer->getStatusCode() === 200) {
                $answer = $browser->post($address, ['form_params' => ['who' => $who]]);
            }
            $next = $answer->getHeaderLine('Location');
            $address = str_starts_with($next, '/') ? 'http://127.0.0.1:' . self::$port . $next : $next;
            if (str_contains($address, '/sign-in/school/callback')) {
                return $address;
            }
        }
        $this->fail('The school never sends anybody back.');
    }

    /** @return TestResponse<Response> */
    private function signInAtStandIn(string $who): TestResponse
    {
        $this->travelBack();
        self::$port ??= self::standIn('school', route('school.callback'));
        config(['figporch.inner_hosts' => '127.0.0.1:' . self::$port]);
        $this->school('http://127.0.0.1:' . self::$port);
        $begun = $this->get('/sign-in/school')->assertRedirect();
        $back = $this->atTheSchool((string) $begun->headers->get('Location'), $who);

        return $this->get((string) parse_url($back, PHP_URL_PATH) . '?' . parse_url($back, PHP_URL_QUERY));
    }

    public function test_a_pupil_signs_in_at_a_real_provider_and_has_a_card_with_group_and_class(): void
    {
        $this->signInAtStandIn('tamar')->assertRedirect('/porch?library=cinder-point');
        $this->assertAuthenticated('web');
        $card = Card::query()->with('person')->firstOrFail();
        $this->assertSame(
            ['Tamar Wick', 'student', '7 Gulls', $this->library->id],
            [$card->person->name, $card->patron_group, $card->class, $card->library_id],
        );
        $this->get('/porch')->assertOk()->assertSee('Tamar Wick');
        // The second time it is the same card.
        $this->post('/sign-out');
        $this->signInAtStandIn('tamar');
        $this->assertSame(1, Card::query()->count());
    }

    public function test_teachers_are_teachers_and_who_is_neither_has_no_card(): void
    {
        $this->signInAtStandIn('brannoc');
        $this->assertSame('teacher', Card::query()->firstOrFail()->patron_group);
        $this->post('/sign-out');
        $this->signInAtStandIn('caretaker')->assertRedirect('/sign-in')->assertSessionHas('refusal');
        $this->assertGuest('web');
        $this->assertSame(1, Card::query()->count());
    }

    public function test_who_does_not_want_to_sign_in_there_is_told_what_to_do(): void
    {
        $this->signInAtStandIn('nobody')->assertRedirect('/sign-in');
        $this->assertStringContainsString('did not sign you in', session('refusal'));
        $this->assertGuest('web');
    }

    // ---- A provider that lies

    private static function key(string $id): OpenSSLAsymmetricKey
    {
        return self::$keys[$id] ??= openssl_pkey_new(['private_key_bits' => 2048]) ?: throw new \RuntimeException();
    }

    /** @return array<string, string> a public key as a JWK */
    private static function jwk(string $id): array
    {
        if ($id === 'shared') {
            return [
                'kty' => 'oct',
                'kid' => 'shared',
                'alg' => 'HS256',
                'k' => rtrim(base64_encode(self::SHARED), '='),
            ];
        }
        $details = openssl_pkey_get_details(self::key($id)) ?: throw new \RuntimeException();

        return [
            'kty' => 'RSA',
            'kid' => $id,
            'use' => 'sig',
            'n' => rtrim(strtr(base64_encode($details['rsa']['n']), '+/', '-_'), '='),
            'e' => rtrim(strtr(base64_encode($details['rsa']['e']), '+/', '-_'), '='),
        ];
    }

    /**
     * Begins, and comes back with a token that the school gives.
     *
     * @param  Closure(array<string, mixed>): string  $token  from the claims that are right
     * @param  list<string>  $published  ids of keys
     * @return TestResponse<Response>
     */
    private function comeBack(Closure $token, array $published = ['one'], ?string $state = null): TestResponse
    {
        $this->app->instance(
            NameServer::class,
            new class extends NameServer {
                public function addressOf(string $host): string
                {
                    return '203.0.114.5';
                }
            },
        );
        $this->school('https://school.example', ['number_claim' => 'card']);
        $nonce = null;
        Http::swap(new \Illuminate\Http\Client\Factory());
        Http::preventStrayRequests();
        Http::fake([
            'school.example/.well-known/openid-configuration' => Http::response([
                'issuer' => 'https://school.example',
                'authorization_endpoint' => 'https://school.example/auth',
                'token_endpoint' => 'https://school.example/token',
                'jwks_uri' => 'https://school.example/keys',
            ]),
            'school.example/keys' => Http::response(['keys' => array_map(self::jwk(...), $published)]),
            'school.example/token' => function (Request $request) use ($token, &$nonce) {
                $this->assertNotEmpty($request['code_verifier']);
                $this->assertTrue($request->hasHeader('Authorization'));

                return Http::response([
                    'access_token' => 'a',
                    'token_type' => 'Bearer',
                    'id_token' => $token([
                        'iss' => 'https://school.example',
                        'aud' => 'fig-porch',
                        'sub' => 'tamar',
                        'name' => 'Tamar Wick',
                        'role' => 'pupil',
                        'nonce' => $nonce,
                        'iat' => $this->now()->getTimestamp(),
                        'exp' => $this->now()->getTimestamp() + 300,
                    ]),
                ]);
            },
        ]);
        $begun = (string) $this->get('/sign-in/school')->headers->get('Location');
        parse_str((string) parse_url($begun, PHP_URL_QUERY), $asked);
        $nonce = $asked['nonce'];
        $this->assertSame('S256', $asked['code_challenge_method']);

        return $this->get(
            '/sign-in/school/callback?' . http_build_query(['code' => 'c', 'state' => $state ?? $asked['state']]),
        );
    }

    /** @param  array<string, mixed>  $claims */
    private static function signed(array $claims, string $key = 'one', ?string $id = null): string
    {
        return JWT::encode($claims, self::key($key), 'RS256', $id ?? $key);
    }

    private function assertRefused(string $words): void
    {
        $this->assertGuest('web');
        $this->assertStringContainsString($words, (string) session('refusal'));
        $this->assertSame(0, Card::query()->count());
        $this->flushSession();
    }

    public function test_what_is_rightly_signed_is_believed(): void
    {
        $this->comeBack(fn(array $claims): string => self::signed($claims))->assertRedirect();
        $this->assertAuthenticated('web');
    }

    public function test_a_token_that_is_not_the_schools_own_is_believed_by_nobody(): void
    {
        $unsigned = fn(array $claims): string => implode('.', [
            rtrim(strtr(base64_encode('{"alg":"none","kid":"one"}'), '+/', '-_'), '='),
            rtrim(strtr(base64_encode((string) json_encode($claims)), '+/', '-_'), '='),
            '',
        ]);
        $public = openssl_pkey_get_details(self::key('one'))['key'] ?? '';
        foreach (
            [
                'another key by the same name' => fn(array $c): string => self::signed($c, 'two', 'one'),
                'a key that is nowhere' => fn(array $c): string => self::signed($c, 'three'),
                'no signature' => $unsigned,
                'the public key as a secret' => fn(array $c): string => JWT::encode($c, $public, 'HS256', 'one'),
                'another nonce' => fn(array $c): string => self::signed([...$c, 'nonce' => 'x']),
                'for another' => fn(array $c): string => self::signed([...$c, 'aud' => 'other']),
                'of another' => fn(array $c): string => self::signed([...$c, 'iss' => 'https://other.example']),
                'over' => fn(array $c): string => self::signed([...$c, 'exp' => $c['iat'] - 61]),
                'no token' => fn(): string => 'tide',
            ]
            as $token
        ) {
            $this->comeBack($token)->assertRedirect('/sign-in');
            $this->assertRefused('could not be believed');
        }
    }

    public function test_a_shared_secret_is_no_key_even_where_a_school_publishes_one(): void
    {
        $token = fn(array $claims): string => JWT::encode($claims, self::SHARED, 'HS256', 'shared');
        $this->comeBack($token, ['one', 'shared'])->assertRedirect('/sign-in');
        $this->assertRefused('could not be believed');
    }

    public function test_a_school_changes_its_keys_at_any_time(): void
    {
        $this->comeBack(fn(array $claims): string => self::signed($claims));
        $this->post('/sign-out');
        // Known for ten minutes; a key that is not known makes us look.
        $this->comeBack(fn(array $claims): string => self::signed($claims, 'two'), ['two'])->assertSessionMissing(
            'refusal',
        );
        $this->assertAuthenticated('web');
    }

    public function test_a_state_that_was_not_given_here_or_comes_twice_or_late_is_refused(): void
    {
        $this->comeBack(fn(array $claims): string => self::signed($claims), state: 'x')->assertRedirect('/sign-in');
        $this->assertRefused('was not begun here');
        $this->get('/sign-in/school/callback?code=c&state=s')->assertRedirect('/sign-in');
        $this->assertRefused('was not begun here');
        $this->comeBack(fn(array $claims): string => self::signed($claims));
        $this->post('/sign-out');
        $this->get('/sign-in/school/callback?code=c&state=s')->assertRedirect('/sign-in');
        $this->assertGuest('web');
    }

    public function test_a_number_that_the_school_names_is_that_card_unless_it_is_another_persons(): void
    {
        $card = $this->card($this->library);
        $this->comeBack(fn(array $c): string => self::signed([...$c, 'card' => $card->number]))->assertRedirect();
        $this->assertSame($card->person_id, Auth::guard('web')->id());
        $this->assertSame(['Tamar Wick', 'student'], [$card->person->refresh()->name, $card->refresh()->patron_group]);
        $this->post('/sign-out');
        $this->comeBack(fn(array $c): string => self::signed([...$c, 'sub' => 'x', 'card' => str_repeat('7', 60)]));
        $this->assertGuest('web');
        $this->comeBack(fn(array $c): string => self::signed([...$c, 'sub' => 'other', 'card' => $card->number]));
        $this->assertGuest('web');
        $this->assertStringContainsString('somebody else', (string) session('refusal'));
        $this->assertSame(1, Card::query()->count());
    }

    public function test_a_school_that_does_not_answer_or_is_inside_this_network_is_said_to_be_silent(): void
    {
        Cache::flush();
        $this->school('https://127.0.0.1:9');
        $this->get('/sign-in/school')->assertRedirect('/sign-in');
        $this->assertRefused('does not answer');
        config(['figporch.inner_hosts' => '127.0.0.1:9']);
        $this->get('/sign-in/school')->assertRedirect('/sign-in');
        $this->assertRefused('does not answer');
        $this->school('http://school.example');
        $this->get('/sign-in/school')->assertRedirect('/sign-in');
        $this->assertRefused('does not answer');
    }

    public function test_the_page_shows_the_ways_that_the_library_has(): void
    {
        $this->library('saltmere');
        $this->get('/sign-in')->assertSee('Card number')->assertDontSee('Sign in with');
        $this->school('https://school.example');
        $this->get('/sign-in')->assertSee('Card number')->assertSee('Sign in with Cinder Point School');
        SignInWays::query()->update(['with_cards' => false]);
        $this->get('/sign-in')->assertDontSee('Card number')->assertSee('Sign in with Cinder Point School');
        $this->get('/sign-in/school?library=saltmere')->assertNotFound();
    }
}
