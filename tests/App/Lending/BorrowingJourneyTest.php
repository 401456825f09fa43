<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Models\Hold;
use App\Models\Loan;
use App\Models\Title;
use Illuminate\Support\Facades\DB;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** The whole evening through the pages: borrow, read, return, and the next in line. */
final class BorrowingJourneyTest extends TestCase
{
    use ImportsBooks;

    public function test_from_finding_to_the_next_in_line(): void
    {
        $title = $this->importBook();
        $one = $this->card();
        $two = $this->card();

        $this->as($one)
            ->get("/titles/{$title->id}/borrow")
            ->assertOk()
            ->assertSeeInOrder(['7 days', '14 days', '21 days', 'This makes 1 of 7 loans']);
        $this->post("/titles/{$title->id}/borrow", ['length' => '21d'])->assertRedirect("/titles/{$title->id}");
        $loan = Loan::query()->sole();
        $this->get('/porch')
            ->assertSee('The Salt Ledger')
            ->assertSee("/loans/{$loan->id}/read", false)
            ->assertSee('due 22 May');
        $this->get('/loans')->assertSee('22 May');
        $this->get("/loans/{$loan->id}/read")->assertOk();

        $this->as($two)
            ->get("/titles/{$title->id}")
            ->assertSee('at the latest 22 May');
        $this->post("/titles/{$title->id}/borrow")->assertSessionHas('refusal');
        $this->post("/titles/{$title->id}/hold")->assertRedirect();
        $this->get('/holds')->assertSee('1st in line')->assertSee('22 May');

        $this->as($one)
            ->post("/loans/{$loan->id}/return")
            ->assertSessionHas('undo', $loan->id);
        $this->get("/loans/{$loan->id}/read")->assertStatus(410);
        $this->post("/loans/{$loan->id}/undo-return")->assertSessionHas('refusal');

        $this->as($two)->get('/porch')->assertSee('The Salt Ledger is ready for you')->assertSee('1 new notice');
        $this->get('/notices')->assertSee('is kept for you until');
        $this->get('/porch')->assertDontSee('1 new notice');
        $this->workThroughQueue();
        $mail = $this->sentMail()->messages()->sole()->getOriginalMessage();
        $this->assertStringContainsString('“The Salt Ledger” is ready for you', $mail->getSubject());
        $this->assertStringContainsString("/titles/{$title->id}", $mail->getTextBody());
        $this->post("/titles/{$title->id}/borrow")->assertSessionHas('said');
        $this->get('/porch')->assertDontSee('is ready for you');
        $this->assertEveryCountIsTrue();
    }

    public function test_in_place_answers_for_htmx(): void
    {
        $this->licence($title = $this->title());
        $this->as($this->card());
        $this->get("/titles/{$title->id}/borrow", ['HX-Request' => 'true'])
            ->assertOk()
            ->assertDontSee('<html', false)
            ->assertSee('hx-post', false);
        $this->post("/titles/{$title->id}/borrow", ['length' => '7d'], ['HX-Request' => 'true'])
            ->assertOk()
            ->assertSee("id=\"action-{$title->id}\"", false)
            ->assertSee('On loan to you until')
            ->assertSee('1 of 7 loans');
        $this->post("/titles/{$title->id}/borrow", ['length' => 'a week'], ['HX-Request' => 'true'])->assertSee(
            'That length is not offered',
        );
    }

    public function test_at_the_limit_one_loan_can_be_returned_from_the_refusal(): void
    {
        DB::table('loan_rules')->insert(['library_id' => $this->library()->id, 'max_loans' => 1]);
        $this->licence($first = $this->title('First'));
        $this->licence($second = $this->title('Second'));
        $loan = $this->borrow($card = $this->card(), $first);
        $this->as($card)
            ->post("/titles/{$second->id}/borrow", [], ['HX-Request' => 'true'])
            ->assertSee('“First” ends soonest')
            ->assertSee("/loans/{$loan->id}/return", false);
    }

