<?php

declare(strict_types=1);

namespace FigPorch\Demo;

use App\Catalogue\Search\CountBorrowed;
use App\Catalogue\SimilarTitles\CountBorrowedTogether;
use App\Lending\Borrowing\BorrowTitle;
use App\Lending\Holds\PlaceHold;
use App\Lending\Loans\ReturnLoan;
use App\Lending\Waits\MeasureHabits;
use App\Models\Card;
use App\Models\Licence;
use App\Models\Loan;
use App\Models\Place;
use App\Models\Title;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\LoanLength;
use Illuminate\Support\Facades\DB;

/**
 * Loans, holds and places: of years gone by, and those that are open today, all of these through the application's own
 * actions.
 */
final class SeedLending
{
    public function __construct(
        private readonly DemoLibraries $coast,
        private readonly BorrowTitle $borrow,
        private readonly ReturnLoan $returnLoan,
        private readonly PlaceHold $placeHold,
        private readonly MeasureHabits $measureHabits,
        private readonly CountBorrowedTogether $measureNeighbours,
        private readonly CountBorrowed $countBorrowed,
    ) {}

    /**
     * Loans and holds of the past, more where a title is wanted more, and what libraries had to say no to lately.
     *
     * @param  array<string, list<Card>>  $patrons  by library
     * @return int how many loans
     */
    public function writePastLoans(array $patrons): int
    {
        $past = new PastLending($this->coast->random);
        $loans = $holds = $turnaways = $spent = [];
        $until = CarbonImmutable::instance($this->coast->now)->subDays(25);
        foreach (Licence::query()->orderBy('id')->get() as $licence) {
            $wanted = ($this->coast->random->getInt(1, 100) / 100) ** 2;
            $rows = $past->of(
                $licence,
                0.3 + 3.4 * $wanted * ($licence->copies ?? 2),
                $until,
                $licence->loans_bought === null ? PHP_INT_MAX : $licence->loans_bought - 20,
            );
            array_push($loans, ...$rows['loans']);
            array_push($holds, ...$rows['holds']);
            foreach ($rows['holds'] as $hold) {
                if ($hold['placed_at'] > $this->coast->now->modify('-400 days')) {
                    $turnaways[] = [
                        'library_id' => $licence->library_id,
                        'title_id' => $licence->title_id,
                        'reason' => 'no_copy_free',
                        'happened_at' => $hold['placed_at'],
                    ];
                }
            }
            $spent[$licence->id] = $licence->loans_bought === null ? 0 : count($rows['loans']);
        }
        $loans = (new Readers($patrons))->shareOut($loans);
        DB::transaction(function () use ($loans, $holds, $turnaways, $spent): void {
            foreach (['loans' => $loans, 'holds' => $holds, 'turnaways' => $turnaways] as $table => $rows) {
                foreach (array_chunk($rows, 1000) as $chunk) {
                    DB::table($table)->insert($chunk);
                }
            }
            foreach (array_filter($spent) as $licenceId => $count) {
                DB::update('update licences set loans_left = loans_left - ? where id = ?', [$count, $licenceId]);
            }
            ($this->countBorrowed)();
        });
        ($this->measureHabits)($this->coast->now);
        ($this->measureNeighbours)();

        return count($loans);
    }

    /** What past loans cost that were paid one by one, month by month. */
    public function payForPastLoans(): void
    {
        DB::update(
            "update loans l set paid_cents = li.price_cents from licences li where li.id = l.licence_id
                and li.model = 'pay_per_loan' and l.paid_cents is null",
        );
        DB::insert(
            "insert into pay_per_loan_months (library_id, month, budget_cents, spent_cents)
                select lib.id, x.month, greatest(lib.pay_per_loan_budget_cents, x.spent), x.spent from (
                    select li.library_id, date_trunc('month', l.started_at at time zone o.timezone)::date as month,
                        sum(l.paid_cents) spent
                    from loans l join licences li on li.id = l.licence_id join libraries o on o.id = li.library_id
                    where l.paid_cents is not null group by 1, 2) x
                join libraries lib on lib.id = x.library_id",
        );
    }

    /** Imara Quell's loans: two under way, one due soon, and an audiobook. */
    public function lendToFirstCard(): void
    {
        $card = $this->coast->firstCard();
        $byHand = Title::query()
            ->whereIn('isbn', array_map(DemoEbooks::isbn(...), range(100, 130)))
            ->orderBy('id')
            ->get();
        $wanted = [
            'The Salt Ledger' => ['14d', 12, 0.62],
            'Knots for Sailors' => ['21d', 9, 0.12],
            'Shore Birds of the Lantern Coast' => ['14d', 2, 0.3],
        ];
        foreach ($wanted as $name => [$length, $daysAgo, $fraction]) {
            $title = $byHand->firstWhere('name', $name);
            $started = $this->coast->now->modify("-{$daysAgo} days");
            if (
                $title === null ||
                !is_int(($this->borrow)($card->id, $title->id, LoanLength::parse($length), $started))
            ) {
                continue;
            }
            $this->leaveAt($card, $title, $fraction, $this->coast->now->modify('-' . $daysAgo . ' hours'));
        }
        ($this->borrow)(
            $card->id,
            $this->audiobookOfFirstCard()->id,
            LoanLength::days(14),
            $this->coast->now->modify('-4 days'),
        );
    }

