<?php

declare(strict_types=1);

namespace Tests\App\Account;

use App\Models\AlmanacTitle;
use App\Models\Card;
use App\Models\Loan;
use App\Models\Title;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\TestCase;

/** A person's own record of reading. */
final class AlmanacTest extends TestCase
{
    private Card $card;

    private Title $title;

    private Loan $loan;

    protected function setUp(): void
    {
        parent::setUp();
        $this->card = $this->card();
        $this->card->person->update(['keeps_history' => true]);
        $this->licence($this->title = $this->title('Tide Tables'), copies: 9);
        $this->loan = $this->borrow($this->card, $this->title);
        $this->as($this->card);
    }

    /**
     * @param  list<array{int, int}|array{int, int, float}>  $read  from and to, in minutes before now
     * @return TestResponse<Response>
     */
    private function read(array $read, float $reached = 0.3, ?Loan $loan = null): TestResponse
    {
        $now = $this->now()->getTimestampMs();
        $loan ??= $this->loan;

        return $this->putJson("/loans/{$loan->id}/place", [
            'device' => (string) Str::uuid(),
            'read_at' => $now,
            'sent_at' => $now,
            'locator' => [
                'href' => 'a.xhtml',
                'type' => 'application/xhtml+xml',
                'locations' => ['progression' => $reached, 'totalProgression' => $reached],
            ],
            'read' => array_map(
                fn(array $of): array => [
                    'from' => $now - $of[0] * 60_000,
                    'to' => $now - $of[1] * 60_000,
                    'pages' => 2,
                    ...isset($of[2]) ? ['seconds' => $of[2]] : [],
                ],
                $read,
            ),
        ]);
    }

    private function seconds(): int
    {
        return (int) DB::table('readings')->sum('seconds');
    }

    public function test_what_devices_send_stands_in_it_once(): void
    {
        $this->read([[60, 40], [20, 10]])->assertNoContent();
        $this->assertSame(30 * 60, $this->seconds());
        // The answer was lost; and the sitting goes on.
        $this->read([[60, 40], [20, 0]])->assertNoContent();
        $this->assertSame(40 * 60, $this->seconds());
        $this->assertSame([2, 6], [DB::table('readings')->count(), (int) DB::table('readings')->sum('pages')]);
        $this->get('/almanac')
            ->assertOk()
            ->assertSee('40 minutes today')
            ->assertSee('One day in a row')
            ->assertSee('Tide Tables');
    }

    public function test_without_a_history_nothing_is_recorded_and_turning_it_off_erases(): void
    {
        $this->read([[60, 40]]);
        $this->post('/almanac/goals', ['minutes' => '20']);
        $this->post('/settings/history', ['keep' => '0']);
        $this->assertSame([0, 0], [DB::table('readings')->count(), AlmanacTitle::query()->count()]);
        $this->assertNull($this->card->person->refresh()->goals);
        $this->as($this->card->refresh());
        $this->read([[60, 40]])->assertNoContent();
        $this->assertSame([0, 0], [DB::table('readings')->count(), AlmanacTitle::query()->count()]);
        $this->get('/almanac')->assertOk()->assertSee('no history is kept');
        $this->post('/settings/history', ['keep' => '1', 'then' => 'almanac'])->assertRedirect('/almanac');
    }

    public function test_what_cannot_have_been_is_not_recorded_and_the_place_is_kept_all_the_same(): void
    {
        $this->read([[10, 10], [10, 20], [2000, 0]])->assertNoContent();
        $this->assertSame(0, $this->seconds());
        $this->assertSame(1, DB::table('places')->count());
        $this->read([[10, 0, 99999.0]]);
        $this->assertSame(1860, $this->seconds(), 'nothing is played more than three times as fast');
        $this->putJson("/loans/{$this->loan->id}/place", ['read' => 'much'])->assertUnprocessable();
    }

    public function test_a_title_is_finished_when_its_end_is_reached_or_one_says_so(): void
    {
        $this->read([[60, 40]], reached: 0.97);
        $of = fn(): AlmanacTitle => AlmanacTitle::query()->firstOrFail();
        $this->assertNull($of()->finished_at);
        $this->read([[20, 10]], reached: 0.99);
        $first = $of()->finished_at;
        $this->assertNotNull($first);
        $this->travel(1)->hours();
        $this->read([[20, 10]], reached: 1.0);
        $this->assertEquals($first, $of()->finished_at, 'once');
        $this->get('/almanac')->assertSee('1 title finished this month');
        $this->post("/almanac/{$this->title->id}/finish", ['finished' => '0']);
        $this->assertNull($of()->finished_at);
        $this->post("/almanac/{$this->title->id}/finish", ['finished' => '1']);
        $this->assertNotNull($of()->finished_at);
    }

