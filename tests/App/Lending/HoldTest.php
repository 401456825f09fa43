<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Expiry\SettleHolds;
use App\Lending\Expiry\TickCommand;
use App\Lending\Holds\CloseHold;
use App\Lending\Holds\PlaceHold;
use App\Lending\Licences\AddLicence;
use App\Lending\Loans\ReturnLoan;
use App\Lending\Loans\UndoReturn;
use App\Models\Hold;
use App\Models\Notice;
use App\Models\Title;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

final class HoldTest extends TestCase
{
    public function test_a_returned_copy_goes_to_the_next_in_line_with_a_notice_and_mail(): void
    {
        $licence = $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $first = $this->hold($next = $this->card(), $title);
        $second = $this->hold($this->card(), $title);

        app(ReturnLoan::class)($loan->id, $this->now());

        $first->refresh();
        $this->assertSame(
            [HoldState::Ready, $licence->id, '2026-05-04 12:00'],
            [$first->state, $first->licence_id, $first->kept_until?->format('Y-m-d H:i')],
        );
        $this->assertSame(HoldState::Waiting, $second->refresh()->state);
        $this->assertSame(0, $licence->refresh()->copies_free);
        $notice = Notice::query()->sole();
        $this->assertSame(
            [$next->person_id, 'hold_ready', 'Low Water'],
            [$notice->person_id, $notice->kind, $notice->facts['name']],
        );
        $this->assertSame(1, DB::table('jobs')->count(), 'the mail is queued in the same transaction');
        $this->assertEveryCountIsTrue();

        $refused = app(BorrowTitle::class)($this->card()->id, $title->id, null, $this->now());
        $this->assertInstanceOf(Refused::class, $refused, 'the copy is kept: nobody else gets it');
        $this->borrow($next, $title);
        $this->assertSame(HoldState::Filled, $first->refresh()->state);
        $this->assertEveryCountIsTrue();
    }

    public function test_with_a_copy_free_there_is_nothing_to_wait_for(): void
    {
        $this->licence($title = $this->title());
        $refused = app(PlaceHold::class)($this->card()->id, $title->id, $this->now());

        $this->assertInstanceOf(Refused::class, $refused);
        $this->assertSame(Refusal::CopyFree, $refused->reason);
    }

    public function test_a_hold_not_taken_drops_back_and_pauses_then_lapses(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $slow = $this->hold($this->card(), $title);
        $quick = $this->hold($patient = $this->card(), $title);
        app(ReturnLoan::class)($loan->id, $this->now());

        $this->travel(72)->hours();
        $this->artisan('lending:tick')->assertSuccessful();
        $slow->refresh();
        $this->assertSame(
            [HoldState::Paused, 1, 'ready'],
            [$slow->state, $slow->misses, $quick->refresh()->state->value],
        );
        $this->assertTrue($slow->line_at > $quick->line_at, 'behind the next waiting patron');
        $this->assertEquals($this->now()->addDays(7), $slow->paused_until);

        $this->travel(1)->hours();
        $loan = $this->borrow($patient, $title);
        $this->travel(8)->days();
        app(SettleHolds::class)($this->now());
        app(ReturnLoan::class)($loan->id, $this->now());
        $this->assertSame(HoldState::Ready, $slow->refresh()->state, 'the second chance');

        $this->travel(72)->hours();
        app(SettleHolds::class)($this->now());
        $this->assertSame(HoldState::Lapsed, $slow->refresh()->state);
        $this->assertSame(
            ['hold_ready', 'hold_missed', 'hold_ready', 'hold_ready', 'hold_lapsed'],
            Notice::query()->orderBy('id')->pluck('kind')->all(),
        );
        $this->assertEveryCountIsTrue();
    }

