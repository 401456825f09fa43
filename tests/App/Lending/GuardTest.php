<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Requests\AskForTitle;
use App\Lending\Requests\WithdrawRequest;
use App\Models\Card;
use App\Models\Library;
use App\Models\Licence;
use App\Models\Loan;
use App\Models\Title;
use App\Models\TitleRequest;
use App\Shared\Sql;
use App\Shared\SqlState;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/**
 * What the rules have granted may no longer hold when it is written. Each guard of the SQL functions by itself: asked
 * as if the rules had seen what is no longer so.
 */
final class GuardTest extends TestCase
{
    private const LIMIT = SqlState::LimitReached;

    private const CHANGED = SqlState::ChangedMeanwhile;

    public function test_a_loan_beyond_the_limit_of_the_card(): void
    {
        $card = $this->card();
        $this->licence($first = $this->title());
        $this->borrow($card, $first);
        $licence = $this->licence($second = $this->title('Second'));

        $this->assertSame(self::LIMIT, $this->refusal(fn() => $this->write($card, $second, $licence, limit: 1)));
        $this->assertNull($this->refusal(fn() => $this->write($card, $second, $licence, limit: 2)));
    }

    public function test_a_limit_of_one_format_counts_open_loans_of_that_format(): void
    {
        $card = $this->card();
        $this->licence($heard = $this->title('Heard', Format::Audiobook));
        $this->borrow($card, $heard);
        $this->licence($read = $this->title('Read'));
        $this->borrow($card, $read);
        $licence = $this->licence($second = $this->title('Second'));
        $write = fn(int $limit) => fn() => $this->write($card, $second, $licence, $limit, Format::Ebook->value);

        $this->assertSame(self::LIMIT, $this->refusal($write(1)));
        $this->assertNull($this->refusal($write(2)));
    }

    public function test_a_copy_kept_for_a_hold_goes_back_where_another_licence_is_lent(): void
    {
        $kept = $this->licence($title = $this->title());
        $this->borrow($other = $this->card(), $title);
        $hold = $this->hold($card = $this->card(), $title);
        $this->travelTo($this->loanOf($other)->due_at);
        $this->artisan('lending:tick');
        $this->assertSame(['ready', 0], [$hold->refresh()->state->value, $kept->refresh()->copies_free]);
        $second = $this->licence($title);

        $this->write($card, $title, $second);

        $this->assertSame([1, 0], [$kept->refresh()->copies_free, $second->refresh()->copies_free]);
        $this->assertEveryCountIsTrue();
    }

    public function test_a_licence_that_has_nothing_left(): void
    {
        $counted = $this->licence($title = $this->title(), LicenceModel::MeteredByLoans, copies: 2, loans: 1);
        $this->borrow($this->card(), $title);
        $this->assertSame([1, 0], [$counted->refresh()->copies_free, $counted->loans_left]);
        $this->assertSame(self::CHANGED, $this->refusal(fn() => $this->write($this->card(), $title, $counted)));

        $single = $this->licence($other = $this->title('Other'));
        $this->borrow($this->card(), $other);
        $this->assertSame(self::CHANGED, $this->refusal(fn() => $this->write($this->card(), $other, $single)));
    }

    public function test_a_licence_that_has_ended_or_not_begun(): void
    {
        $ended = $this->licence($title = $this->title(), LicenceModel::MeteredByTime, ends: '+1 day');
        $this->travel(2)->days();
        $this->assertSame(self::CHANGED, $this->refusal(fn() => $this->write($this->card(), $title, $ended)));

        $later = $this->licence($other = $this->title('Other'), starts: '+1 day');
        $this->assertSame(self::CHANGED, $this->refusal(fn() => $this->write($this->card(), $other, $later)));
    }

    public function test_a_month_that_has_no_money_or_a_card_that_has_taken_its_share(): void
    {
        $library = $this->library();
        $library->update(['pay_per_loan_budget_cents' => 500]);
        $paid = $this->licence($title = $this->title(), LicenceModel::PayPerLoan, price: 300);
        $this->write($card = $this->card(), $title, $paid, payLimit: 1);
        $second = $this->licence($other = $this->title('Other'), LicenceModel::PayPerLoan, price: 100);

        $write = fn(int $most) => fn() => $this->write($card, $other, $second, payLimit: $most);
        $this->assertSame(self::LIMIT, $this->refusal($write(1)), 'the share of the card');
        $this->assertNull($this->refusal($write(2)));

        $dear = $this->licence($last = $this->title('Last'), LicenceModel::PayPerLoan, price: 101);
        $write = fn() => $this->write($this->card(), $last, $dear, payLimit: 9);
        $this->assertSame(self::CHANGED, $this->refusal($write), 'the money of the month');
        $refuses = fn() => DB::table('licences')
            ->where('id', $dear->id)
            ->update(['shared' => true]);
        $this->assertSame(SqlState::NotAsTheModelSays, $this->refusal($refuses), 'what is paid for is not shared');
    }

