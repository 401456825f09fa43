<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Loans\ReturnLoan;
use App\Models\Card;
use App\Models\Hold;
use FigPorch\Core\Catalogue\Audience;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\TestCase;

/** Cards of children that an adult looks after. */
final class HouseholdTest extends TestCase
{
    private Card $adult;

    private Card $child;

    protected function setUp(): void
    {
        parent::setUp();
        DB::table('loan_rules')->insert([
            'library_id' => $this->library()->id,
            'patron_group' => 'child',
            'audience_ceiling' => 'child',
        ]);
        $this->adult = $this->card();
        $this->child = $this->card(group: 'child', pin: '5526');
        $this->child->person->update(['name' => 'Pip Lantry']);
        $this->as($this->adult);
    }

    /** @return TestResponse<Response> */
    private function lookAfter(Card $card, string $pin = '5526'): TestResponse
    {
        return $this->from('/household')->post('/household', [
            'at' => 'saltmere',
            'number' => $card->number,
            'pin' => $pin,
        ]);
    }

    public function test_due_dates_are_seen_and_what_is_given_back_is_not(): void
    {
        $this->licence($title = $this->title('Tides for Small Boats', audience: Audience::Child), copies: 2);
        $loan = $this->borrow($this->child, $title);
        $this->get('/household')->assertOk()->assertSee('You look after no card yet')->assertDontSee('Tides');
        $this->lookAfter($this->child)->assertRedirect('/household')->assertSessionHas('said');
        $this->lookAfter($this->child)->assertSessionHasNoErrors();
        $this->get('/household')->assertSee('Pip Lantry')->assertSee('Tides for Small Boats')->assertSee('due');
        app(ReturnLoan::class)($loan->id, $this->now());
        $this->get('/household')->assertDontSee('Tides for Small Boats');
        $this->child->person->update(['keeps_history' => true]);
        $this->get('/household')->assertDontSee('Tides for Small Boats');
    }

    public function test_a_hold_is_placed_for_the_child_within_the_childs_own_ceiling(): void
    {
        $this->lookAfter($this->child);
        $this->licence($title = $this->title('Small Boats', audience: Audience::Child), copies: 1);
        $this->borrow($this->card(), $title);
        $this->licence($grown = $this->title('Salt and Ash', audience: Audience::Adult), copies: 1);
        $this->borrow($this->card(), $grown);
        $this->get("/titles/{$title->id}")->assertSee('Place hold for Pip Lantry');
        $this->get("/titles/{$grown->id}")
            ->assertOk()
            ->assertDontSee('Place hold for Pip Lantry');
        $this->post("/household/{$this->child->id}/holds/{$title->id}")->assertSessionHas('said');
        $this->post("/household/{$this->child->id}/holds/{$grown->id}")->assertSessionHas('refusal');
        $hold = Hold::query()->firstOrFail();
        $this->assertSame($this->child->id, $hold->card_id);
        $this->get('/household')->assertSee('waits in line');
        $this->post("/household/{$this->child->id}/cancel/{$hold->id}")->assertSessionHas('said');
        $this->assertSame('cancelled', $hold->refresh()->state->value);
        $this->assertEveryCountIsTrue();
    }

    public function test_holds_of_others_are_out_of_reach(): void
    {
        $this->lookAfter($this->child);
        $this->licence($title = $this->title(audience: Audience::Child), copies: 1);
        $this->borrow($this->card(), $title);
        $others = $this->hold($this->card(), $title);
        $this->post("/household/{$this->child->id}/cancel/{$others->id}")->assertNotFound();
        $stranger = $this->card(group: 'child');
        $this->post("/household/{$stranger->id}/holds/{$title->id}")->assertNotFound();
        $this->post("/household/{$stranger->id}/end")->assertNotFound();
        $this->assertSame('waiting', $others->refresh()->state->value);
    }

    public function test_what_cannot_be_looked_after_says_why(): void
    {
        $this->lookAfter($this->child, '0000')->assertSessionHasErrors('number');
        $this->lookAfter($this->card(pin: '5526'))->assertSessionHasErrors('number');
        $own = $this->card($this->library('larkspur'), 'child', '5526', $this->adult->person);
        $this->post('/household', [
            'at' => 'larkspur',
            'number' => $own->number,
            'pin' => '5526',
        ])->assertSessionHasErrors();
        $this->assertSame(0, DB::table('household_cards')->count());
    }

    public function test_only_a_grown_up_looks_after_a_card(): void
    {
        $this->as($this->card(group: 'child'));
        $this->lookAfter($this->child)->assertSessionHasErrors(['number' => __('household.refused.young')]);
        $this->assertSame(0, DB::table('household_cards')->count());
    }

    public function test_either_side_ends_it(): void
    {
        $this->lookAfter($this->child);
        $this->as($this->child);
        $this->get('/settings')->assertSee('looks after this card');
        $this->post("/household/{$this->child->id}/end", ['adult' => (string) $this->adult->person_id])->assertRedirect(
            '/settings',
        );
        $this->assertSame(0, DB::table('household_cards')->count());
        $this->as($this->adult);
        $this->lookAfter($this->child);
        $this->post("/household/{$this->child->id}/end")->assertRedirect('/household');
        $this->assertSame(0, DB::table('household_cards')->count());
    }
}