    public function test_ones_own_stars_and_word_are_found_again_and_are_nobody_elses(): void
    {
        $this->read([[60, 40]]);
        $this->post("/almanac/{$this->title->id}/judge", ['stars' => '4', 'word' => 'Salt on every page.']);
        $this->post("/almanac/{$this->title->id}/judge", ['stars' => '9', 'word' => 'Salt on every page.']);
        $this->assertNull(AlmanacTitle::query()->firstOrFail()->stars);
        $this->post("/almanac/{$this->title->id}/judge", ['stars' => '4', 'word' => 'Salt on every page.']);
        $this->get('/almanac?find=salt')->assertSee('4 of 5 stars')->assertSee('Salt on every page.');
        $this->get('/almanac?find=tamsin')->assertSee('Salt on every page.');
        $this->get('/almanac?find=100%25')->assertSee('No title, person or word of yours has');
        $csv = (string) $this->get('/almanac/almanac.csv')->assertOk()->streamedContent();
        $this->assertStringContainsString('Salt on every page.', $csv);
        $this->get('/almanac/almanac.json')
            ->assertJsonPath('titles.0.stars', 4)
            ->assertJsonPath('readings.0.seconds', 1200);

        $other = $this->card();
        $other->person->update(['keeps_history' => true]);
        $this->as($other);
        $this->get('/almanac')->assertDontSee('Tide Tables');
        $this->post("/almanac/{$this->title->id}/judge", ['stars' => '1'])->assertNotFound();
        $this->assertSame(4, AlmanacTitle::query()->firstOrFail()->stars);
        $this->actingAs($this->staff(), 'staff')
            ->get("/desk/titles/{$this->title->id}")
            ->assertDontSee('Salt on every page.');
    }

    public function test_a_title_that_is_left_out_is_recorded_no_more_until_it_is_taken_in(): void
    {
        $this->read([[60, 40]]);
        $this->post("/almanac/{$this->title->id}/leave-out", ['out' => '1']);
        $this->read([[20, 10]]);
        $this->assertSame(0, $this->seconds());
        $this->get('/almanac')->assertSee('Nothing yet');
        $this->get('/almanac?left_out=1')->assertSee('Tide Tables');
        $this->post("/almanac/{$this->title->id}/leave-out", ['out' => '0']);
        $this->read([[20, 10]]);
        $this->assertSame(600, $this->seconds());
    }

    public function test_a_span_is_cleared_to_the_minute_and_nothing_beside_it(): void
    {
        // By the clock of the library, in its summer: 23:30 on 30 April to 1:30 on 1 May.
        $this->travelTo('2026-05-01 01:30 UTC');
        $this->read([[120, 0]]);
        $this->post('/almanac/clear', ['first_day' => '2026-05-01', 'last_day' => '2026-05-01']);
        $this->assertSame(30 * 60, $this->seconds());
        $this->assertSame(1, AlmanacTitle::query()->count());
        $this->post('/almanac/clear', ['first_day' => '2026-05-02'])->assertSessionHasErrors('first_day');
        $this->post('/almanac/clear', ['first_day' => '2026-04-01', 'last_day' => '2026-05-30']);
        $this->assertSame([0, 0], [$this->seconds(), AlmanacTitle::query()->count()]);
        $this->read([[20, 10]]);
        $this->post('/almanac/clear', ['all' => '1']);
        $this->assertSame([0, 0], [$this->seconds(), AlmanacTitle::query()->count()]);
    }

    public function test_goals_are_numbers_that_can_be_met(): void
    {
        $this->post('/almanac/goals', ['minutes' => '0'])->assertSessionHasErrors('minutes');
        $this->post('/almanac/goals', ['minutes' => '1441'])->assertSessionHasErrors('minutes');
        $this->post('/almanac/goals', ['titles' => 'many'])->assertSessionHasErrors('titles');
        $this->post('/almanac/goals', ['minutes' => '20', 'titles' => '3'])->assertSessionHas('said');
        $this->get('/almanac')->assertSee('of 20')->assertSee('of 3');
        $this->post('/almanac/goals', []);
        $this->assertNull($this->card->person->refresh()->goals);
    }
}
