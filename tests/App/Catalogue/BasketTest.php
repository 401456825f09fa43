<?php

declare(strict_types=1);

namespace Tests\App\Catalogue;

use App\Catalogue\Baskets\ArrangeBaskets;
use App\Catalogue\Baskets\BasketOwner;
use App\Catalogue\Baskets\FillBasket;
use App\Models\Basket;
use App\Models\Person;
use App\Models\Title;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

final class BasketTest extends TestCase
{
    private function basket(Person $person, string $name, ?Basket $into = null): Basket
    {
        return app(ArrangeBaskets::class)->make(new BasketOwner($person->id, null), $name, $into, $this->now()) ??
            $this->fail('A basket was made.');
    }

    /** @return list<string> */
    private function names(Basket $basket): array
    {
        return array_values($basket->titles()->pluck('name')->all());
    }

    private function fill(Basket $basket, string ...$names): void
    {
        foreach ($names as $name) {
            app(FillBasket::class)->put($basket, $this->title($name)->id, $this->now());
        }
    }

    public function test_a_title_goes_into_the_first_basket_which_is_made_for_it(): void
    {
        $this->licence($title = $this->title('Low Water'));
        $card = $this->card();
        $this->actingAs($card->person)
            ->from("/titles/{$title->id}")
            ->post("/titles/{$title->id}/basket")
            ->assertRedirect("/titles/{$title->id}")
            ->assertSessionHas('said', '“Low Water” is in the basket “My basket”.');
        $this->post("/titles/{$title->id}/basket", [], ['HX-Request' => 'true'])
            ->assertOk()
            ->assertSee('In the basket “My basket”');
        $this->followingRedirects()->get('/baskets')->assertOk()->assertSee('Low Water')->assertSee('Ready now');
        $this->assertSame(1, DB::table('basket_title')->count());
    }

    public function test_the_next_goes_into_the_basket_used_last_or_the_one_that_is_named(): void
    {
        $person = $this->card()->person;
        [$one, $two] = [$this->basket($person, 'One'), $this->basket($person, 'Two')];
        [$a, $b, $c] = [$this->title('A'), $this->title('B'), $this->title('C')];
        $this->actingAs($person)->post("/titles/{$a->id}/basket");
        $this->post("/titles/{$b->id}/basket", ['basket' => (string) $two->id]);
        $this->post("/titles/{$c->id}/basket");
        $this->assertSame([['A'], ['B', 'C']], [$this->names($one), $this->names($two)]);
    }

    public function test_a_basket_begun_before_signing_in_survives_it_and_joins_one_of_the_same_name(): void
    {
        $title = $this->title('Low Water');
        $card = $this->card(pin: '4071');
        $this->fill($mine = $this->basket($card->person, 'My basket'), 'Kept before');
        $response = $this->post("/titles/{$title->id}/basket?library=saltmere");
        $cookie = $response->getCookie('basket')?->getValue() ?? $this->fail('The browser has a key.');
        $this->withCookie('basket', $cookie)
            ->followingRedirects()
            ->get('/baskets')
            ->assertSee('Low Water')
            ->assertSee('kept in this browser alone');
        $this->withCookie('basket', str_repeat('k', 40))
            ->followingRedirects()
            ->get('/baskets')
            ->assertDontSee('Low Water');

        $this->withCookie('basket', $cookie)
            ->post('/sign-in?library=saltmere', ['number' => $card->number, 'pin' => '4071'])
            ->assertRedirect('/porch');
        $this->assertSame(['Kept before', 'Low Water'], $this->names($mine));
        $this->assertSame(1, Basket::query()->count());
    }

    public function test_baskets_hold_baskets_but_never_themselves_and_not_too_deep(): void
    {
        $person = $this->card()->person;
        $outer = $this->basket($person, 'Outer');
        $inner = $this->basket($person, 'Inner', $outer);
        $this->actingAs($person)
            ->post("/baskets/{$outer->id}", ['name' => 'Outer', 'into' => (string) $inner->id])
            ->assertSessionHas('refusal');
        $this->post("/baskets/{$outer->id}", ['name' => 'Outer', 'into' => (string) $outer->id])->assertSessionHas(
            'refusal',
        );
        $this->assertNull($outer->refresh()->parent_id);
        for ($deep = $inner, $n = 3; $n <= ArrangeBaskets::DEEPEST; $n++) {
            $deep = $this->basket($person, "Level {$n}", $deep);
        }
        $this->post('/baskets', ['name' => 'Too deep', 'into' => (string) $deep->id])->assertSessionHas('refusal');
        $other = $this->basket($person, 'Other');
        $this->basket($person, 'In other', $other);
        $this->post("/baskets/{$other->id}", ['name' => 'Other', 'into' => (string) $deep->id])->assertSessionHas(
            'refusal',
        );
        $this->post("/baskets/{$inner->id}", [
            'name' => 'Inner',
            'note' => 'for the crossing',
            'into' => '',
        ])->assertSessionMissing('refusal');
        $this->assertNull($inner->refresh()->parent_id);
        $this->get("/baskets/{$inner->id}")
            ->assertOk()
            ->assertSee('for the crossing');
    }

