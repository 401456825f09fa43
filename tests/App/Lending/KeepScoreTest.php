<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Desk\Figures\YearFigures;
use App\Lending\Holds\CloseHold;
use App\Lending\Holds\PauseHold;
use App\Lending\Loans\ReturnLoan;
use App\Lending\Waits\ForecastScores;
use App\Lending\Waits\KeepScore;
use App\Lending\Waits\WaitEstimates;
use App\Models\Loan;
use App\Models\Title;
use App\Shared\RequestContext;
use FigPorch\Core\Catalogue\Format;
use FigPorch\Core\Lending\HoldState;
use FigPorch\Core\Lending\LineLicence;
use FigPorch\Core\Lending\WaitingHold;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\View;
use stdClass;
use Tests\App\TestCase;

/** A forecast that keeps score of itself, without a person. */
final class KeepScoreTest extends TestCase
{
    private Title $title;

    private Loan $loan;

    protected function setUp(): void
    {
        parent::setUp();
        $this->title = $this->title('Waited for');
        $this->licence($this->title);
        $this->loan = $this->borrow($this->card(), $this->title);
    }

    public function test_what_is_promised_is_written_down_and_what_came_of_it_names_nobody(): void
    {
        $first = $this->hold($this->card(), $this->title);
        $second = $this->hold($this->card(), $this->title);
        $this->assertSame(2, app(KeepScore::class)($this->now()));
        $this->assertSame(0, app(KeepScore::class)($this->now()));
        $this->assertSame([0, 1], DB::table('forecast_scores')->orderBy('ahead')->pluck('ahead')->all());
        $row = DB::table('forecast_scores')->where('hold_id', $first->id)->first();
        $this->assertTrue($row !== null && $row->from_at <= $row->middle_at && $row->middle_at <= $row->to_at);

        $this->later(days: 3);
        app(ReturnLoan::class)($this->loan->id, $this->now());
        app(KeepScore::class)($this->now());
        $came = DB::table('forecast_scores')->where('ahead', 0)->first();
        $this->assertNull($came?->hold_id);
        $this->assertSame($this->now()->format('Y-m-d H:i'), substr((string) $came?->came_at, 0, 16));
        // Who gives up has had no answer: it is known how long there was none.
        app(CloseHold::class)($second->id, HoldState::Cancelled, $this->now());
        $third = $this->hold($this->card(), $this->title);
        app(KeepScore::class)($this->now());
        $left = DB::table('forecast_scores')->where('ahead', 1)->first();
        $this->assertSame([null, null], [$left?->hold_id, $left?->came_at]);
        $this->assertSame($this->now()->format('Y-m-d H:i'), substr((string) $left?->left_at, 0, 16));
        // So does who pauses: the wait is their own from then on.
        $this->later(days: 1);
        app(PauseHold::class)($third->id, $this->now()->addDays(20), $this->now());
        app(KeepScore::class)($this->now());
        $this->assertSame(
            [[null, $this->now()->format('Y-m-d H:i')]],
            DB::table('forecast_scores')
                ->whereNotNull('left_at')
                ->orderByDesc('id')
                ->limit(1)
                ->get()
                ->map(fn(stdClass $row): array => [$row->hold_id, substr((string) $row->left_at, 0, 16)])
                ->all(),
        );
    }