    public function audiobookOfFirstCard(): Title
    {
        $library = $this->coast->firstCard()->library_id;

        return Title::query()
            ->where('format', Format::Audiobook)
            ->whereHas('licences', fn($q) => $q->where('library_id', $library)->where('copies_free', '>', 0))
            ->orderBy('id')
            ->firstOrFail();
    }

    /**
     * Loans that are open today and lines for the most wanted titles, all through the application's own actions.
     *
     * @param  array<string, list<Card>>  $cards
     */
    public function lendNow(array $cards): void
    {
        foreach ($cards as $slug => $patrons) {
            $titles = Title::query()
                ->join('licences', 'licences.title_id', '=', 'titles.id')
                ->where('library_id', $this->coast->libraries[$slug]->id)
                ->where('licences.starts_at', '<', $this->coast->now->modify('-21 days'))
                ->whereNotNull('copies')
                ->whereNotNull('file_came_at')
                ->orderByDesc('times_borrowed')
                ->orderBy('titles.id')
                ->limit(48)
                ->pluck('titles.id')
                ->all();
            foreach ($patrons as $i => $card) {
                for ($n = 0; $n < 4; $n++) {
                    $at = $this->coast->now
                        ->modify('-' . $this->coast->random->getInt(1, 12) . ' days')
                        ->modify('-' . $this->coast->random->getInt(0, 1400) . ' minutes');
                    ($this->borrow)($card->id, $titles[($i * 5 + $n * 11) % count($titles)], LoanLength::days(14), $at);
                }
            }
            // The most wanted titles have the longest lines.
            $waitedFor = DB::table('licences')
                ->where('library_id', $this->coast->libraries[$slug]->id)
                ->whereIn('title_id', $titles)
                ->groupBy('title_id')
                ->havingRaw('sum(copies_free) = 0')
                ->orderBy('title_id')
                ->pluck('title_id');
            foreach ($waitedFor as $rank => $titleId) {
                foreach (array_slice($patrons, $rank % 11, intdiv(9, $rank + 1) + ($rank % 2)) as $n => $card) {
                    ($this->placeHold)(
                        $card->id,
                        $titleId,
                        $this->coast->now->modify('-' . (90 - $n * 7 - ($rank % 5)) . ' hours'),
                    );
                }
            }
        }
    }

    /** Imara Quell's holds: one that is ready and two that wait. */
    public function placeHoldsOfFirstCard(): void
    {
        $card = $this->coast->firstCard();
        $oneCopy = Licence::query()
            ->where('library_id', $card->library_id)
            ->where('copies', 1)
            ->where('copies_free', 0)
            ->whereNotExists(
                fn($q) => $q->from('holds')->whereColumn('holds.title_id', 'licences.title_id')->whereNull('closed_at'),
            )
            ->orderBy('id')
            ->first();
        if ($oneCopy !== null) {
            ($this->placeHold)($card->id, $oneCopy->title_id, $this->coast->now->modify('-3 days'));
            $loan = Loan::query()->where('licence_id', $oneCopy->id)->whereNull('ended_at')->firstOrFail();
            ($this->returnLoan)($loan->id, $this->coast->now->modify('-5 hours'));
        }
        $lines = DB::table('licences')
            ->where('library_id', $card->library_id)
            ->where('copies_free', 0)
            ->orderBy('title_id')
            ->pluck('title_id');
        foreach ($lines->slice(2)->take(2) as $titleId) {
            ($this->placeHold)($card->id, $titleId, $this->coast->now->modify('-1 day'));
        }
    }

    private function leaveAt(Card $card, Title $title, float $fraction, DateTimeImmutable $at): void
    {
        $positions = $title->publication()->firstOrFail()->positions;
        $total = array_sum(array_column($positions, 1));
        $before = 0;
        foreach ($positions as [$href, $count]) {
            if ($before + $count > $fraction * $total) {
                $within = ($fraction * $total - $before) / $count;
                Place::query()->create([
                    'person_id' => $card->person_id,
                    'title_id' => $title->id,
                    'device' => '00000000-0000-4000-8000-000000000001',
                    'device_name' => 'phone',
                    'locator' => [
                        'href' => $href,
                        'type' => 'application/xhtml+xml',
                        'locations' => [
                            'progression' => round($within, 4),
                            'position' => (int) ($fraction * $total) + 1,
                            'totalProgression' => $fraction,
                        ],
                    ],
                    'read_at' => $at,
                ]);

                return;
            }
            $before += $count;
        }
    }
}
