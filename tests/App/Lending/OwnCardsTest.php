<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Cards\JoinPeople;
use App\Lending\Cards\MergeCards;
use App\Lending\Loans\ReturnLoan;
use App\Lending\OwnCards\KeepOwnCards;
use App\Models\Card;
use App\Models\Hold;
use App\Models\Loan;
use App\Models\Person;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\TestCase;

/** A person's own cards, put together and taken apart; and the end of it all. */
final class OwnCardsTest extends TestCase
{
    private Card $mine;

    private Card $there;

    protected function setUp(): void
    {
        parent::setUp();
        $this->mine = $this->card(pin: '4071');
        $this->there = $this->card($this->library('larkspur'), pin: '5526');
        $this->as($this->mine);
    }

    /** @return TestResponse<Response> */
    private function add(Card $card, string $pin = '5526'): TestResponse
    {
        return $this->from('/settings/cards/add')->post('/settings/cards', [
            'at' => $card->library->slug,
            'number' => $card->number,
            'pin' => $pin,
        ]);
    }

    public function test_a_card_is_added_by_signing_in_once_more_and_all_of_it_comes_along(): void
    {
        $this->licence($title = $this->title(), library: $this->library('larkspur'));
        $loan = $this->borrow($this->there, $title);
        DB::table('baskets')->insert([
            'person_id' => $this->there->person_id,
            'name' => 'Tides',
            'position' => 1,
            'created_at' => $this->now(),
        ]);
        $this->get('/settings/cards/add')->assertOk()->assertSee('Larkspur Library');
        $this->add($this->there)->assertRedirect('/settings')->assertSessionHas('said');
        $this->assertSame($this->mine->person_id, $this->there->refresh()->person_id);
        $this->as($this->mine);
        $this->get('/loans')->assertSee($title->name);
        $this->followingRedirects()->get('/baskets')->assertSee('Tides');
        $this->assertSame(1, Person::query()->count());
        $this->assertSame($this->there->id, $loan->refresh()->card_id);
    }

    public function test_what_cannot_be_added_says_why(): void
    {
        $this->add($this->there, '0000')->assertSessionHasErrors('number');
        $this->add($this->mine, '4071')->assertSessionHasErrors(['number' => 'That card is here already.']);
        $this->add($this->card(pin: '5526'))->assertSessionHasErrors('number');
        $other = $this->card($this->library('cinder'), person: $this->there->person);
        $this->add($this->there)->assertSessionHasErrors('number');
        $other->delete();
        $this->post('/settings/cards', ['at' => 'nowhere', 'number' => '1', 'pin' => '1'])->assertSessionHasErrors(
            'number',
        );
        $this->assertSame($this->mine->person_id, $this->mine->refresh()->person_id);
        $this->assertNotSame($this->mine->person_id, $this->there->refresh()->person_id);
    }

    public function test_tries_are_counted_as_at_signing_in(): void
    {
        for ($n = 0; $n < 12; $n++) {
            $this->add($this->there, '0000');
        }
        $this->add($this->there)->assertSessionHasErrors('number');
        $this->assertStringContainsString('too many tries', session('errors')->first('number'));
        $this->assertNotSame($this->mine->person_id, $this->there->refresh()->person_id);
    }

    public function test_one_is_first_has_a_name_and_is_taken_apart(): void
    {
        $this->add($this->there);
        $this->as($this->mine);
        $this->post("/settings/cards/{$this->there->id}/first");
        $this->post("/settings/cards/{$this->there->id}/name", ['own_name' => 'Ferry']);
        $this->assertSame(
            [$this->there->id, $this->mine->id],
            Person::query()->firstOrFail()->cards()->pluck('id')->all(),
        );
        $this->get('/settings')->assertSee('Ferry');
        $this->post("/settings/cards/{$this->mine->id}/first");
        $this->assertSame([false, true], [$this->there->refresh()->is_first, $this->mine->refresh()->is_first]);

        $this->licence($title = $this->title(), library: $this->library('larkspur'));
        $loan = $this->borrow($this->there, $title);
        $remove = fn() => $this->post("/settings/cards/{$this->there->id}/remove");
        $remove()->assertSessionHas('refusal');
        app(ReturnLoan::class)($loan->id, $this->now());
        $remove()->assertSessionHas('said');
        $this->assertNotSame($this->mine->person_id, $this->there->refresh()->person_id);
        $this->assertNull($this->there->own_name);
        $this->post("/settings/cards/{$this->mine->id}/remove")->assertSessionHas('refusal');
    }

