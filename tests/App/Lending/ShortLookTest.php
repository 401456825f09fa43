<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Borrowing\BorrowTitle;
use App\Models\Card;
use App\Models\Loan;
use App\Models\Title;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\LoanLength;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** A title for an hour, which becomes a loan of days if nobody waits: the same loan, counted and paid once. */
final class ShortLookTest extends TestCase
{
    private Card $card;

    private Title $title;

    protected function setUp(): void
    {
        parent::setUp();
        DB::table('loan_rules')->insert([
            'library_id' => $this->library()->id,
            'lengths' => '["1h","7d","14d"]',
            'default_length' => '14d',
        ]);
        $this->title = $this->title();
        $this->card = $this->card();
    }

    private function look(?Card $card = null): Loan
    {
        $id = app(BorrowTitle::class)(($card ?? $this->card)->id, $this->title->id, LoanLength::hours(1), $this->now());
        $this->assertIsInt($id);

        return Loan::query()->findOrFail($id);
    }

    public function test_at_one_touch_from_the_page_of_the_title_for_an_hour(): void
    {
        $this->licence($this->title);
        $this->as($this->card)
            ->get("/titles/{$this->title->id}")
            ->assertSee('For an hour')
            ->assertSee('value="1h"', false);
        $this->post("/titles/{$this->title->id}/borrow", ['length' => '1h'])->assertSessionHas('said');
        $loan = Loan::query()->sole();
        $this->assertEquals($this->now()->addHour()->startOfSecond(), $loan->due_at->startOfSecond());
        $this->get("/titles/{$this->title->id}")
            ->assertDontSee('For an hour')
            ->assertSee('On loan to you until');
        // Where a library lends for days alone there is none.
        DB::table('loan_rules')->update(['lengths' => '["14d"]']);
        $this->as($this->card())
            ->get("/titles/{$this->title->id}")
            ->assertDontSee('For an hour');
    }

    public function test_it_becomes_a_loan_of_days_and_is_the_same_loan(): void
    {
        $licence = $this->licence($this->title, M::MeteredByLoans, copies: 1, loans: 5);
        $loan = $this->look();
        $this->assertSame(4, $licence->refresh()->loans_left);
        $this->travel(50)->minutes();
        $this->as($this->card)
            ->get('/loans')
            ->assertSee('Nobody waits: you can keep it until')
            ->assertSee('Keep it longer')
            ->assertDontSee("/loans/{$loan->id}/renew", false);
        $this->post("/loans/{$loan->id}/longer")->assertSessionHas('said');
        $after = Loan::query()->sole();
        $this->assertSame([$loan->id, '14d', 0], [$after->id, $after->length, $after->renewals]);
        $this->assertEquals($loan->started_at, $after->started_at);
        $this->assertEquals($loan->started_at->addDays(14), $after->due_at, 'from its own beginning');
        $this->assertSame(4, $licence->refresh()->loans_left, 'the licence is charged once');
        $this->assertSame(1, $this->card->refresh()->loans_open);
        // Sent twice: it is no short look any more.
        $this->post("/loans/{$loan->id}/longer")->assertSessionHas('refusal');
        $this->assertEquals($after->due_at, $after->refresh()->due_at);
        $this->assertEveryCountIsTrue();
    }

    public function test_what_is_paid_for_by_the_loan_is_paid_once(): void
    {
        $this->library()->update(['pay_per_loan_budget_cents' => 300]);
        $this->licence($this->title, M::PayPerLoan, price: 200);
        $loan = $this->look();
        $this->as($this->card)
            ->post("/loans/{$loan->id}/longer")
            ->assertSessionHas('said');
        $this->assertSame(200, DB::table('pay_per_loan_months')->value('spent_cents'));
        $this->assertSame(200, $loan->refresh()->getAttribute('paid_cents'));
    }

    public function test_when_others_wait_it_says_so_and_offers_a_hold_with_its_range(): void
    {
        $this->licence($this->title);
        $loan = $this->look();
        $this->hold($this->card(), $this->title);
        $this->as($this->card)
            ->get('/loans')
            ->assertSee('Others wait, so it ends then.')
            ->assertSee('8 in 10')
            ->assertSee('Place hold')
            ->assertDontSee('Keep it longer');
        $this->postJson("/loans/{$loan->id}/longer")
            ->assertUnprocessable()
            ->assertJsonFragment([
                'message' =>
                    'Others wait for this title and no copy is free, so the loan cannot be renewed. ' .
                    'Place a hold once it has ended to have it again.',
            ]);
        $this->assertSame('1h', $loan->refresh()->length);

        // Who looks for an hour may stand in line meanwhile, and waits for nobody else's sake but theirs.
        $this->post("/titles/{$this->title->id}/hold")->assertSessionHas('said');
        $this->get('/loans')->assertSee('You are in line to have it again.')->assertDontSee('Place hold');
        $this->travel(61)->minutes();
        $this->artisan('lending:tick');
        $states = DB::table('holds')->orderBy('id')->pluck('state')->all();
        $this->assertSame(['ready', 'waiting'], $states, 'the others first');
        $this->assertEveryCountIsTrue();
    }

    public function test_a_hold_of_ones_own_and_a_free_copy_stand_in_nobodys_way(): void
    {
        $this->licence($this->title, copies: 2);
        $loan = $this->look();
        $this->borrow($this->card(), $this->title);
        $this->as($this->card)
            ->post("/titles/{$this->title->id}/hold")
            ->assertSessionHas('said');
        $this->postJson("/loans/{$loan->id}/longer")
            ->assertOk()
            ->assertJsonStructure(['said', 'due']);
        $this->assertSame('14d', $loan->refresh()->length);
        $this->assertEveryCountIsTrue();
    }

    public function test_not_after_its_end_and_not_with_the_card_of_another(): void
    {
        $this->licence($this->title);
        $loan = $this->look();
        $this->as($this->card())
            ->post("/loans/{$loan->id}/longer")
            ->assertNotFound();
        $this->travel(61)->minutes();
        $this->as($this->card)
            ->postJson("/loans/{$loan->id}/longer")
            ->assertUnprocessable();
        $this->assertSame('1h', $loan->refresh()->length);
    }
}