    public function test_titles_are_ordered_by_hand_noted_moved_and_taken_out(): void
    {
        $person = $this->card()->person;
        [$from, $to] = [$this->basket($person, 'From'), $this->basket($person, 'To')];
        $this->fill($from, 'A', 'B', 'C', 'D');
        $id = fn(string $name): string => (string) Title::query()->where('name', $name)->value('id');
        $do = fn(array $what) => $this->actingAs($person)->post("/baskets/{$from->id}/titles", $what);

        $do(['do' => 'up:' . $id('C')]);
        $do(['do' => 'down:' . $id('A')]);
        $do(['do' => 'up:' . $id('C')]);
        $this->assertSame(['C', 'A', 'B', 'D'], $this->names($from));
        $do(['do' => 'notes', 'note' => [$id('C') => 'for Tove', $id('A') => '']])->assertSessionHas(
            'said',
            'The notes are kept.',
        );
        $do(['do' => 'down:' . $id('D'), 'note' => [$id('A') => 'typed before moving a row']]);
        $this->get("/baskets/{$from->id}")->assertSee('typed before moving a row');
        $do(['do' => 'move', 'to' => (string) $to->id, 'titles' => [$id('C'), $id('D')]]);
        $do(['do' => 'take-out', 'titles' => [$id('B')]]);
        $do(['do' => 'take-out'])->assertSessionHas('refusal');
        $this->assertSame([['A'], ['C', 'D']], [$this->names($from), $this->names($to)]);
        $this->get("/baskets/{$to->id}")->assertSee('for Tove');
    }

    public function test_nobody_opens_changes_or_fills_the_basket_of_another(): void
    {
        $theirs = $this->basket($this->card()->person, 'Theirs');
        $this->fill($theirs, 'Secret');
        $title = $this->title('Mine');
        $this->actingAs($this->card()->person);
        $this->get("/baskets/{$theirs->id}")->assertNotFound();
        $this->get("/baskets/{$theirs->id}/bibliography")->assertNotFound();
        $this->get("/baskets/{$theirs->id}/basket.csv")->assertNotFound();
        foreach (
            [
                '' => ['name' => 'X'],
                '/shift' => ['by' => 'up'],
                '/remove' => [],
                '/share' => [],
                '/titles' => ['do' => 'notes'],
            ]
            as $to => $data
        ) {
            $this->post("/baskets/{$theirs->id}{$to}", $data)->assertNotFound();
        }
        $this->post("/titles/{$title->id}/basket", ['basket' => (string) $theirs->id])->assertNotFound();
        $this->post('/baskets', ['name' => 'Inside', 'into' => (string) $theirs->id])->assertNotFound();
        $this->get('/baskets/99999999999999999999')->assertNotFound();
        $this->assertSame(['Secret'], $this->names($theirs));
    }

    public function test_a_shared_basket_is_seen_by_its_address_until_that_is_withdrawn(): void
    {
        $person = $this->card()->person;
        $basket = $this->basket($person, 'For the class');
        $this->fill($basket, 'Low Water');
        $this->fill($this->basket($person, 'Week two', $basket), 'High Water');
        $this->actingAs($person)->post("/baskets/{$basket->id}/share");
        $address = '/shared/' . $basket->refresh()->share_key;
        auth()->logout();
        $this->get("{$address}?library=saltmere")
            ->assertOk()
            ->assertSeeInOrder(['For the class', 'Low Water', 'Week two', 'High Water'])
            ->assertDontSee($person->name);
        $this->actingAs($person)->post("/baskets/{$basket->id}/share", ['withdraw' => '1']);
        $this->get($address)->assertNotFound();
    }

