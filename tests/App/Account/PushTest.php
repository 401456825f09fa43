<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Account\Notices\ChooseNotices;
use App\Exchange\Push\PushKey;
use App\Lending\Loans\ReturnLoan;
use App\Models\Card;
use App\Models\Person;
use App\Models\PushDevice;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Push\Base64Url;
use FigPorch\Core\Exchange\Push\P256;
use FigPorch\Core\Lending\NoticeKind;
use Firebase\JWT\JWT;
use Firebase\JWT\Key;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use Symfony\Component\Process\Process;
use Tests\App\TestCase;

/** Notices on devices: kept, sealed, sent, and no longer sent. */
final class PushTest extends TestCase
{
    private const STAND_IN = 'http://127.0.0.1:9/to';

    protected function setUp(): void
    {
        parent::setUp();
        config(['figporch.push_stand_in' => self::STAND_IN]);
    }

    /** @return array{endpoint: string, keys: array{p256dh: string, auth: string}} as a browser gives it */
    private static function subscription(string $name = 'here'): array
    {
        return [
            'endpoint' => self::STAND_IN . "/{$name}",
            'keys' => [
                'p256dh' => Base64Url::encode(P256::point(P256::newKey())),
                'auth' => Base64Url::encode(random_bytes(16)),
            ],
        ];
    }

    private function endLoan(Card $card, string $name = 'Low Water'): void
    {
        $this->licence($title = $this->title($name));
        $loan = $this->borrow($card, $title);
        $this->travelTo($loan->due_at->addMinute());
        Artisan::call('lending:tick');
        $this->workThroughQueue();
    }

    /** @param  list<string>  $names */
    private function addDevices(Person $person, array $names = ['here']): void
    {
        foreach ($names as $name) {
            $this->actingAs($person)->postJson('/settings/devices', self::subscription($name))->assertNoContent();
        }
    }

    public function test_a_notice_reaches_each_device_sealed_for_it_and_signed(): void
    {
        Http::fake(['*' => Http::response('', 201)]);
        $card = $this->card();
        $private = openssl_pkey_new(['private_key_type' => OPENSSL_KEYTYPE_EC, 'curve_name' => 'prime256v1']);
        $this->assertNotFalse($private);
        $secret = random_bytes(16);
        $this->actingAs($card->person)
            ->postJson('/settings/devices', [
                'endpoint' => self::STAND_IN . '/here',
                'keys' => ['p256dh' => Base64Url::encode(P256::point($private)), 'auth' => Base64Url::encode($secret)],
            ])
            ->assertNoContent();
        $this->endLoan($card);

        $sent = Http::recorded()->map(fn(array $pair): Request => $pair[0]);
        $this->assertCount(1, $sent);
        $request = $sent->first() ?? self::fail('nothing was sent');
        $this->assertSame(
            [self::STAND_IN . '/here', 'aes128gcm', 'application/octet-stream', '86400'],
            [
                $request->url(),
                $request->header('Content-Encoding')[0],
                $request->header('Content-Type')[0],
                $request->header('TTL')[0],
            ],
        );

        // RFC 8292: the token is good for that service, for a while, and signed with the key that browsers were given.
        preg_match('/^vapid t=(\S+), k=(\S+)$/', $request->header('Authorization')[0], $m);
        $this->assertCount(3, $m);
        $this->assertSame(app(PushKey::class)->public(), $m[2]);
        $pem = openssl_pkey_get_details(P256::publicKey((string) Base64Url::decode($m[2])))['key'] ?? '';
        JWT::$timestamp = now()->getTimestamp();
        $claims = JWT::decode($m[1], new Key($pem, 'ES256'));
        JWT::$timestamp = null;
        $this->assertSame('http://127.0.0.1:9', $claims->aud);
        $this->assertStringStartsWith('mailto:', $claims->sub);

        // Opened by http_ece, which is not ours (npm, of the Web Push developers).
        $point = (openssl_pkey_get_details($private) ?: [])['ec'] ?? [];
        $process = new Process(
            [
                'node',
                '--input-type=module',
                '-e',
                "import ece from 'http_ece'; import { createECDH } from 'node:crypto'; import { readFileSync }
                    from 'node:fs';
            const { body, number, secret } = JSON.parse(readFileSync(0)); const key = createECDH('prime256v1');
                key.setPrivateKey(number, 'base64');
            process.stdout.write(ece.decrypt(Buffer.from(body, 'base64'), { version: 'aes128gcm', privateKey: key,
                authSecret: secret }))",
            ],
            base_path(),
            input: json_encode(
                [
                    'body' => base64_encode($request->body()),
                    'number' => base64_encode(str_pad($point['d'], 32, "\0", STR_PAD_LEFT)),
                    'secret' => Base64Url::encode($secret),
                ],
                JSON_THROW_ON_ERROR,
            ),
        );
        $message = json_decode($process->mustRun()->getOutput(), true);
        $notice = DB::table('notices')->where('kind', 'loan_ended')->value('id');
        $this->assertSame(["notice-{$notice}", 'en'], [$message['tag'], $message['lang']]);
        $this->assertStringContainsString('Low Water', $message['title'] . $message['body']);
        $this->assertStringStartsWith('/', $message['address']);
        $this->assertStringNotContainsString('Low Water', $request->body());
        $this->assertNotNull(PushDevice::query()->firstOrFail()->told_at);
    }

    public function test_a_kind_that_is_not_wanted_is_not_sent_and_one_wanted_on_devices_alone_is(): void
    {
        Http::fake(['*' => Http::response('', 201)]);
        $this->addDevices(($card = $this->card())->person, ['one', 'two']);
        app(ChooseNotices::class)($card->person, [], [], [NoticeKind::LoanEnded]);
        $this->endLoan($card);
        Http::assertSentCount(2);
        app(ChooseNotices::class)($card->person, NoticeKind::cases(), [], []);
        $this->endLoan($card);
        Http::assertSentCount(2);
    }

