<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Account\Privacy\ForgetEndedLoans;
use App\Lending\Loans\CountLoans;
use App\Models\Card;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\StaffRole;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\App\TestCase;

/** The library's year in figures: exact, without a person, and no group under five. */
final class YearFiguresTest extends TestCase
{
    /**
     * Random loans over two years, some of them forgotten before and some after they were counted, recounted in PHP.
     */
    public function test_figures_agree_with_a_recount(): void
    {
        $zone = $this->library()->zone();
        $random = new Randomizer(new Mt19937(12));
        $titles = array_map(fn(int $n) => $this->title("Title {$n}"), range(1, 4));
        $licences = array_map(fn($title) => $this->licence($title, copies: 500), $titles);
        $cards = [];
        foreach (range(1, 12) as $n) {
            $cards[] = $card = $this->card();
            $card->update(['patron_group' => $n <= 7 ? 'adult' : 'teacher']);
        }
        $expected = ['loans' => [], 'people' => [], 'titles' => []];
        // As the clock goes on: a loan has its number when it begins, and they are counted some at a time.
        $minutes = array_map(fn(): int => $random->getInt(0, 485 * 1440), range(1, 600));
        sort($minutes);
        foreach ($minutes as $n => $minute) {
            $at = CarbonImmutable::parse('2025-01-01', $zone)->addMinutes($minute);
            $card = $cards[$random->getInt(0, 11)];
            $which = $random->getInt(0, 3);
            DB::table('loans')->insert([
                'card_id' => $card->id,
                'title_id' => $titles[$which]->id,
                'licence_id' => $licences[$which]->id,
                'length' => 'P14D',
                'started_at' => $at->format('Y-m-d H:i:sP'),
                'due_at' => $at->addDays(14)->format('Y-m-d H:i:sP'),
                'ended_at' => $at->addDays(3)->format('Y-m-d H:i:sP'),
                'end_reason' => 'returned',
            ]);
            $month = $at->setTimezone($zone)->format('Y-m-01');
            $expected['loans'][$month] = ($expected['loans'][$month] ?? 0) + 1;
            $expected['titles']["{$month} {$titles[$which]->id}"] =
                ($expected['titles']["{$month} {$titles[$which]->id}"] ?? 0) + 1;
            $expected['people'][$month][$card->id] = true;
            if ($n % 50 === 0) {
                app(CountLoans::class)();
            }
        }
        app(CountLoans::class)();
        $this->assertSame(0, app(CountLoans::class)());
        ksort($expected['loans']);
        $this->assertSame(
            $expected['loans'],
            DB::table('loan_figures')
                ->groupBy('month')
                ->orderBy('month')
                ->selectRaw('month, sum(n)::int n')
                ->pluck('n', 'month')
                ->all(),
        );
        ksort($expected['people']);
        $this->assertSame(
            array_map(count(...), $expected['people']),
            DB::table('people_figures')
                ->groupBy('month')
                ->orderBy('month')
                ->selectRaw('month, sum(n)::int n')
                ->pluck('n', 'month')
                ->all(),
        );
        $found = DB::table('title_figures')->selectRaw("month || ' ' || title_id as k, n")->pluck('n', 'k')->all();
        ksort($found);
        ksort($expected['titles']);
        $this->assertSame($expected['titles'], $found);
        $this->assertSame(600, (int) DB::table('loan_figures')->sum('n'));
    }

    public function test_each_card_counts_once_a_month_and_what_is_counted_names_nobody(): void
    {
        $this->travelTo('2026-05-30 12:00:00');
        [$one, $two] = [$this->title('One'), $this->title('Two')];
        $this->licence($one, copies: 9);
        $this->licence($two, copies: 9);
        [$often, $once] = [$this->card(), $this->card()];
        $this->borrow($often, $one);
        app(CountLoans::class)();
        $this->borrow($often, $two);
        $this->borrow($once, $two);
        app(CountLoans::class)();
        app(CountLoans::class)();
        $this->assertSame([2], DB::table('people_figures')->pluck('n')->all());
        $this->travelTo('2026-06-02 12:00:00');
        DB::table('loans')->update(['ended_at' => now(), 'end_reason' => 'returned']);
        $this->borrow($often, $one);
        app(CountLoans::class)();
        $this->assertSame([2, 1], DB::table('people_figures')->orderBy('month')->pluck('n')->all());
        // Forgotten before it was counted: the loan counts, the person does not.
        $this->borrow($once, $one);
        DB::table('loans')
            ->where('counted', false)
            ->update(['ended_at' => now(), 'end_reason' => 'returned']);
        $this->travelTo('2026-06-02 13:00:00');
        app(ForgetEndedLoans::class)(CarbonImmutable::now());
        app(CountLoans::class)();
        $this->assertSame([2, 1], DB::table('people_figures')->orderBy('month')->pluck('n')->all());
        $this->assertSame(5, (int) DB::table('loan_figures')->sum('n'));
    }

    public function test_groups_and_hours_of_fewer_than_five_are_not_shown(): void
    {
        $this->travelTo('2026-05-06 10:30:00');
        $title = $this->title('The Kelp Almanac');
        $this->licence($title, copies: 50);
        $cards = array_map(fn(): Card => $this->card(), range(1, 9));
        foreach ($cards as $n => $card) {
            $card->update(['patron_group' => $n < 5 ? 'adult' : 'teacher']);
            $this->travelTo($n < 5 ? '2026-05-06 10:30:00' : '2026-05-07 11:30:00');
            $this->borrow($card, $title);
        }
        app(CountLoans::class)();
        $this->be($this->staff(role: StaffRole::Figures), 'staff');
        $this->get('/desk/figures')
            ->assertOk()
            ->assertSee('The Kelp Almanac')
            ->assertSee('adult')
            ->assertDontSee('teacher');
        $this->assertStringContainsString('adult,5,', $this->get('/desk/figures/groups.csv')->streamedContent());
        $this->assertStringNotContainsString('teacher', $this->get('/desk/figures/groups.csv')->streamedContent());
        $hours = explode("\r\n", $this->get('/desk/figures/hours.csv')->streamedContent());
        // A Wednesday and a Thursday, by the Azores' summer time, which is UTC.
        $this->assertSame('5', str_getcsv($hours[3], escape: '')[11]);
        $this->assertSame('', str_getcsv($hours[4], escape: '')[12]);
        foreach (
            ['loans', 'people', 'formats', 'subjects', 'titles', 'waits', 'turnaways', 'requests', 'cost']
            as $figure
        ) {
            $this->get("/desk/figures/{$figure}.csv")->assertOk();
        }
        $this->get('/desk/figures/patrons.csv')->assertNotFound();
        $this->get('/desk/figures?year=1066')->assertOk()->assertSee('2026');
    }

    public function test_an_empty_library_has_a_year(): void
    {
        $this->be($this->staff(), 'staff');
        $this->get('/desk/figures')->assertOk()->assertSee('Nothing in this year yet.');
    }
}