    public function test_cancelling_a_ready_hold_passes_the_copy_on(): void
    {
        $licence = $this->licence($title = $this->title(), M::MeteredByLoans, loans: 5);
        $loan = $this->borrow($this->card(), $title);
        $first = $this->hold($this->card(), $title);
        $second = $this->hold($this->card(), $title);
        app(ReturnLoan::class)($loan->id, $this->now());
        $this->assertSame(3, $licence->refresh()->loans_left, 'one spent, one kept with the copy');

        app(CloseHold::class)($first->id, HoldState::Cancelled, $this->now());
        $this->assertSame(HoldState::Ready, $second->refresh()->state);
        app(CloseHold::class)($second->id, HoldState::Cancelled, $this->now());
        $licence->refresh();
        $this->assertSame([1, 4], [$licence->copies_free, $licence->loans_left]);
        $this->assertFalse(app(CloseHold::class)($second->id, HoldState::Cancelled, $this->now()), 'once');
        $this->assertEveryCountIsTrue();
    }

    public function test_the_last_loan_of_a_licence_leaves_the_line_waiting(): void
    {
        $this->licence($title = $this->title(), M::MeteredByLoans, loans: 1);
        $loan = $this->borrow($this->card(), $title);
        $refused = app(PlaceHold::class)($this->card()->id, $title->id, $this->now());
        $this->assertInstanceOf(Refused::class, $refused, 'no loan is left, so no line');

        app(ReturnLoan::class)($loan->id, $this->now());
        $this->assertEveryCountIsTrue();
    }

    public function test_a_new_licence_serves_the_line_at_once(): void
    {
        $this->licence($title = $this->title());
        $this->borrow($this->card(), $title);
        $holds = [
            $this->hold($this->card(), $title),
            $this->hold($this->card(), $title),
            $this->hold($this->card(), $title),
        ];
        app(AddLicence::class)(
            libraryId: $this->library()->id,
            titleId: $title->id,
            model: M::OneCopyOneUser,
            copies: 2,
            loans: null,
            startsAt: $this->now(),
            endsAt: null,
            now: $this->now(),
        );

        $this->assertSame(['ready', 'ready', 'waiting'], array_map(fn(Hold $h) => $h->refresh()->state->value, $holds));
        $this->assertEveryCountIsTrue();
    }

    public function test_a_shared_copy_serves_its_own_library_first(): void
    {
        $consortium = DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        $here = $this->library('saltmere', $consortium);
        $there = $this->library('larkspur', $consortium);
        $this->licence($title = $this->title(), library: $here, shared: true);
        $loan = $this->borrow($this->card($here), $title);
        $stranger = $this->hold($this->card($there), $title);
        $own = $this->hold($this->card($here), $title);

        app(ReturnLoan::class)($loan->id, $this->now());
        $this->assertSame(['ready', 'waiting'], [$own->refresh()->state->value, $stranger->refresh()->state->value]);
        app(CloseHold::class)($own->id, HoldState::Cancelled, $this->now());
        $this->assertSame('ready', $stranger->refresh()->state->value);
    }

    public function test_loans_end_at_their_due_time_however_late_the_scheduler_comes(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $hold = $this->hold($this->card(), $title);
        $this->travel(16)->days();
        $this->artisan('lending:tick')->assertSuccessful();

        $loan->refresh();
        $this->assertEquals($loan->due_at, $loan->ended_at);
        $this->assertSame('expired', $loan->end_reason);
        $this->assertEquals($this->now()->addHours(72), $hold->refresh()->kept_until, 'kept from when it is told');
        $this->artisan('lending:tick');
        $this->assertSame(1, Notice::query()->where('kind', 'loan_ended')->count(), 'told once');
        $this->assertEveryCountIsTrue();
    }

