<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Borrowing\BorrowTitle;
use App\Models\Card;
use App\Models\Loan;
use App\Models\Title;
use FigPorch\Core\Catalogue\Audience;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\AlreadyOnLoan;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\LoanLength;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

final class BorrowTest extends TestCase
{
    private function try(Card $card, Title $title, ?LoanLength $length = null): AlreadyOnLoan|Refused|int
    {
        return app(BorrowTitle::class)($card->id, $title->id, $length, $this->now());
    }

    public function test_a_loan_takes_a_copy_and_counts_on_the_card(): void
    {
        $licence = $this->licence($title = $this->title(), copies: 2);
        $loan = $this->borrow($card = $this->card(), $title);

        $this->assertSame('2026-05-15 12:00', $loan->due_at->format('Y-m-d H:i'));
        $this->assertSame([1, 1], [$licence->refresh()->copies_free, $card->refresh()->loans_open]);
        $this->assertEveryCountIsTrue();
    }

    public function test_borrowing_twice_is_borrowing_once(): void
    {
        $this->licence($title = $this->title(), copies: 5);
        $loan = $this->borrow($card = $this->card(), $title);
        $again = $this->try($card, $title);

        $this->assertInstanceOf(AlreadyOnLoan::class, $again);
        $this->assertSame($loan->id, $again->loanId);
        $this->assertSame(1, Loan::query()->count());
    }

    public function test_each_model_is_spent_in_its_own_way(): void
    {
        $title = $this->title();
        $counted = $this->licence($title, M::MeteredByLoans, copies: 1, loans: 1);
        $timed = $this->licence($title, M::MeteredByTime, copies: 1, ends: '+1 day');
        $always = $this->licence($title, M::Simultaneous);

        $this->assertSame($always->id, $this->borrow($this->card(), $title)->licence_id);
        DB::table('licences')
            ->where('id', $always->id)
            ->update(['ends_at' => $this->now()]);
        $this->assertSame($timed->id, $this->borrow($this->card(), $title)->licence_id);
        $this->assertSame($counted->id, $this->borrow($this->card(), $title)->licence_id);
        $this->assertSame(0, $counted->refresh()->loans_left);
        $this->assertInstanceOf(Refused::class, $this->try($this->card(), $title));
        $this->assertEveryCountIsTrue();
    }

    public function test_refusals_are_told_and_turnaways_counted_without_the_patron(): void
    {
        $none = $this->try($this->card(), $unlicensed = $this->title());
        $this->licence($title = $this->title('Knots'));
        $this->borrow($this->card(), $title);
        $busy = $this->try($this->card(), $title);

        $this->assertInstanceOf(Refused::class, $none);
        $this->assertInstanceOf(Refused::class, $busy);
        $this->assertSame([Refusal::NoLicence, Refusal::NoCopyFree], [$none->reason, $busy->reason]);
        $this->assertSame(
            [[$unlicensed->id, 'no_licence'], [$title->id, 'no_copy_free']],
            DB::table('turnaways')->orderBy('id')->get()->map(fn($t) => [$t->title_id, $t->reason])->all(),
        );
    }

    public function test_the_limit_holds_and_names_the_loan_that_ends_soonest(): void
    {
        DB::table('loan_rules')->insert(['library_id' => $this->library()->id, 'max_loans' => 2]);
        $card = $this->card();
        foreach (['A', 'B', 'C'] as $name) {
            $this->licence($titles[$name] = $this->title($name));
        }
        $this->try($card, $titles['A'], LoanLength::days(21));
        $this->try($card, $titles['B'], LoanLength::days(7));
        $refused = $this->try($card, $titles['C']);

        $this->assertInstanceOf(Refused::class, $refused);
        $this->assertSame(
            [Refusal::LoanLimit, 2, 'B'],
            [$refused->reason, $refused->limit, $refused->soonestDue?->title],
        );
    }

