<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Desk\Staff\ChangePost;
use App\Models\StaffInvitation;
use App\Models\StaffMember;
use App\Models\StaffPost;
use FigPorch\Core\Account\OneTimeCode;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\TestCase;

/** Who works at the Desk, and as what. */
final class StaffTest extends TestCase
{
    private StaffMember $director;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->director = $this->staff(), 'staff');
    }

    /** Another browser, with nobody signed in. */
    private function elsewhere(): void
    {
        $this->flushSession();
        $this->app['auth']->forgetGuards();
        Auth::shouldUse('web');
    }

    private function invite(string $email, StaffRole $role): string
    {
        $this->post('/desk/staff', ['email' => $email, 'role' => $role->value])->assertRedirect('/desk/staff');

        return (string) parse_url((string) session('invitation_link'), PHP_URL_PATH);
    }

    private function trail(): string
    {
        return DB::table('desk_changes')
            ->orderBy('id')
            ->get()
            ->map(fn($row): string => "{$row->what} {$row->subject} {$row->facts}")
            ->implode("\n");
    }

    public function test_somebody_is_invited_by_mail_and_works_in_their_role(): void
    {
        $link = $this->invite('Ida@Lantern.example', StaffRole::Lending);
        $this->workThroughQueue();
        $sent = $this->sentMail()->messages()->sole()->toString();
        $this->assertStringContainsString('ida@lantern.example', $sent);
        $this->assertStringContainsString(basename($link), quoted_printable_decode($sent));
        $this->get('/desk/staff')->assertSee('ida@lantern.example')->assertSee('Invited, and not here yet');
        $this->assertStringNotContainsString(basename($link), (string) DB::table('staff_invitations')->get());

        $this->elsewhere();
        $this->get($link)->assertOk()->assertSee('Saltmere Library')->assertSee('Lending');
        $this->post($link, ['name' => 'Ida Marsh', 'password' => 'short'])->assertSessionHasErrors('password');
        $this->post($link, ['name' => 'Ida Marsh', 'password' => 'seven herons by the weir'])->assertRedirect(
            '/desk/today',
        );
        $ida = StaffMember::query()->where('email', 'ida@lantern.example')->sole();
        $this->assertAuthenticatedAs($ida, 'staff');
        $this->get('/desk/licences')->assertOk()->assertSee('Ida Marsh')->assertDontSee('/desk/staff');
        $this->get('/desk/staff')->assertForbidden()->assertSee('Your role here is Lending')->assertSee('Director');

        $this->elsewhere();
        $this->get($link)->assertNotFound();
        $this->post($link, ['name' => 'Not Ida', 'password' => 'seven herons by the weir'])
            ->assertRedirect('/desk/sign-in')
            ->assertSessionHas('refusal');
        $this->post('/desk/sign-in', ['email' => 'ida@lantern.example', 'password' => 'seven herons by the weir']);
        $this->assertAuthenticatedAs($ida, 'staff');
        $this->assertSame(
            "staff_invited ida@lantern.example {\"role\": [null, \"lending\"]}\n" .
                'staff_joined ida@lantern.example {"role": [null, "lending"]}',
            $this->trail(),
        );
    }

    public function test_an_invitation_ends_after_a_week_and_is_withdrawn_or_sent_anew(): void
    {
        $old = $this->invite('ida@lantern.example', StaffRole::Lists);
        $new = $this->invite('ida@lantern.example', StaffRole::Catalogue);
        $this->get($old)->assertNotFound();
        $this->get($new)->assertOk();
        $this->travel(7)->days();
        $this->get($new)->assertNotFound();
        $this->get('/desk/staff')->assertSee('the link is too old');
        $last = $this->invite('ida@lantern.example', StaffRole::Catalogue);
        $invitation = StaffInvitation::query()->sole();
        $this->post("/desk/staff/invitations/{$invitation->id}/withdraw")->assertSessionHas('said');
        $this->get($last)->assertNotFound();
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrong(): iterable
    {
        yield 'no mail address' => [['email' => 'ida', 'role' => 'lists']];
        yield 'no such role' => [['email' => 'ida@lantern.example', 'role' => 'owner']];
        yield 'no role' => [['email' => 'ida@lantern.example']];
        yield 'too long' => [['email' => str_repeat('a', 200) . '@lantern.example', 'role' => 'lists']];
        yield 'a list of addresses' => [['email' => ['a@b.example'], 'role' => 'lists']];
    }

    /** @param  array<string, mixed>  $form */
    #[DataProvider('wrong')]
    public function test_a_wrong_invitation_is_refused_with_a_reason(array $form): void
    {
        $this->post('/desk/staff', $form);
        $this->assertSame(0, StaffInvitation::query()->count());
    }

    public function test_who_works_at_another_library_comes_with_the_password_they_have(): void
    {
        $known = $this->staff($this->library('larkspur'), StaffRole::Director);
        $link = $this->invite($known->email, StaffRole::Figures);
        $this->elsewhere();
        $this->get($link)->assertOk()->assertSee('You work at another library already');
        $this->post($link, ['name' => 'X', 'password' => 'wrong'])->assertSessionHasErrors('password');
        $this->assertFalse(
            StaffPost::query()
                ->where('library_id', $this->library()->id)
                ->where('staff_member_id', $known->id)
                ->exists(),
        );
        $this->post($link, ['password' => 'nine lanterns'])->assertRedirect('/desk/today');
        $this->get('/desk/own')->assertSee('Saltmere Library')->assertSee('Larkspur Library');
        $this->get('/desk/staff')->assertForbidden();

        $token = session()->token();
        $this->post('/desk/at/larkspur')->assertRedirect('/desk');
        $this->assertNotSame($token, session()->token(), 'what another window was about to send is not taken');
        $this->get('/desk/staff')->assertOk()->assertSee('Larkspur Library');
        $this->post('/desk/at/saltmere');
        $this->get('/desk/staff')->assertForbidden();
        $this->library('hollow-tor');
        $this->post('/desk/at/hollow-tor')->assertNotFound();
    }

    public function test_a_role_changes_at_once_and_who_leaves_is_signed_out_and_stays_in_the_trail(): void
    {
        $ida = $this->staff(role: StaffRole::Lists);
        $this->post("/desk/staff/{$ida->id}/role", ['role' => 'director'])->assertSessionHas('said');
        $this->be($ida, 'staff')->get('/desk/staff')->assertOk();
        $this->be($this->director, 'staff')
            ->post("/desk/staff/{$ida->id}/end")
            ->assertSessionHas('said');
        $this->be($ida, 'staff')->get('/desk/licences')->assertRedirect('/desk/sign-in');
        $this->elsewhere();
        $this->post('/desk/sign-in', ['email' => $ida->email, 'password' => 'nine lanterns'])->assertSessionHasErrors(
            'email',
        );
        $this->assertStringContainsString("staff_left {$ida->email}", $this->trail());
        // They may come back.
        $this->be($this->director, 'staff');
        $link = $this->invite($ida->email, StaffRole::Lists);
        $this->elsewhere();
        $this->post($link, ['password' => 'nine lanterns'])->assertRedirect('/desk/today');
        $this->get('/desk/lists')->assertOk();
    }

    public function test_whoever_works_here_may_leave_but_the_last_director(): void
    {
        $this->post('/desk/own/leave')->assertRedirect('/desk/own')->assertSessionHas('refusal');
        $ida = $this->staff(role: StaffRole::Figures);
        $this->be($ida, 'staff')->get('/desk/own')->assertSee('Leave Saltmere Library');
        $this->post('/desk/own/leave')->assertRedirect('/desk');
        $this->get('/desk/today')->assertRedirect('/desk/sign-in')->assertSessionHas('said');
        $this->assertStringContainsString("staff_left {$ida->email}", $this->trail());
    }

    public function test_the_last_director_stays(): void
    {
        $id = $this->director->id;
        $this->staff($this->library('larkspur'));
        foreach (
            ["/desk/staff/{$id}/end" => [], "/desk/staff/{$id}/role" => ['role' => 'lists']]
            as $address => $form
        ) {
            $this->post($address, $form)->assertRedirect('/desk/staff')->assertSessionHas('refusal');
        }
        $this->assertSame(StaffRole::Director, $this->director->load('posts')->role());

        $second = $this->staff();
        $change = app(ChangePost::class);
        $this->assertTrue($change($second, $this->director, null, $this->now()));
        $this->assertFalse($change($second, $second, null, $this->now()));
    }

    public function test_one_changes_ones_own_password_with_the_old_one(): void
    {
        $form = ['name' => 'Halvard S.', 'new_password' => 'nine more lanterns at dawn'];
        $this->post('/desk/own', $form + ['password' => 'wrong'])->assertSessionHasErrors('password');
        $this->post('/desk/own', ['name' => ''] + $form)->assertSessionHasErrors('name');
        $this->post(
            '/desk/own',
            ['new_password' => 'short', 'password' => 'nine lanterns'] + $form,
        )->assertSessionHasErrors('new_password');
        $this->post('/desk/own', $form + ['password' => 'nine lanterns'])->assertSessionHasNoErrors();
        $this->elsewhere();
        $this->post('/desk/sign-in', [
            'email' => $this->director->email,
            'password' => 'nine more lanterns at dawn',
        ])->assertRedirect('/desk/today');
        $this->assertSame('Halvard S.', $this->director->refresh()->name);
    }

    public function test_the_trail_is_searched_by_who_what_when_and_words_and_sent_as_a_file(): void
    {
        $this->invite('ida@lantern.example', StaffRole::Lists);
        $this->travel(2)->days();
        $other = $this->staff();
        $this->be($other, 'staff');
        $this->invite('tobias@lantern.example', StaffRole::Figures);
        $today = $this->now()->setTimezone('Atlantic/Azores')->format('Y-m-d');
        $ask = fn(string $query): string => (string) $this->get("/desk/trail?{$query}")
            ->assertOk()
            ->getContent();
        $has = fn(string $page): array => [
            str_contains($page, 'ida@lantern.example'),
            str_contains($page, 'tobias@lantern.example'),
        ];
        $this->assertSame([true, true], $has($ask('')));
        $this->assertSame([true, false], $has($ask("by={$this->director->id}")));
        $this->assertSame([false, true], $has($ask('find=TOBIAS')));
        $this->assertSame([false, true], $has($ask("from={$today}")));
        $this->assertSame([true, false], $has($ask('until=' . $this->now()->subDay()->format('Y-m-d'))));
        $this->assertSame([false, false], $has($ask('what=staff_left')));
        $this->assertSame([true, true], $has($ask('from=2026-02-31&by=x&until[]=1')));
        $csv = $this->get('/desk/trail.csv?find=tobias')->assertOk()->streamedContent();
        $this->assertSame(2, substr_count(trim($csv), "\n") + 1);
        $this->assertStringContainsString('Role: Figures only', $csv);

        $this->be($this->staff($this->library('larkspur')), 'staff');
        $this->assertSame([false, false], $has($ask('')));
    }

    /**
     * Turns the second factor on for the director.
     *
     * @return array{string, list<string>} the secret and recovery codes
     */
    private function withSecondFactor(): array
    {
        $page = (string) $this->get('/desk/own/second-factor')->assertOk()->getContent();
        preg_match('/secret=([A-Z2-7]+)/', $page, $m);
        $secret = self::bytes($m[1] ?? '');
        $this->post('/desk/own/second-factor', ['code' => '000000'])->assertSessionHasErrors('code');
        $this->assertNull($this->director->refresh()->second_factor, 'it is on only once a code of it was seen');
        $done = $this->post('/desk/own/second-factor', ['code' => $this->code($secret)])->assertOk();
        $this->assertSame(
            8,
            preg_match_all('~<code>([0-9a-f]{5}-[0-9a-f]{5})</code>~', (string) $done->getContent(), $codes),
        );
        $kept = (string) json_encode(DB::table('staff_members')->get());
        $this->assertStringNotContainsString($m[1] ?? '', $kept);
        $this->assertStringNotContainsString($codes[1][0], $kept);

        return [$secret, $codes[1]];
    }

    private function code(string $secret, int $off = 0): string
    {
        $code = substr_replace(
            (new OneTimeCode($secret))->code(OneTimeCode::step(now()->getTimestamp()) + $off),
            ' ',
            3,
            0,
        );

        return $code;
    }

    private static function bytes(string $base32): string
    {
        $bits = implode(
            '',
            array_map(
                fn(string $of): string => sprintf('%05b', strpos('ABCDEFGHIJKLMNOPQRSTUVWXYZ234567', $of)),
                str_split($base32),
            ),
        );

        return implode('', array_map(fn(string $of): string => chr((int) bindec($of)), str_split($bits, 8)));
    }

    private function signIn(): void
    {
        $this->elsewhere();
        $this->post('/desk/sign-in', [
            'email' => $this->director->email,
            'password' => 'nine lanterns',
        ])->assertRedirect('/desk/sign-in/code');
    }

    public function test_with_a_second_factor_the_password_alone_opens_nothing(): void
    {
        [$secret, $recovery] = $this->withSecondFactor();
        $this->signIn();
        $this->assertGuest('staff');
        $this->get('/desk/staff')->assertRedirect('/desk/sign-in');
        $this->get('/desk/sign-in/code')->assertOk();
        // That of the moment was used when it was turned on.
        $this->post('/desk/sign-in/code', ['code' => $this->code($secret)])->assertSessionHasErrors('code');
        $this->post('/desk/sign-in/code', ['code' => $this->code($secret, 1)])->assertRedirect();
        $this->assertAuthenticatedAs($this->director, 'staff');

        $this->signIn();
        $this->post('/desk/sign-in/code', ['code' => $this->code($secret, 1)])->assertSessionHasErrors('code');
        $this->post('/desk/sign-in/code', ['code' => strtoupper($recovery[3])])->assertRedirect();
        $this->assertAuthenticatedAs($this->director, 'staff');
        $this->signIn();
        $this->post('/desk/sign-in/code', ['code' => $recovery[3]])->assertSessionHasErrors('code');
        $this->travel(6)->minutes();
        $this->post('/desk/sign-in/code', ['code' => $recovery[4]])->assertRedirect('/desk/sign-in');
        $this->assertGuest('staff');
    }

    public function test_codes_are_tried_at_a_pace_and_an_invitation_is_no_way_round(): void
    {
        [$secret] = $this->withSecondFactor();
        $link = (function (): string {
            $this->be($this->staff($this->library('larkspur')), 'staff');

            return $this->invite($this->director->email, StaffRole::Figures);
        })();
        $this->elsewhere();
        $this->post($link, ['password' => 'nine lanterns'])->assertRedirect('/desk/sign-in/code');
        $this->assertGuest('staff');
        foreach (range(1, 5) as $n) {
            $this->post('/desk/sign-in/code', ['code' => "00000{$n}"])->assertSessionHasErrors('code');
        }
        $this->travel(1)->minutes();
        $this->post('/desk/sign-in/code', ['code' => $this->code($secret)]);
        $this->assertGuest('staff');
        $this->travel(4)->minutes();
        $this->elsewhere();
        $this->travel(16)->minutes();
        $this->signIn();
        $this->post('/desk/sign-in/code', ['code' => $this->code($secret)])->assertRedirect();
        $this->assertAuthenticatedAs($this->director, 'staff');
        $this->post('/desk/own/second-factor/off', ['code' => '1'])->assertSessionHasErrors('code');
        $this->post('/desk/own/second-factor/off', ['code' => $this->code($secret, 1)])->assertSessionHas('said');
        $this->assertNull($this->director->refresh()->second_factor);
    }
}