    public function test_loans_that_fall_due_together_each_pass_their_copy_to_the_next_in_line(): void
    {
        $this->licence($title = $this->title(), copies: 3);
        $loans = [
            $this->borrow($this->card(), $title),
            $this->borrow($this->card(), $title),
            $this->borrow($this->card(), $title),
        ];
        $holds = [$this->hold($this->card(), $title), $this->hold($this->card(), $title)];
        $this->licence($other = $this->title('High Water'), M::MeteredByLoans, loans: 3);
        $loans[] = $this->borrow($this->card(), $other);
        $paused = $this->hold($this->card(), $other);
        $paused->update(['state' => 'paused', 'paused_until' => $this->now()->addDays(40)]);
        $this->licence($free = $this->title('Fig Season'));
        $loans[] = $this->borrow($this->card(), $free);
        $this->travel(16)->days();
        $this->artisan('lending:tick')->expectsOutput('5 loans ended.')->assertSuccessful();

        foreach ($loans as $loan) {
            $this->assertEquals($loan->refresh()->due_at, $loan->ended_at);
        }
        $this->assertSame(
            ['ready', 'ready', 'paused'],
            array_map(fn(Hold $h) => $h->refresh()->state->value, [...$holds, $paused]),
        );
        $this->assertSame(
            [1, 1, 1],
            array_map(fn(Title $t): ?int => $t->licences()->sole()->copies_free, [$title, $other, $free]),
        );
        $this->assertSame(
            ['loan_ended' => 5, 'hold_ready' => 2],
            Notice::query()
                ->selectRaw('kind, count(*) n')
                ->groupBy('kind')
                ->orderByDesc('n')
                ->pluck('n', 'kind')
                ->all(),
        );
        $this->assertEveryCountIsTrue();
    }

    public function test_a_minute_that_comes_while_the_one_before_is_at_work_leaves_all_to_it(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $this->travel(16)->days();
        config(['database.connections.other' => config('database.connections.pgsql')]);
        $other = DB::connection('other');
        $other->select('select pg_advisory_lock(hashtextextended(?, 3))', [TickCommand::class]);
        $this->artisan('lending:tick')->expectsOutputToContain('Another lending:tick is at work')->assertSuccessful();
        $this->assertNull($loan->refresh()->ended_at);
        // As when its process is killed; the database notices a moment later.
        $other->disconnect();
        for ($n = 0; $n < 1000 && $this->advisoryLocks('pid <> pg_backend_pid()') > 0; $n++) {
            usleep(10_000);
        }
        $this->artisan('lending:tick')->expectsOutput('1 loans ended.')->assertSuccessful();
        $this->artisan('lending:tick')->expectsOutput('0 loans ended.')->assertSuccessful();
    }

    public function test_a_return_can_be_undone_while_nobody_has_the_copy(): void
    {
        $this->licence($title = $this->title(), M::MeteredByLoans, loans: 3);
        $loan = $this->borrow($card = $this->card(), $title);
        app(ReturnLoan::class)($loan->id, $this->now());
        $this->assertFalse(app(ReturnLoan::class)($loan->id, $this->now()), 'returned once');

        $this->assertTrue(app(UndoReturn::class)($loan->id, $this->now()));
        $this->assertNull($loan->refresh()->ended_at);
        $this->assertEveryCountIsTrue();

        app(ReturnLoan::class)($loan->id, $this->now());
        $this->borrow($this->card(), $title);
        $this->assertNotTrue(app(UndoReturn::class)($loan->id, $this->now()), 'the copy has gone');
        $this->assertSame(0, $card->refresh()->loans_open);
        $this->assertEveryCountIsTrue();
    }

    public function test_who_read_what_is_forgotten_when_the_loan_is_over_unless_wished_otherwise(): void
    {
        $this->licence($title = $this->title(), copies: 2);
        $forgotten = $this->borrow($this->card(), $title);
        $kept = $this->borrow($keeper = $this->card(), $title);
        $keeper->person()->update(['keeps_history' => true]);
        foreach ([$forgotten, $kept] as $loan) {
            app(ReturnLoan::class)($loan->id, $this->now());
        }
        $this->travel(31)->minutes();
        $this->artisan('lending:tick');

        $this->assertNull($forgotten->refresh()->card_id);
        $this->assertSame($keeper->id, $kept->refresh()->card_id);
    }
}