    public function test_each_night_ranges_are_moved_by_what_the_last_ones_lacked_and_it_is_said_how_often_they_held(): void
    {
        $library = $this->library();
        $scores = app(ForecastScores::class);
        foreach (range(1, 100) as $n) {
            // Ranges of a day, of which one in four held: the rest came a day late.
            $asked = $this->now()->subDays(100 + $n);
            DB::table('forecast_scores')->insert([
                'library_id' => $library->id,
                'format' => 'ebook',
                'ahead' => 2,
                'asked_at' => $asked,
                'drawn_from' => $asked->addDays(5),
                'drawn_middle' => $asked->addHours(130),
                'drawn_to' => $asked->addDays(6),
                'from_at' => $asked->addDays(5),
                'middle_at' => $asked->addHours(130),
                'to_at' => $asked->addDays(6),
                'came_at' => $asked->addDays($n % 4 === 0 ? 6 : 7),
            ]);
        }
        $this->assertSame(25, $scores->lastHundred($library->id));
        $this->assertSame(
            ['cases' => 100, 'held' => 25, 'early' => 0],
            $scores->byLine($library->id, $this->now()->subYear(), $this->now())['0-3'],
        );
        $year = [$this->now()->subYear(), $this->now()];
        $this->assertSame(['cases' => 100, 'by' => [0, 0, 25]], $scores->calibration($library->id, ...$year)['0-3']);
        $this->assertSame(['ebook' => ['cases' => 100, 'held' => 25]], $scores->byFormat($library->id, ...$year));
        $scores->measure($this->now());
        // A range's length later at the most, and of the distances that are left (1 and 2 from its beginning, of one
        // that begins so much later) that within which 81 of 100 lie; of both 100 / 130.
        $measured = DB::table('forecast_corrections')->where('cell', '0-3')->first();
        $this->assertEqualsWithDelta(
            [100 / 130, (1 - 100 / 130) * (100 / 130), 100],
            [(float) $measured?->shift, (float) $measured?->widen, $measured?->cases],
            0.001,
        );
        $long = DB::table('forecast_corrections')->where('cell', '41')->first();
        $this->assertSame([0.0, 0.0, 0], [(float) $long?->shift, (float) $long?->widen, $long?->cases]);

        // As in a request of its own.
        $this->app->forgetScopedInstances();
        View::share('current', app(RequestContext::class));
        $of = fn(int $ahead): array => [
            app(WaitEstimates::class)->drawn(
                library: $library,
                format: Format::Ebook,
                licences: $this->line()['licences'],
                ahead: array_slice($this->line()['waiting'], 0, $ahead),
                pausedUntil: null,
                now: $this->now(),
                effort: 200,
            ),
            app(WaitEstimates::class)->of(
                library: $library,
                format: Format::Ebook,
                licences: $this->line()['licences'],
                ahead: array_slice($this->line()['waiting'], 0, $ahead),
                pausedUntil: null,
                now: $this->now(),
                effort: 200,
            ),
        ];
        [$drawn, $shown] = $of(0);
        $this->assertGreaterThanOrEqual($drawn->to, $shown->to);
        $this->assertGreaterThan($drawn->from, $shown->from);
        $this->assertGreaterThan($drawn->middle, $shown->middle);
        $card = $this->card();
        $this->hold($card, $this->title);
        $this->as($card)->get('/holds')->assertSee('The likely dates held 25 of the last 100 times at Saltmere.');
        $this->be($this->staff(), 'staff');
        // By the first date 0, by the middle 0, by the last about 25, where 10, 50 and 90 are meant.
        $page = (string) $this->get('/desk/figures')->assertOk()->assertSee('Promised and come')->getContent();
        $this->assertMatchesRegularExpression('/d="M50 170L130 170L210 1[23]\d/', $page);
        $this->get("/desk/figures/calibration.csv?year={$this->now()->year}")->assertOk();
        // Where nothing is known of either year there are no rows of dots.
        $figures = app(YearFigures::class);
        $ago = $this->now()->year - 5;
        $this->assertCount(12, $figures->of('calibration', $library, $this->now()->year)->rows);
        $this->assertSame([], $figures->of('calibration', $library, $ago)->rows);
        $this->assertSame([], $figures->of('promises', $library, $ago)->rows);
    }

    /** @return array{licences: list<LineLicence>, waiting: list<WaitingHold>} */
    private function line(): array
    {
        $licences = app(\App\Lending\Licences\UsableLicences::class)->of(
            $this->library()->id,
            [$this->title->id],
            $this->now(),
        );

        return app(\App\Lending\Queues\HoldQueues::class)->of($this->library()->id, $licences)[$this->title->id];
    }
}