    public function test_no_room_is_made_with_the_loan_of_somebody_else(): void
    {
        DB::table('loan_rules')->insert(['library_id' => $this->library()->id, 'max_loans' => 1]);
        $this->licence($first = $this->title('First'), copies: 2);
        $this->licence($second = $this->title('Second'));
        $theirs = $this->borrow($this->card(), $first);
        $this->borrow($card = $this->card(), $first);

        $this->as($card)
            ->post("/titles/{$second->id}/borrow", ['return_first' => (string) $theirs->id])
            ->assertNotFound();

        $this->assertNull($theirs->refresh()->ended_at);
        $this->assertSame(2, Loan::query()->count());
    }

    public function test_the_same_form_sent_twice_is_one_loan(): void
    {
        $this->licence($title = $this->title(), copies: 3);
        $this->as($this->card());
        $this->post("/titles/{$title->id}/borrow");
        $this->post("/titles/{$title->id}/borrow")->assertSessionHas('said', 'You have this on loan already.');
        $this->assertSame(1, Loan::query()->count());
    }

    public function test_a_person_with_cards_at_two_libraries_borrows_with_the_card_of_the_library_they_look_at(): void
    {
        $here = $this->card();
        $there = $this->card($this->library('larkspur'), person: $here->person);
        $this->licence($title = $this->title(), library: $there->library);
        $this->as($here)
            ->get('/catalogue?library=larkspur')
            ->assertPlainCookie('library', 'larkspur')
            ->assertSee('Low Water');
        $this->withUnencryptedCookie('library', 'larkspur')->post("/titles/{$title->id}/borrow");
        $this->assertSame($there->id, Loan::query()->sole()->card_id);
        $this->get('/loans')->assertSee('from Larkspur');
    }

    public function test_without_a_card_here_one_is_told_where_to_ask(): void
    {
        $this->licence($title = $this->title(), library: ($elsewhere = $this->library('larkspur')));
        $this->as($this->card());
        $this->withUnencryptedCookie('library', $elsewhere->slug)
            ->post("/titles/{$title->id}/borrow")
            ->assertSessionHas('refusal');
        $this->assertSame(0, Loan::query()->count());
    }

    public function test_a_hold_is_cancelled(): void
    {
        $this->licence($title = $this->title());
        $this->borrow($this->card(), $title);
        $hold = $this->hold($card = $this->card(), $title);
        $this->as($card)
            ->delete("/holds/{$hold->id}")
            ->assertSessionHas('said');
        $this->assertSame('cancelled', Hold::query()->sole()->state->value);
        $this->get('/holds')->assertSee('You are not waiting for anything.');
    }

    public function test_a_notice_is_mailed_once_even_if_its_job_runs_twice(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $this->hold($this->card(), $title);
        $this->as($loan->card)->post("/loans/{$loan->id}/return");
        $job = DB::table('jobs')->first();
        DB::table('jobs')->insert([...array_diff_key((array) $job, ['id' => 1])]);
        $this->workThroughQueue();

        $this->assertCount(1, $this->sentMail()->messages());
        $this->assertSame(0, DB::table('failed_jobs')->count());
    }

    public function test_pages_are_whole_in_spanish(): void
    {
        $title = $this->importBook();
        $this->as($card = $this->card());
        $this->borrow($card, $title);
        $this->withUnencryptedCookie('locale', 'es');
        foreach (
            ['/porch', '/catalogue', "/titles/{$title->id}", '/loans', '/holds', '/notices', '/nothing']
            as $page
        ) {
            $html = (string) $this->get($page)->getContent();
            $this->assertDoesNotMatchRegularExpression(
                '/\b(common|account|catalogue|lending|reading|notices|dates)\.[a-z_]+/',
                strip_tags($html),
                $page,
            );
        }
        $this->assertSame(Title::query()->count(), 1);
    }
}