    public function test_a_card_that_changes_hands_meanwhile_is_not_taken(): void
    {
        $stale = Card::query()->findOrFail($this->there->id);
        $this->there->update(['person_id' => $this->card()->person_id]);
        $outcome = app(KeepOwnCards::class)->add($this->mine->person, $stale);
        $this->assertSame('changed', $outcome->value);
    }

    public function test_what_ends_or_is_blocked_is_told_before_it_bites(): void
    {
        $this->mine->update(['expires_at' => $this->now()->addDays(20)]);
        $this->get('/porch')->assertSee('ends', false)->assertSee('Renew it at the library, the front desk');
        $this->mine->update(['blocked_at' => $this->now(), 'block_reason' => 'Two ferries unpaid.']);
        $this->as($this->mine->refresh())->get('/porch')->assertSee('Two ferries unpaid.');
        $this->get("/cards/{$this->mine->id}")->assertSee('Two ferries unpaid.');
        $this->mine->update(['blocked_at' => null, 'block_reason' => null, 'expires_at' => $this->now()->addYear()]);
        $this->as($this->mine->refresh())->get('/porch')->assertDontSee('Renew it');
    }

    public function test_who_erases_themselves_leaves_counts_and_nothing_else(): void
    {
        $this->add($this->there);
        $this->licence($title = $this->title(), copies: 1);
        $loan = $this->borrow($this->mine, $title);
        $this->licence($wanted = $this->title('Wanted'), copies: 1);
        $next = $this->card();
        $nextTitle = $this->borrow($this->card(), $wanted);
        $hold = $this->hold($this->mine, $wanted);
        $waiting = $this->hold($next, $title);
        $this->as($this->mine);
        $this->post('/letters', ['text' => 'Goodbye.']);
        $this->get('/settings/erase')->assertOk()->assertSee('Take it with you first');
        $this->post('/settings/erase', ['word' => 'yes'])->assertSessionHasErrors('word');
        $this->assertSame(2, $this->mine->person->cards()->count());

        $this->post('/settings/erase', ['word' => ' erase '])->assertRedirect('/');
        $this->assertTrue(Auth::guard('web')->guest());
        $this->assertSame([], array_filter($this->rowsOf($this->mine), fn(int $rows): bool => $rows > 0));
        $this->assertNull(Loan::query()->findOrFail($loan->id)->card_id);
        $this->assertNotNull(Loan::query()->findOrFail($loan->id)->ended_at);
        $this->assertNull(Hold::query()->findOrFail($hold->id)->card_id);
        $this->assertSame('ready', Hold::query()->findOrFail($waiting->id)->state->value, 'the copy went on');
        $this->assertNull(Loan::query()->findOrFail($nextTitle->id)->ended_at);
        $this->assertEveryCountIsTrue();
    }

    /** @return array<string, int> rows by table that still lead to a person or their cards */
    private function rowsOf(Card $card): array
    {
        $rows = [];
        $columns = DB::select("select conrelid::regclass::text as t, a.attname as c, confrelid::regclass::text as p
            from pg_constraint k join pg_attribute a on a.attrelid = k.conrelid and a.attnum = k.conkey[1]
            where k.contype = 'f' and confrelid in ('people'::regclass, 'cards'::regclass)");
        foreach ($columns as $of) {
            $ids = $of->p === 'people' ? [$card->person_id] : [$card->id, $this->there->id];
            $rows["{$of->t}.{$of->c}"] = DB::table($of->t)->whereIn($of->c, $ids)->count();
        }
        $rows['people'] = DB::table('people')->where('id', $card->person_id)->count();
        $rows['sessions'] = DB::table('sessions')->where('user_id', $card->person_id)->count();
        foreach (['jobs' => 'payload', 'cache' => 'value', 'failed_jobs' => 'payload'] as $table => $column) {
            $rows[$table] = DB::table($table)
                ->where($column, 'like', "%{$card->number}%")
                ->count();
        }

        return $rows;
    }

    public function test_everything_that_is_a_person_s_goes_over_when_two_records_become_one(): void
    {
        $columns = DB::select("select conrelid::regclass::text as t from pg_constraint
            where contype = 'f' and confrelid = 'people'::regclass");
        $tables = array_diff(array_column($columns, 't'), ['cards']);
        sort($tables);
        $known = array_keys(JoinPeople::OF_THE_PERSON);
        sort($known);
        $this->assertSame($tables, $known);

        $ofCards = DB::select("select conrelid::regclass::text as t from pg_constraint
            where contype = 'f' and confrelid = 'cards'::regclass");
        $tables = array_column($ofCards, 't');
        sort($tables);
        $known = [...array_keys(MergeCards::OF_THE_CARD), ...MergeCards::GIVEN_UP];
        sort($known);
        $this->assertSame($tables, $known);
    }
}