    public function test_a_renewal_of_a_loan_that_was_renewed_or_is_over_meanwhile(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $renew = fn(string $seen) => fn() => DB::select('select lending_renew(?, ?, ?, ?, null, true)', [
            $loan->id,
            Sql::timestamp($this->now()),
            $seen,
            Sql::timestamp($loan->due_at->addDays(14)),
        ]);
        $seen = Sql::timestamp($loan->due_at);

        $this->assertSame(self::CHANGED, $this->refusal($renew(Sql::timestamp($loan->due_at->subDay()))));
        $this->travelTo($loan->due_at->addMinute());
        $this->assertSame(self::CHANGED, $this->refusal($renew($seen)), 'over');
        $this->travelTo($loan->due_at->subDay());
        $this->assertNull($this->refusal($renew($seen)));
        $this->assertSame(self::CHANGED, $this->refusal($renew($seen)), 'twice');
    }

    public function test_a_loan_returned_late_ended_when_it_was_due_and_one_that_is_not_due_goes_on(): void
    {
        $this->licence($title = $this->title(), copies: 2);
        $late = $this->borrow($this->card(), $title);
        $this->travel(1)->days();
        $open = $this->borrow($this->card(), $title);
        $this->travelTo($late->due_at->addHours(3));

        DB::select('select lending_end_loan(?, ?, false)', [$late->id, Sql::timestamp($this->now())]);
        $this->assertEquals($late->due_at, $late->refresh()->ended_at);

        $numbers = Sql::array([$late->id, $open->id]);
        DB::select('select lending_end_due(?, ?, ?)', [$numbers, Sql::timestamp($this->now()), 'loan_ended']);
        $this->assertNull($open->refresh()->ended_at);
        $this->assertEveryCountIsTrue();
    }

    public function test_a_copy_that_is_not_shared_is_given_to_nobody_elsewhere(): void
    {
        $consortium = (int) DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        Library::query()->update(['consortium_id' => $consortium]);
        $here = $this->library('saltmere', $consortium);
        $there = $this->library('larkspur', $consortium);
        $own = $this->licence($title = $this->title(), library: $here);
        $this->licence($title, library: $there);
        $this->borrow($this->card($there), $title);
        $loan = $this->borrow($this->card($here), $title);
        $hold = $this->hold($this->card($there), $title);

        $this->as($loan->card)
            ->post("/loans/{$loan->id}/return")
            ->assertRedirect();

        $this->assertSame(['waiting', 1], [$hold->refresh()->state->value, $own->refresh()->copies_free]);
        $this->assertEveryCountIsTrue();
    }

    public function test_a_request_that_was_answered_meanwhile_is_not_withdrawn(): void
    {
        app(AskForTitle::class)($this->card(), $this->title(), true, false, $this->now());
        $asked = TitleRequest::query()->firstOrFail();
        DB::table('requests')->update([
            'state' => 'declined',
            'answer' => 'Out of print.',
            'answered_at' => $this->now(),
        ]);

        app(WithdrawRequest::class)($asked, $this->now());

        $this->assertSame('declined', $asked->refresh()->state);
    }

    private function write(
        Card $card,
        Title $title,
        Licence $licence,
        int $limit = 7,
        ?string $format = null,
        ?int $payLimit = null,
    ): void {
        DB::select('select lending_borrow(?, ?, ?, ?, ?, ?, ?, ?, ?)', [
            $card->id,
            $title->id,
            $licence->id,
            Sql::timestamp($this->now()),
            Sql::timestamp($this->now()->addDays(14)),
            '14d',
            $limit,
            $format,
            $payLimit,
        ]);
    }

    /** @return SqlState|null the database's code for it */
    private function refusal(callable $do): ?SqlState
    {
        try {
            DB::transaction(fn() => $do());
        } catch (QueryException $refused) {
            return SqlState::of($refused) ?? throw $refused;
        }

        return null;
    }

    private function loanOf(Card $card): Loan
    {
        return Loan::query()->where('card_id', $card->id)->firstOrFail();
    }
}