    public function test_a_limit_for_one_format(): void
    {
        DB::table('loan_rules')->insert(['library_id' => $this->library()->id, 'format' => 'video', 'max_loans' => 1]);
        $card = $this->card();
        $this->licence($film = $this->title('A Film', Format::Video));
        $this->licence($other = $this->title('Another Film', Format::Video));
        $this->licence($book = $this->title('A Book'));
        $this->borrow($card, $film);
        $this->borrow($card, $book);
        $refused = $this->try($card, $other);

        $this->assertInstanceOf(Refused::class, $refused);
        $this->assertSame(Refusal::LoanLimit, $refused->reason);
    }

    public function test_the_audience_ceiling_of_a_group(): void
    {
        DB::table('loan_rules')->insert([
            'library_id' => $this->library()->id,
            'patron_group' => 'child',
            'audience_ceiling' => 'child',
        ]);
        $this->licence($title = $this->title(audience: Audience::Teen));
        $refused = $this->try($this->card(group: 'child'), $title);

        $this->assertInstanceOf(Refused::class, $refused);
        $this->assertSame(Refusal::AboveAudience, $refused->reason);
        $this->borrow($this->card(), $title);
    }

    public function test_a_shared_licence_of_the_consortium_serves_and_an_unshared_one_does_not(): void
    {
        $consortium = DB::table('consortia')->insertGetId(['name' => 'Lantern Coast Libraries']);
        $here = $this->library('saltmere', $consortium);
        $there = $this->library('larkspur', $consortium);
        $this->licence($private = $this->title('Private'), library: $there);
        $shared = $this->licence($open = $this->title('Open'), copies: 3, library: $there, shared: true);

        $this->assertInstanceOf(Refused::class, $this->try($this->card($here), $private));
        $this->assertSame($shared->id, $this->borrow($this->card($here), $open)->licence_id);
        $other = (int) DB::table('consortia')->insertGetId(['name' => 'Another']);
        foreach ([$this->library('elsewhere'), $this->library('far', $other)] as $outside) {
            $refused = $this->try($this->card($outside), $open);
            $this->assertInstanceOf(Refused::class, $refused);
            $this->assertSame(Refusal::NoLicence, $refused->reason);
        }
    }

    public function test_a_copy_whose_loan_is_over_is_lent_even_before_the_scheduler_came(): void
    {
        $this->licence($title = $this->title());
        $this->borrow($first = $this->card(), $title);
        $this->travel(15)->days();

        $this->borrow($this->card(), $title);
        $this->travel(15)->days();
        $this->borrow($first, $title);
        $this->assertEveryCountIsTrue();
    }

    public function test_the_database_itself_refuses_what_breaks_an_invariant(): void
    {
        $licence = $this->licence($title = $this->title());
        $loan = $this->borrow($card = $this->card(), $title);
        $wrongs = [
            'a second open loan of a title on a card' => [
                'insert into loans (card_id, title_id, licence_id, length, started_at, due_at)
                    values (?, ?, ?, ?, now(), now() + interval \'1 day\')',
                [$card->id, $title->id, $licence->id, '1d'],
            ],
            'a licence of another title' => [
                'insert into loans (card_id, title_id, licence_id, length, started_at, due_at)
                    values (?, ?, ?, ?, now(), now() + interval \'1 day\')',
                [$card->id, $this->title('Other')->id, $licence->id, '1d'],
            ],
            'more copies out than there are' => [
                'update licences set copies_free = copies_free - 1 where id = ?',
                [$licence->id],
            ],
            'more copies free than there are' => [
                'update licences set copies_free = copies_free + 2 where id = ?',
                [$licence->id],
            ],
            'an open loan of nobody' => ['update loans set card_id = null where id = ?', [$loan->id]],
            'a ready hold without a copy' => [
                'insert into holds (card_id, library_id, title_id, state, placed_at, line_at)
                    values (?, ?, ?, \'ready\', now(), now())',
                [$card->id, $this->library()->id, $title->id],
            ],
            'a model that does not exist' => ['update licences set model = \'forever\' where id = ?', [$licence->id]],
        ];
        foreach ($wrongs as $what => [$sql, $bindings]) {
            try {
                DB::statement($sql, $bindings);
                $this->fail("{$what} was let in");
            } catch (QueryException $refused) {
                $this->assertStringStartsWith('23', (string) $refused->getCode(), $what);
            }
        }
    }
}
