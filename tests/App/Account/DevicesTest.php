<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Models\Card;
use App\Shared\DatabaseSessions;
use FigPorch\Core\Account\Stay;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Tests\App\TestCase;

/** Where a person is signed in, and for how long. */
final class DevicesTest extends TestCase
{
    private function signedIn(Card $of, string $agent, bool $stays = false, int $hoursAgo = 0): string
    {
        DB::table('sessions')->insert([
            'id' => ($id = Str::random(40)),
            'user_id' => $of->person_id,
            'user_agent' => $agent,
            'payload' => '',
            'stays' => $stays,
            'last_activity' => $this->now()->subHours($hoursAgo)->getTimestamp(),
        ]);

        return $id;
    }

    private function shortName(string $id): string
    {
        return substr(hash('sha256', $id), 0, 40);
    }

    public function test_one_is_ended_and_others_are_not(): void
    {
        $card = $this->card();
        $mine = $this->signedIn($card, 'Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0');
        $long = $this->signedIn($card, 'Tablet', stays: true, hoursAgo: 100);
        $this->signedIn($card, 'Gone (Windows)', hoursAgo: 13);
        $theirs = $this->signedIn($this->card(), 'Somebody (Macintosh)');
        $this->as($card);

        $this->get('/settings')
            ->assertSee('Firefox, Linux')
            ->assertSee('stays signed in')
            ->assertDontSee('Windows')
            ->assertDontSee('macOS')
            ->assertDontSee($mine);
        $this->post("/settings/sessions/{$this->shortName($theirs)}/end")->assertRedirect('/settings');
        $this->post("/settings/sessions/{$this->shortName($mine)}/end")->assertSessionHas('said');
        $left = DB::table('sessions')->pluck('id');
        $this->assertNotContains($mine, $left);
        $this->assertContains($theirs, $left);
        $this->assertContains($long, $left);
        $this->post('/settings/sessions/end-others');
        $this->assertNotContains($long, DB::table('sessions')->pluck('id'));
        $this->assertContains($theirs, DB::table('sessions')->pluck('id'));
    }

    public function test_who_wants_to_stay_does_for_thirty_days_without_use(): void
    {
        $visit = function (string $id, callable $leave): string {
            $handler = new DatabaseSessions(DB::connection(), 'sessions', 720, $this->app);
            $read = $handler->read($id);
            $handler->write($id, $leave($read));

            return $read;
        };
        $visit('usual', fn(): string => 'usual');
        $this->app->make('session.store')->put(DatabaseSessions::STAY, Stay::Long->value);
        $visit('long', fn(): string => 'long');
        $this->assertSame(1, DB::table('sessions')->where('stays', true)->count());
        $handler = new DatabaseSessions(DB::connection(), 'sessions', 720, $this->app);

        $this->travel(13)->hours();
        $this->assertSame('', $handler->read('usual'));
        $this->assertSame('long', $handler->read('long'));
        $handler->gc(720 * 60);
        $this->assertSame(['long'], DB::table('sessions')->pluck('id')->all());
        $this->travel(30)->days();
        $this->assertSame('', $handler->read('long'));
        Artisan::call('privacy:keep-terms');
        $this->assertSame(0, DB::table('sessions')->count());
    }

    public function test_the_box_at_signing_in_is_what_makes_it_long_and_a_shared_computer_never_is(): void
    {
        $card = $this->card(pin: '4071');
        $this->withUnencryptedCookie('library', 'saltmere');
        $signIn = fn(array $more) => $this->post('/sign-in', ['number' => $card->number, 'pin' => '4071', ...$more]);
        $signIn(['long' => '1'])->assertSessionHas(DatabaseSessions::STAY, 'long');
        $this->post('/sign-out');
        $signIn([])->assertSessionHas(DatabaseSessions::STAY, 'usual');
        $this->post('/sign-out');
        $signIn(['long' => '1', 'shared' => '1'])->assertSessionHas(DatabaseSessions::STAY, 'shared');
    }
}
