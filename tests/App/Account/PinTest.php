<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Account\SignIn\SendPinLink;
use App\Models\Card;
use App\Models\Person;
use App\Shared\DatabaseSessions;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Tests\App\TestCase;

/** A patron's PIN: changed with the old one, forgotten and chosen anew by a link. */
final class PinTest extends TestCase
{
    private Card $card;

    protected function setUp(): void
    {
        parent::setUp();
        $this->card = $this->card(pin: '4071');
        $this->withUnencryptedCookie('library', 'saltmere');
    }

    private function isPin(string $pin): bool
    {
        return Hash::check($pin, (string) $this->card->refresh()->pin_hash);
    }

    /** @return string|null the address in the mail that went out last */
    private function link(): ?string
    {
        $this->workThroughQueue();
        $sent = $this->sentMail()->messages()->last()?->toString();
        preg_match('~/sign-in/pin/\w{40}~', quoted_printable_decode((string) $sent), $m);

        return $m[0] ?? null;
    }

    public function test_with_the_old_pin_another_is_chosen_and_other_sessions_end(): void
    {
        $other = $this->card(pin: '4071');
        DB::table('sessions')->insert(
            array_map(
                fn(Card $of): array => [
                    'id' => Str::random(40),
                    'user_id' => $of->person_id,
                    'payload' => '',
                    'last_activity' => time(),
                ],
                [$this->card, $other],
            ),
        );
        $this->as($this->card);
        $this->get('/settings')->assertOk()->assertSee('Change your PIN');
        $change = fn(string $old, string $new) => $this->post("/settings/cards/{$this->card->id}/pin", [
            'pin' => $old,
            'new_pin' => $new,
        ]);
        $change('9999', '5526')->assertRedirect('/settings')->assertSessionHasErrors('pin');
        foreach (['55', '7777', '1234', '2100'] as $weak) {
            $change('4071', $weak)->assertRedirect('/settings')->assertSessionHasErrors('new_pin');
        }
        $this->assertTrue($this->isPin('4071'));
        $change('4071', '5526')->assertRedirect('/settings')->assertSessionHas('said');
        $this->assertTrue($this->isPin('5526'));
        $this->assertSame([$other->person_id], DB::table('sessions')->whereNotNull('user_id')->pluck('user_id')->all());
        $this->assertSame('pin_changed', DB::table('notices')->value('kind'));
        $this->post("/settings/cards/{$other->id}/pin", ['pin' => '4071', 'new_pin' => '5526'])->assertNotFound();
    }

    public function test_wrong_old_pins_are_tried_at_the_pace_of_signing_in(): void
    {
        $this->as($this->card);
        foreach (range(1, 6) as $n) {
            $this->post("/settings/cards/{$this->card->id}/pin", ['pin' => "000{$n}", 'new_pin' => '5526']);
        }
        $this->get('/settings')->assertSee('too many tries');
        $this->post("/settings/cards/{$this->card->id}/pin", ['pin' => '4071', 'new_pin' => '5526']);
        $this->assertTrue($this->isPin('4071'), 'not even the right one is looked at');
    }

    public function test_a_link_comes_by_mail_and_sets_another_pin_once(): void
    {
        $this->get('/sign-in')->assertSee('PIN forgotten');
        $this->get('/sign-in/forgotten')->assertOk();
        // However it is parted.
        $parted = substr($this->card->number, 0, 4) . ' ' . substr($this->card->number, 4);
        $this->post('/sign-in/forgotten', ['number' => $parted])
            ->assertRedirect('/sign-in')
            ->assertSessionHas('said');
        $link = (string) $this->link();
        $this->assertStringNotContainsString(basename($link), (string) DB::table('pin_links')->get());
        $this->get($link)->assertOk()->assertSee(substr($this->card->number, -4));
        $this->post($link, ['new_pin' => '1234'])->assertSessionHasErrors('new_pin');
        $this->post($link, ['new_pin' => '5526'])
            ->assertRedirect('/sign-in')
            ->assertSessionHas('said');
        $this->assertTrue($this->isPin('5526'));
        $this->get($link)->assertRedirect('/sign-in/forgotten')->assertSessionHas('refusal');
        $this->post($link, ['new_pin' => '8427'])->assertRedirect('/sign-in/forgotten');
        $this->assertTrue($this->isPin('5526'));
        $this->post('/sign-in', ['number' => $this->card->number, 'pin' => '5526'])->assertRedirect('/porch');
    }

    public function test_nobody_learns_whether_a_card_exists(): void
    {
        $this->card->person->update(['email' => null]);
        $elsewhere = $this->card($this->library('larkspur'));
        $answers = [];
        foreach ([$this->card->number, '99999999', $elsewhere->number] as $number) {
            $this->post('/sign-in/forgotten', ['number' => $number])->assertRedirect('/sign-in');
            $answers[] = (string) session('said');
            $this->assertStringNotContainsString($number, (string) json_encode(DB::table('jobs')->get()));
        }
        $this->assertCount(1, array_unique($answers));
        $this->assertNull($this->link());
        $this->assertSame(0, DB::table('pin_links')->count());
        $this->post('/sign-in/forgotten', ['number' => ''])->assertSessionHasErrors('number');
        $this->post('/sign-in/forgotten', ['number' => 'a/b'])->assertSessionHasErrors('number');
    }

    public function test_a_link_ends_after_half_an_hour_and_with_a_newer_one(): void
    {
        $send = fn() => SendPinLink::dispatch($this->card->library_id, $this->card->number);
        $send();
        $old = (string) $this->link();
        $send();
        $new = (string) $this->link();
        $this->get($old)->assertRedirect('/sign-in/forgotten');
        $this->get($new)->assertOk();
        $this->travel(31)->minutes();
        $this->get($new)->assertRedirect('/sign-in/forgotten');
        $this->post($new, ['new_pin' => '5526'])->assertRedirect('/sign-in/forgotten');
        Artisan::call('privacy:keep-terms');
        $this->assertSame(0, DB::table('pin_links')->count());
        $this->assertTrue($this->isPin('4071'));
    }

    public function test_links_are_asked_for_at_a_pace_and_come_in_the_patrons_language(): void
    {
        Person::query()
            ->whereKey($this->card->person_id)
            ->update(['locale' => 'es']);
        foreach (range(1, 5) as $n) {
            $this->post('/sign-in/forgotten', ['number' => $this->card->number])->assertSessionHas('said');
        }
        $this->post('/sign-in/forgotten', ['number' => $this->card->number])->assertSessionHasErrors('number');
        $this->link();
        $this->assertStringContainsString('Otro PIN', (string) $this->sentMail()->messages()->last()?->toString());
    }

    /** Staff have numbers of their own: a patron whose sessions end signs out nobody at the Desk. */
    public function test_a_session_is_known_by_its_patron_alone(): void
    {
        $sessions = new DatabaseSessions(DB::connection(), 'sessions', 120, $this->app);
        $kept = fn(): ?int => DB::table('sessions')->where('id', 'x')->value('user_id');
        $this->be($this->staff(), 'staff');
        Auth::shouldUse('staff');
        $sessions->write('x', 'at the Desk');
        $this->assertNull($kept());
        session()->put(Auth::guard('web')->getName(), $this->card->person_id);
        $sessions->write('x', 'at the Desk and on the Porch');
        $this->assertSame($this->card->person_id, $kept());
    }
}