    public function test_a_basket_and_all_in_it_leave_as_csv_ris_bibtex_csl_json_and_a_bibliography(): void
    {
        $person = $this->card()->person;
        $basket = $this->basket($person, 'For the class');
        $this->fill($basket, 'Low Water');
        $this->fill($this->basket($person, 'Week two', $basket), 'High Water');
        $this->actingAs($person);
        $csv = $this->get("/baskets/{$basket->id}/basket.csv")->streamedContent();
        $this->assertStringContainsString('"For the class","Low Water"', $csv);
        $this->assertStringContainsString('"Week two","High Water"', $csv);
        $this->assertSame(
            2,
            substr_count((string) $this->get("/baskets/{$basket->id}/basket.ris")->getContent(), 'TY  - EBOOK'),
        );
        $this->assertSame(
            2,
            substr_count((string) $this->get("/baskets/{$basket->id}/basket.bib")->getContent(), '@book{figporch-'),
        );
        $this->assertSame(
            ['Low Water', 'High Water'],
            array_column((array) $this->get("/baskets/{$basket->id}/basket.json")->json(), 'title'),
        );
        $this->get("/baskets/{$basket->id}/bibliography")
            ->assertSee('Tamsin Ebbing')
            ->assertSee('<i>Low Water</i>', false)
            ->assertSeeInOrder(['High Water', 'Low Water']);
        $this->get("/baskets/{$basket->id}/bibliography?style=nonsense")->assertOk();
    }

    public function test_a_removed_basket_takes_those_in_it_along_and_nothing_else(): void
    {
        $person = $this->card()->person;
        $basket = $this->basket($person, 'Gone');
        $this->basket($person, 'Gone too', $basket);
        $this->basket($person, 'Stays');
        $this->fill($basket, 'Low Water');
        $this->actingAs($person)
            ->post("/baskets/{$basket->id}/remove")
            ->assertRedirect('/baskets');
        $this->assertSame(['Stays'], Basket::query()->pluck('name')->all());
        $this->assertSame(1, Title::query()->count());
    }

    public function test_a_full_basket_says_so_in_place_and_on_a_page(): void
    {
        $person = $this->card()->person;
        $basket = $this->basket($person, 'Full');
        DB::insert("insert into works (id, name, match_key) values (900, 'Many', 'many')");
        DB::insert(
            "insert into titles (id, work_id, record_key, format, name, extent, added_at)
                select 1000 + g, 900, 'many:' || g, 'ebook', 'Many ' || g, 1, now() from generate_series(1, ?) g",
            [FillBasket::MOST],
        );
        DB::insert(
            'insert into basket_title (basket_id, title_id, position, added_at) select ?, id, id, now() from titles',
            [$basket->id],
        );
        $one = $this->title('One more');
        $this->actingAs($person)
            ->post("/titles/{$one->id}/basket")
            ->assertSessionHas('refusal');
        $this->post("/titles/{$one->id}/basket", [], ['HX-Request' => 'true'])
            ->assertStatus(422)
            ->assertSee('Nothing was added');
        $this->assertSame(FillBasket::MOST, DB::table('basket_title')->count());
        $this->get("/baskets/{$basket->id}?page=40")
            ->assertOk()
            ->assertSee('Page 40 of 40');
    }

    public function test_nobody_has_more_baskets_than_anyone_may(): void
    {
        $this->be($person = $this->card()->person);
        DB::insert(
            "insert into baskets (person_id, name, position, created_at)
                select ?, 'Basket ' || n, n, now() from generate_series(2, ?) n",
            [$person->id, ArrangeBaskets::MOST],
        );
        $this->post('/baskets', ['name' => 'The last'])->assertSessionMissing('refusal');
        $this->post('/baskets', ['name' => 'One too many'])->assertSessionHas('refusal');
        $this->assertSame(ArrangeBaskets::MOST, Basket::query()->count());
    }

    public function test_what_is_sent_twice_is_done_once(): void
    {
        $person = $this->card()->person;
        $this->actingAs($person);
        foreach ([1, 2] as $ignored) {
            $this->post('/baskets', ['name' => 'For the class'])->assertRedirect();
        }
        $basket = Basket::query()->sole();
        $this->post("/baskets/{$basket->id}/share");
        $key = $basket->refresh()->share_key;
        $this->post("/baskets/{$basket->id}/share");
        $this->assertSame($key, $basket->refresh()->share_key, 'the address that was given out goes on');
        $this->post("/baskets/{$basket->id}/titles", ['do' => 'burn', 'titles' => ['1']])->assertNotFound();
    }
}
