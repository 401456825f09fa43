<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Catalogue\Search\CatalogueSearch;
use App\Catalogue\Search\SearchRequest;
use App\Lending\Borrowing\BorrowTitle;
use App\Lending\LoanRules\CardEligibility;
use App\Models\Licence;
use App\Models\Loan;
use App\Models\Publication;
use App\Models\Title;
use App\Reading\Publications\ImportPublication;
use Closure;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use FigPorch\Core\Reading\Reason;
use FigPorch\Core\Reading\UnreadablePublication;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\App\ImportsBooks;
use Tests\App\TestCase;

/** A title whose file has not come: not lent, not ready anywhere, with a line that its file fills. */
final class OnOrderTest extends TestCase
{
    use ImportsBooks;

    /** @return array{int, int} titles found, and of these ready */
    private function found(): array
    {
        $of = fn(array $asked): int => app(CatalogueSearch::class)->total(
            SearchRequest::read($this->library()->id, $asked, new CardEligibility()),
            $this->now(),
        );

        return [$of([]), $of(['ready' => '1'])];
    }

    private function refusal(mixed $outcome): Refusal
    {
        $this->assertInstanceOf(Refused::class, $outcome);

        return $outcome->reason;
    }

    private function bring(Title $title): void
    {
        app(ImportPublication::class)($this->bookFile(), $this->library(), null, $this->now(), of: $title);
    }

    /** @return iterable<string, array{M}> */
    public static function models(): iterable
    {
        foreach ([M::OneCopyOneUser, M::MeteredByLoans, M::Concurrent, M::Simultaneous, M::PayPerLoan] as $model) {
            yield $model->value => [$model];
        }
    }

    #[DataProvider('models')]
    public function test_it_is_found_and_neither_ready_nor_lent_until_its_file_comes(M $model): void
    {
        $this->library()->update(['pay_per_loan_budget_cents' => 5000]);
        $title = $this->title(onOrder: true);
        $this->licence($title, $model, loans: 20, price: $model === M::PayPerLoan ? 100 : 0);
        $card = $this->card();
        $this->assertSame([1, 0], $this->found());
        $this->assertSame(
            Refusal::OnOrder,
            $this->refusal(app(BorrowTitle::class)($card->id, $title->id, null, $this->now())),
        );
        $this->assertSame(0, DB::table('turnaways')->count(), 'money would not have helped');
        $this->as($card)
            ->get("/titles/{$title->id}")
            ->assertSee('On order')
            ->assertDontSee('Ready now')
            ->assertDontSee('data-lamp="lit"', false);
        $this->get("/titles/{$title->id}/borrow")->assertSee('is on order');
        $this->assertEveryCountIsTrue();

        $this->bring($title);
        $this->assertSame([1, 1], $this->found());
        $this->borrow($card, $title);
        $this->assertEveryCountIsTrue();
    }

    public function test_its_line_forms_and_is_filled_in_order_in_the_transaction_that_brings_the_file(): void
    {
        $title = $this->title(onOrder: true);
        $this->licence($title, copies: 2);
        [$first, $second, $third] = [$this->card(), $this->card(), $this->card()];
        $holds = [$this->hold($first, $title), $this->hold($second, $title, atOnce: true), $this->hold($third, $title)];
        $this->as($third)->get('/holds')->assertSee('3rd in line')->assertSee('on order: it is kept for you in turn');
        $this->artisan('lending:tick');
        $this->assertSame(0, DB::table('forecast_scores')->count(), 'no date is promised');
        $this->assertSame(['waiting', 'waiting', 'waiting'], DB::table('holds')->orderBy('id')->pluck('state')->all());

        $this->bring($title);
        $this->assertSame(HoldState::Ready, $holds[0]->refresh()->state);
        $this->assertSame(HoldState::Ready, $holds[1]->refresh()->state);
        $this->assertSame(HoldState::Waiting, $holds[2]->refresh()->state);
        $this->assertSame(0, Licence::query()->sole()->copies_free);
        $this->assertSame(1, DB::table('notices')->where('person_id', $first->person_id)->count());
        $this->workThroughQueue();
        $this->assertSame($title->id, Loan::query()->where('card_id', $second->id)->sole()->title_id);
        $this->as($third)->get('/holds')->assertDontSee('on order')->assertSee('8 in 10');
        $this->assertEveryCountIsTrue();
    }

    public function test_everybody_in_line_gets_what_everybody_may_have_at_once(): void
    {
        $title = $this->title(onOrder: true);
        $this->licence($title, M::Simultaneous);
        $holds = [$this->hold($this->card(), $title), $this->hold($this->card(), $title)];
        $this->bring($title);
        foreach ($holds as $hold) {
            $this->assertSame(HoldState::Ready, $hold->refresh()->state);
        }
        $this->assertEveryCountIsTrue();
    }