    public function test_a_hold_that_is_ready_is_told_on_the_device(): void
    {
        Http::fake(['*' => Http::response('', 201)]);
        $this->licence($title = $this->title('Low Water'));
        $loan = $this->borrow($this->card(), $title);
        $this->hold($waiting = $this->card(), $title);
        $this->addDevices($waiting->person);
        app(ReturnLoan::class)($loan->id, CarbonImmutable::now());
        $this->workThroughQueue();
        Http::assertSentCount(1);
    }

    public function test_the_longest_name_in_the_widest_letters_still_fits(): void
    {
        Http::fake(['*' => Http::response('', 201)]);
        $this->addDevices(($card = $this->card())->person);
        $this->endLoan($card, str_repeat('𝕷', 300));
        Http::assertSentCount(1);
        $this->assertLessThanOrEqual(
            4096,
            Http::recorded()->map(fn(array $sent): int => strlen($sent[0]->body()))->max(),
        );
        $this->assertSame(0, DB::table('failed_jobs')->count() + DB::table('jobs')->count());
    }

    public function test_a_browser_that_wants_no_more_is_forgotten(): void
    {
        Http::fake(['*/gone' => Http::response('', 410), '*' => Http::response('', 201)]);
        $this->addDevices(($card = $this->card())->person, ['gone', 'here']);
        $this->endLoan($card);
        $this->assertSame([self::STAND_IN . '/here'], PushDevice::query()->pluck('endpoint')->all());
        $this->assertSame(0, DB::table('failed_jobs')->count() + DB::table('jobs')->count());
    }

    public function test_a_service_that_is_busy_is_tried_again(): void
    {
        $calls = 0;
        Http::fake(function () use (&$calls) {
            return Http::response('', $calls++ === 0 ? 503 : 201);
        });
        $this->addDevices(($card = $this->card())->person);
        $this->endLoan($card);
        $this->assertSame(1, DB::table('jobs')->count());
        $this->travel(1)->minutes();
        $this->workThroughQueue();
        $this->assertSame([2, 0], [$calls, DB::table('jobs')->count()]);
    }

    public function test_what_is_no_subscription_is_refused_and_nothing_kept(): void
    {
        $person = $this->card()->person;
        $good = self::subscription();
        foreach (
            [
                [],
                ['endpoint' => 'https://127.0.0.1/a'] + $good,
                ['keys' => ['auth' => 'abc'] + $good['keys']] + $good,
                ['keys' => ['p256dh' => 'abc'] + $good['keys']] + $good,
                ['keys' => 'x'] + $good,
                ['endpoint' => [1]] + $good,
            ]
            as $bad
        ) {
            $this->actingAs($person)
                ->postJson('/settings/devices', $bad)
                ->assertStatus(422)
                ->assertJsonPath('message', __('account.device_refused'));
        }
        $this->assertSame(0, PushDevice::query()->count());
    }

    public function test_a_device_is_its_persons_alone(): void
    {
        [$one, $other] = [$this->card()->person, $this->card()->person];
        $this->postJson('/settings/devices', self::subscription())->assertStatus(401);
        $this->addDevices($one);
        $device = PushDevice::query()->firstOrFail();
        $this->actingAs($other)
            ->post("/settings/devices/{$device->id}/remove")
            ->assertNotFound();
        $this->actingAs($other)
            ->postJson('/settings/devices/forget', ['endpoint' => $device->endpoint])
            ->assertNoContent();
        $this->actingAs($other)->get('/settings')->assertDontSee(hash('sha256', $device->endpoint));
        $this->assertSame(1, PushDevice::query()->count());
        $this->actingAs($one)
            ->get('/settings')
            ->assertSee(hash('sha256', $device->endpoint))
            ->assertDontSee($device->endpoint);
        $this->actingAs($one)
            ->post("/settings/devices/{$device->id}/remove")
            ->assertRedirect('/settings');
        $this->assertSame(0, PushDevice::query()->count());

        $this->post('/settings/devices/999999999/remove')->assertRedirect('/settings');
        $this->post('/settings/devices/99999999999999999999/remove')->assertNotFound();

        // The same browser, used by another after the first: it shows what is theirs.
        $this->addDevices($one);
        $this->addDevices($other);
        $this->assertSame([$other->id], PushDevice::query()->pluck('person_id')->all());
    }

    public function test_of_many_devices_the_newest_stay(): void
    {
        $person = $this->card()->person;
        foreach (range(1, 12) as $n) {
            $this->travel(1)->minutes();
            $this->addDevices($person, ["n{$n}"]);
        }
        $this->assertEqualsCanonicalizing(
            array_map(fn(int $n): string => self::STAND_IN . "/n{$n}", range(3, 12)),
            PushDevice::query()->pluck('endpoint')->all(),
        );
    }

    public function test_the_key_is_made_once(): void
    {
        $key = (new PushKey())->public();
        $this->assertSame([65, $key], [strlen((string) Base64Url::decode($key)), (new PushKey())->public()]);
        $this->assertStringNotContainsString('PRIVATE KEY', (string) DB::table('push_key')->value('private'));

        // Where the application's own key was changed, what is kept cannot be read: settings still open, with a new
        // one.
        $this->addDevices($person = $this->card()->person);
        DB::table('push_key')->update(['private' => 'sealed with another key']);
        $this->actingAs($person)->get('/settings')->assertOk();
        $this->assertNotSame($key, (new PushKey())->public());
        $this->assertSame(0, PushDevice::query()->count());
    }
}
