<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Audit\LendingAudit;
use App\Lending\Holds\PlaceHold;
use App\Lending\LoanRules\LibraryRules;
use App\Lending\Loans\ReturnLoan;
use App\Lending\Loans\UndoReturn;
use App\Models\Card;
use App\Models\Loan;
use App\Models\Title;
use App\Shared\Sql;
use App\Shared\SqlState;
use FigPorch\Core\Lending\LicenceModel;
use FigPorch\Core\Lending\Refusal;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** A return that is taken back is a loan: whatever would speak against one speaks against it. */
final class UndoReturnTest extends TestCase
{
    private Card $card;

    private Loan $loan;

    private Title $title;

    protected function setUp(): void
    {
        parent::setUp();
        $this->card = $this->card();
        DB::table('loan_rules')->insert(['library_id' => $this->library()->id, 'max_loans' => 2]);
        $this->licence($this->title = $this->title());
        $this->loan = $this->borrow($this->card, $this->title);
        app(ReturnLoan::class)($this->loan->id, $this->now());
    }

    public function test_it_does_not_go_past_the_limit_however_often(): void
    {
        foreach (['Second', 'Third'] as $name) {
            $this->licence($title = $this->title($name));
            $this->borrow($this->card, $title);
        }
        for ($n = 0; $n < 3; $n++) {
            $this->assertUndoRefused(Refusal::LoanLimit);
        }
        $this->assertSame(2, $this->card->refresh()->loans_open);
        $this->as($this->card)
            ->post("/loans/{$this->loan->id}/undo-return")
            ->assertSessionHas('refusal', fn(string $said): bool => str_contains($said, '2'));
    }

    public function test_a_limit_by_format_counts_too(): void
    {
        DB::table('loan_rules')->insert([
            'library_id' => $this->library()->id,
            'format' => 'ebook',
            'max_loans' => 1,
        ]);
        $this->licence($title = $this->title('Second'));
        $this->borrow($this->card, $title);
        $this->assertUndoRefused(Refusal::LoanLimit);
    }

    public function test_a_card_that_may_not_borrow_may_not_undo(): void
    {
        $this->card->update(['blocked_at' => $this->now()]);
        $this->assertUndoRefused(Refusal::CardBlocked);
        $this->card->update(['blocked_at' => null, 'expires_at' => $this->now()]);
        $this->assertUndoRefused(Refusal::CardExpired);
        $this->card->update(['expires_at' => null]);
        DB::table('loan_rules')->update(['audience_ceiling' => 'teen']);
        $this->assertUndoRefused(Refusal::AboveAudience);
        DB::table('loan_rules')->update(['audience_ceiling' => null]);
        $this->assertTrue(app(UndoReturn::class)($this->loan->id, $this->now()));
    }

    public function test_nothing_is_undone_that_is_on_loan_again_or_whose_licence_is_over(): void
    {
        $this->borrow($this->card, $this->title);
        $this->assertUndoRefused(Refusal::AlreadyOnLoan);
        app(ReturnLoan::class)(Loan::query()->whereNull('ended_at')->sole()->id, $this->now());
        DB::table('licences')->update(['ends_at' => $this->now()]);
        $this->assertUndoRefused(Refusal::LicenceEnded);
        DB::table('licences')->update(['ends_at' => null]);
        $this->assertIsInt(app(PlaceHold::class)($this->card->id, $this->title->id, $this->now(), evenIfFree: true));
        $outcome = app(UndoReturn::class)($this->loan->id, $this->now());
        $this->assertSame(Refusal::AlreadyHeld, $outcome === true ? null : $outcome->reason);
    }

    public function test_the_last_of_counted_loans_is_not_counted_twice(): void
    {
        $licence = $this->licence($title = $this->title('Counted'), LicenceModel::MeteredByLoans, loans: 1);
        $loan = $this->borrow($this->card, $title);
        app(ReturnLoan::class)($loan->id, $this->now());
        $this->assertTrue(app(UndoReturn::class)($loan->id, $this->now()));
        $this->assertTrue(app(UndoReturn::class)($loan->id, $this->now()), 'a second click finds it done');
        $this->assertSame([0, 0], [$licence->refresh()->copies_free, $licence->loans_left]);
        $this->assertEveryCountIsTrue();
    }

    public function test_the_audit_sees_a_card_beyond_its_limit(): void
    {
        $this->assertTrue(app(UndoReturn::class)($this->loan->id, $this->now()));
        $this->licence($title = $this->title('Second'));
        $this->borrow($this->card, $title);
        $this->assertEveryCountIsTrue();
        DB::table('loan_rules')->update(['max_loans' => 1]);
        $this->app->forgetInstance(LibraryRules::class);
        $this->assertSame(
            ["card {$this->card->id} has 2 loans open; its rules allow 1"],
            app(LendingAudit::class)->wrong($this->now()),
        );
        $this->travel(2)->days();
        $this->app->forgetInstance(LibraryRules::class);
        $this->assertSame([], app(LendingAudit::class)->wrong($this->now()), 'of a lowered rule it is told once');
    }

    /** What the rules have granted may be so no more when it is written. */
    public function test_the_database_holds_the_limit_too(): void
    {
        $undo = function (int $limit, ?string $format = null): ?SqlState {
            try {
                DB::transaction(
                    fn() => DB::select('select lending_undo_return(?, ?, ?, ?, ?)', [
                        $this->loan->id,
                        Sql::timestamp($this->now()),
                        Sql::timestamp($this->now()->subHour()),
                        $limit,
                        $format,
                    ]),
                );
            } catch (QueryException $refused) {
                return SqlState::of($refused);
            }

            return null;
        };
        $this->assertSame(SqlState::LimitReached, $undo(0));
        $this->assertSame(SqlState::LimitReached, $undo(0, 'ebook'));
        $other = $this->borrow($this->card(), $this->title);
        $this->assertSame(SqlState::ChangedMeanwhile, $undo(2), 'the copy has gone');
        app(ReturnLoan::class)($other->id, $this->now());
        $this->assertNull($undo(1, 'ebook'));
        $this->assertSame(SqlState::LimitReached, $undo(2), 'it is open: nothing is counted twice');
        $this->assertEveryCountIsTrue();
    }

    private function assertUndoRefused(Refusal $reason): void
    {
        $outcome = app(UndoReturn::class)($this->loan->id, $this->now());
        $this->assertNotTrue($outcome);
        $this->assertSame($reason, $outcome->reason);
        $this->assertNotNull($this->loan->refresh()->ended_at);
        $this->assertEveryCountIsTrue();
    }
}
