<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Holds\BorrowForHold;
use App\Lending\Licences\ChangeLicence;
use App\Lending\Loans\ReturnLoan;
use App\Models\Card;
use App\Models\Hold;
use App\Models\Loan;
use App\Models\Title;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\LicenceModel as M;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** Holds paused, put off, borrowed at once, before publication; lines that live through changes of licences. */
final class HoldCareTest extends TestCase
{
    private function giveBack(Loan $loan): void
    {
        $this->assertTrue(app(ReturnLoan::class)($loan->id, $this->now()));
    }

    /** @return array{Title, Loan, Hold, Hold, Card} a title on loan, two holds in line, and the first one's card */
    private function line(): array
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);

        return [$title, $loan, $this->hold($card = $this->card(), $title), $this->hold($this->card(), $title), $card];
    }

    public function test_a_paused_hold_is_passed_over_and_keeps_its_place(): void
    {
        [, $loan, $first, $second, $card] = $this->line();
        $this->be($card->person)
            ->post("/holds/{$first->id}/pause", ['until' => '2026-05-20'])
            ->assertSessionHas('said');
        $this->assertSame(HoldState::Paused, $first->refresh()->state);
        $this->get('/holds')->assertSee('Paused until 20 May')->assertSee('1st in line');
        $this->giveBack($loan);
        $this->assertSame(HoldState::Ready, $second->refresh()->state);

        $this->post("/holds/{$first->id}/resume");
        $this->assertSame(HoldState::Waiting, $first->refresh()->state);
        foreach (['yesterday', '', '2026-05-01', '2030-01-01', '2026-02-31'] as $bad) {
            $this->post("/holds/{$first->id}/pause", ['until' => $bad])->assertSessionHas('refusal');
        }
        $this->assertEveryCountIsTrue();
    }

    public function test_a_copy_left_free_goes_to_a_hold_that_is_resumed(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $hold = $this->hold($card = $this->card(), $title);
        $this->be($card->person)->post("/holds/{$hold->id}/pause", ['until' => '2026-05-20']);
        $this->giveBack($loan);
        $this->assertSame(HoldState::Paused, $hold->refresh()->state);
        $this->post("/holds/{$hold->id}/resume");
        $this->assertSame(HoldState::Ready, $hold->refresh()->state);
        $this->assertEveryCountIsTrue();
    }

    public function test_not_now_hands_the_copy_on_until_copies_were_kept_long_enough(): void
    {
        [$title, $loan, $first, $second, $card] = $this->line();
        $this->giveBack($loan);
        $this->assertSame(HoldState::Ready, $first->refresh()->state);
        $this->travel(60)->hours();
        $this->be($card->person)
            ->post("/holds/{$first->id}/pause", ['until' => '2026-05-05'])
            ->assertSessionHas('said');
        $this->assertSame([HoldState::Paused, 60 * 3600], [$first->refresh()->state, $first->kept_seconds]);
        $this->assertSame(HoldState::Ready, $second->refresh()->state);
        $this->assertEveryCountIsTrue();

        // The second lets it go in time too; the first gets it again, and 84 hours are left of its 144.
        $this->be($second->card->person)->post("/holds/{$second->id}/pause", ['until' => '2026-06-20']);
        $this->travelTo('2026-05-05 12:00');
        Artisan::call('lending:tick');
        $this->assertSame(HoldState::Ready, $first->refresh()->state);
        $this->assertEquals($this->now()->addHours(72), $first->kept_until);
        $this->travel(70)->hours();
        $this->be($card->person)
            ->post("/holds/{$first->id}/pause", ['until' => '2026-05-20'])
            ->assertSessionHas('refusal');
        $this->assertSame(HoldState::Ready, $first->refresh()->state, 'it can still be borrowed');
        $this->assertIsInt($this->borrow($card, $title)->id);
        $this->assertEveryCountIsTrue();
    }

    public function test_borrow_it_for_me(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $this->be(($card = $this->card())->person)
            ->post("/titles/{$title->id}/hold", ['at_once' => '1'])
            ->assertSessionHas('said');
        $this->giveBack($loan);
        $this->workThroughQueue();
        $this->assertSame(1, Loan::query()->where('card_id', $card->id)->whereNull('ended_at')->count());
        $this->assertSame(
            ['hold_borrowed'],
            DB::table('notices')->where('person_id', $card->person_id)->pluck('kind')->all(),
        );
        $this->assertEveryCountIsTrue();
    }

    public function test_at_the_limit_borrow_it_for_me_becomes_a_notice_and_a_lost_job_is_made_up_for(): void
    {
        DB::table('loan_rules')->insert(['library_id' => $this->library()->id, 'max_loans' => 1]);
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $hold = $this->hold($card = $this->card(), $title, atOnce: true);
        $this->licence($other = $this->title('Other'));
        $this->borrow($card, $other);
        $this->giveBack($loan);
        DB::table('jobs')->delete();
        $this->travel(2)->minutes();
        Artisan::call('lending:tick');
        $this->assertSame(HoldState::Ready, $hold->refresh()->state);
        $this->assertSame(
            ['hold_ready'],
            DB::table('notices')->where('person_id', $card->person_id)->pluck('kind')->all(),
        );
        app(BorrowForHold::class)($hold->id, $this->now());
        $this->assertSame(1, DB::table('notices')->where('person_id', $card->person_id)->count(), 'told once');
    }

    public function test_a_hold_before_publication_is_filled_when_the_licence_begins(): void
    {
        foreach ([M::OneCopyOneUser, M::Simultaneous] as $model) {
            $this->licence($title = $this->title("To come {$model->value}"), $model, starts: '+5 days');
            $this->get("/titles/{$title->id}")->assertSee('Wait about 5 days');
            $holds = [$this->hold($this->card(), $title), $this->hold($this->card(), $title)];
            $this->travel(5)->days();
            Artisan::call('lending:tick');
            $this->assertSame(HoldState::Ready, $holds[0]->refresh()->state);
            $this->assertSame(
                $model === M::Simultaneous ? HoldState::Ready : HoldState::Waiting,
                $holds[1]->refresh()->state,
            );
            $this->assertEveryCountIsTrue();
            $this->borrow($holds[0]->card, $title);
            $this->assertEveryCountIsTrue();
        }
    }

    public function test_copies_added_serve_the_line_and_copies_cut_set_back_the_last_made_ready(): void
    {
        $licence = $this->licence($title = $this->title());
        $this->borrow($this->card(), $title);
        $holds = array_map(fn(): Hold => $this->hold($this->card(), $title), range(1, 3));
        app(ChangeLicence::class)->copies($licence, 3, $this->now());
        $this->assertSame(
            [HoldState::Ready, HoldState::Ready, HoldState::Waiting],
            array_map(fn(Hold $h) => $h->refresh()->state, $holds),
        );
        $this->assertEveryCountIsTrue();

        app(ChangeLicence::class)->copies($licence, 2, $this->now());
        $this->assertSame(
            [HoldState::Ready, HoldState::Waiting, HoldState::Waiting],
            array_map(fn(Hold $h) => $h->refresh()->state, $holds),
        );
        $this->assertContains('hold_set_back', DB::table('notices')->pluck('kind'));
        $this->assertEveryCountIsTrue();
        $this->assertSame(1, app(ChangeLicence::class)->copies($licence, 0, $this->now()), 'one is on loan');
        $this->assertSame(2, $licence->refresh()->copies);
    }

    public function test_a_licence_that_is_ended_tells_those_in_line_and_leaves_the_reader_alone(): void
    {
        $licence = $this->licence($title = $this->title(), copies: 2);
        $loan = $this->borrow($this->card(), $title);
        $this->borrow($this->card(), $title);
        $ready = $this->hold($this->card(), $title);
        $waiting = $this->hold($card = $this->card(), $title);
        $this->giveBack(Loan::query()->orderByDesc('id')->firstOrFail());
        $this->assertSame(HoldState::Ready, $ready->refresh()->state);

        app(ChangeLicence::class)->end($licence->refresh(), $this->now(), $this->now());
        $this->travel(1)->minutes();
        Artisan::call('lending:tick');
        $this->assertSame(
            [HoldState::Waiting, HoldState::Waiting],
            [$ready->refresh()->state, $waiting->refresh()->state],
        );
        $this->assertNull($loan->refresh()->ended_at, 'the loan runs on');
        $kinds = DB::table('notices')->where('person_id', $card->person_id)->pluck('kind')->all();
        $this->assertSame(['licence_gone'], $kinds);
        $this->be($card->person)->get('/holds')->assertSee('cannot be dated');
        Artisan::call('lending:tick');
        $this->assertSame(1, DB::table('notices')->where('person_id', $card->person_id)->count(), 'told once');
        $this->assertEveryCountIsTrue();
    }

    public function test_a_shared_copy_serves_its_own_library_first_and_then_the_others(): void
    {
        $consortium = DB::table('consortia')->insertGetId(['name' => 'Coast']);
        $here = $this->library('saltmere', $consortium);
        $there = $this->library('larkspur', $consortium);
        $this->licence($title = $this->title(), copies: 1, library: $here, shared: true);
        $own = $this->licence($title, library: $there);
        $this->assertSame($own->id, $this->borrow($this->card($there), $title)->licence_id, 'own copies first');
        $loan = $this->borrow($this->card($there), $title);
        $this->assertNotSame($own->id, $loan->licence_id, 'then one that others share');
        $theirs = $this->hold($this->card($there), $title);
        $ours = $this->hold($this->card($here), $title);
        $this->giveBack($loan);
        $this->assertSame([HoldState::Ready, HoldState::Waiting], [$ours->refresh()->state, $theirs->refresh()->state]);
        $this->assertEveryCountIsTrue();
    }

    public function test_at_the_limit_one_act_returns_and_borrows(): void
    {
        DB::table('loan_rules')->insert(['library_id' => $this->library()->id, 'max_loans' => 1]);
        $this->licence($old = $this->title('Old'));
        $this->licence($new = $this->title('New'));
        $loan = $this->borrow($card = $this->card(), $old);
        $this->be($card->person)
            ->get("/titles/{$new->id}/borrow")
            ->assertSee('You are at your limit')
            ->assertSee('“Old” ends soonest')
            ->assertSee('Return it and borrow this');
        $this->post("/titles/{$new->id}/borrow", ['return_first' => (string) $loan->id])->assertSessionHas('said');
        $this->assertSame(
            ['New'],
            Loan::query()->whereNull('ended_at')->get()->map(fn(Loan $l) => $l->title()->value('name'))->all(),
        );

        $this->licence($out = $this->title('Out'));
        $this->borrow($this->card(), $out);
        $kept = Loan::query()->where('title_id', $new->id)->firstOrFail();
        $this->post("/titles/{$out->id}/borrow", ['return_first' => (string) $kept->id])->assertSessionHas('refusal');
        $this->assertNull($kept->refresh()->ended_at, 'both or neither');
        $this->assertEveryCountIsTrue();
    }

    public function test_holds_that_would_pile_up_can_be_spread(): void
    {
        DB::table('loan_rules')->insert(['library_id' => $this->library()->id, 'max_loans' => 1]);
        $card = $this->card();
        foreach (['A', 'B'] as $name) {
            $this->licence($title = $this->title($name));
            $this->borrow($this->card(), $title);
            $this->travel(1)->minutes();
            $holds[] = $this->hold($card, $title);
        }
        $page = $this->be($card->person)->get('/holds')->assertSee('1 hold would come while you have 1 of 1 on loan');
        $found = $page->viewData('pileUp');
        $this->post('/holds/spread', [
            'until' => [$found[0]['hold']->hold->id => $found[0]['until']->modify('+1 day')->format('Y-m-d')],
        ])->assertSessionHas('said');
        $this->assertSame(1, Hold::query()->where('state', 'paused')->count());
        $this->get('/holds')->assertDontSee('would come while');
    }

    public function test_a_card_that_is_blocked_is_passed_over(): void
    {
        [, $loan, $first, $second] = $this->line();
        $first->card->update(['blocked_at' => $this->now()]);
        $this->giveBack($loan);
        $this->assertSame(
            [HoldState::Waiting, HoldState::Ready],
            [$first->refresh()->state, $second->refresh()->state],
        );
        $this->assertEveryCountIsTrue();
    }

    public function test_the_audit_says_where_a_figure_is_off(): void
    {
        $licence = $this->licence($title = $this->title(), copies: 2);
        $this->borrow($card = $this->card(), $title);
        $this->assertSame(0, Artisan::call('lending:audit'));
        DB::update('update licences set copies_free = 2 where id = ?', [$licence->id]);
        DB::update('update cards set loans_open = 5 where id = ?', [$card->id]);
        $this->assertSame(1, Artisan::call('lending:audit'));
        $this->assertStringContainsString("licence {$licence->id} keeps 2 copies free; there are 1", Artisan::output());
    }
}