    public function test_a_file_that_is_refused_leaves_the_line_as_it_is(): void
    {
        $title = $this->title('Heard', Format::Audiobook, onOrder: true);
        $this->licence($title);
        $hold = $this->hold($this->card(), $title);
        try {
            $this->bring($title);
            $this->fail('A book is no audiobook.');
        } catch (UnreadablePublication $refused) {
            $this->assertSame(Reason::OtherUse, $refused->reason);
        }
        $this->assertSame(HoldState::Waiting, $hold->refresh()->state);
        $this->assertSame('Heard', $title->refresh()->name);

        $this->importBook();
        $this->expectException(UnreadablePublication::class);
        $this->expectExceptionMessage(Reason::OfAnother->value);
        $this->bring($this->title(onOrder: true));
    }

    public function test_the_record_stands_and_what_the_file_measures_is_taken_from_it(): void
    {
        $title = $this->title('As the Library Has It', onOrder: true);
        $this->licence($title);
        $this->bring($title);
        $title->refresh();
        $this->assertSame(['As the Library Has It', ['Tamsin Ebbing']], [$title->name, $title->namesOf('author')]);
        $this->assertNotSame(120, $title->extent);
        $this->assertNotNull($title->level);
        $this->assertSame(1, Title::query()->count());
    }

    /** @return iterable<string, array{list<string>}> what begins first */
    public static function atOnce(): iterable
    {
        yield 'the licence first' => [['licence', 'file']];
        yield 'the file first' => [['file', 'licence']];
    }

    /**
     * A licence is bought in the very moment in which the file comes: each is done, and kept from ending, before the
     * other has ended.
     *
     * @param  list<string>  $order
     */
    #[DataProvider('atOnce')]
    public function test_a_licence_and_a_file_that_come_at_once_know_of_each_other(array $order): void
    {
        $this->travelBack();
        $title = $this->title(onOrder: true);
        $acts = [
            // Written by whatever: adding one takes the title's row first, for the requests that it answers.
            'licence' => "App\\Models\\Licence::query()->create(['library_id' => {$this->library()->id},
                'title_id' => {$title->id}, 'model' => 'one_copy_one_user', 'copies' => 1, 'copies_free' => 1,
                'starts_at' => now(), 'added_at' => now()]);",
            'file' => "DB::insert(\"insert into publications (title_id, sha256, media_type, bytes, fixed_layout,
                right_to_left, sizes, types, positions, excerpt_sizes, excerpt_positions, came_at)
                values ({$title->id}, 'x', 'x', 1, false, false, '{}', '{}', '[]', '{}', '[]', now())\");",
        ];
        config(['database.connections.door' => config('database.connections.pgsql')]);
        DB::connection('door')->select('select pg_advisory_lock(39)');
        $running = [];
        foreach ($order as $n => $what) {
            $running[] = $process = new Process(
                [
                    'php',
                    '-r',
                    'require "vendor/autoload.php"; $app = require "bootstrap/app.php";
                    $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap();
                    DB::transaction(function () { ' .
                    $acts[$what] .
                    ' DB::select("select pg_advisory_lock_shared(39)"); });',
                ],
                base_path(),
                timeout: 60,
            );
            $process->start();
            $this->assertComesTo(
                fn(): bool => DB::scalar(
                    'select count(*) from pg_stat_activity where datname = current_database() and wait_event_type = ?',
                    ['Lock'],
                ) > $n,
                "{$what} waits",
                $process,
            );
        }
        DB::purge('door');
        foreach ($running as $process) {
            $process->wait();
            $this->assertTrue($process->isSuccessful(), $process->getOutput() . $process->getErrorOutput());
        }
        $this->assertSame(1, Licence::query()->whereNotNull('file_came_at')->count());
        $this->assertEveryCountIsTrue();
    }

    /** @param  Closure(): bool  $what */
    private function assertComesTo(Closure $what, string $words, Process $process): void
    {
        for ($tries = 0; !$what(); $tries++) {
            $this->assertTrue($tries < 1000 && $process->isRunning(), $words . $process->getErrorOutput());
            usleep(20_000);
        }
    }

    public function test_the_last_who_join_the_line_as_the_file_comes_are_not_stranded(): void
    {
        $this->travelBack();
        $title = $this->title(onOrder: true);
        $this->licence($title, copies: 3);
        $cards = array_map(fn(): int => $this->card()->id, range(1, 12));
        $file = $this->bookFile();
        $running = [
            new Process(
                ['php', 'artisan', 'catalogue:import-file', '--library=saltmere', "--of={$title->id}", '--', $file],
                base_path(),
            ),
            ...array_map(
                fn(int $seed): Process => new Process([
                    'php',
                    __DIR__ . '/storm.php',
                    (string) $seed,
                    '80',
                    implode(',', $cards),
                    (string) $title->id,
                ]),
                [7, 8, 9],
            ),
        ];
        foreach ($running as $process) {
            $process->setTimeout(120)->start();
        }
        foreach ($running as $process) {
            $process->wait();
            $this->assertTrue($process->isSuccessful(), $process->getOutput() . $process->getErrorOutput());
        }
        $this->assertSame(1, Publication::query()->count());
        $this->assertNotNull(Licence::query()->sole()->getAttribute('file_came_at'));
        $this->assertEveryCountIsTrue();
    }
}
