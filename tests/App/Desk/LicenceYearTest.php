<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Lending\Licences\CountUse;
use App\Models\Licence;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Lending\LicenceModel;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

/** What ends, what nobody borrows, and what is paid loan by loan. */
final class LicenceYearTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff(role: StaffRole::Catalogue), 'staff');
    }

    public function test_licences_that_end_stand_in_their_month_by_the_librarys_calendar(): void
    {
        $zone = $this->library()->zone();
        $this->assertSame('2026-05', $this->now()->setTimezone($zone)->format('Y-m'));
        // The Azores are an hour behind in winter.
        $this->licence($this->title('Soon'), ends: '2027-01-01 00:59:59 UTC', price: 6000);
        $this->licence($this->title('Later'), ends: '2027-01-01 01:00:00 UTC', price: 100);
        $this->licence($this->title('Much later'), ends: '2027-05-02 00:00:00 UTC');
        $this->licence($this->title('Never'));
        $this->licence($this->title('Gone'), ends: '-1 day');
        $this->licence($this->title('Theirs'), library: $this->library('larkspur'), ends: '2026-12-15 00:00:00 UTC');
        $all = $this->get('/desk/renewals')->assertOk()->assertSee('Soon')->assertSee('Later');
        foreach (['Much later', 'Never', 'Gone', 'Theirs'] as $other) {
            $all->assertDontSee($other);
        }
        $this->get('/desk/renewals?month=2026-12')->assertSee('Soon')->assertDontSee('Later')->assertSee('€60.00');
        $this->get('/desk/renewals?month=2027-01')->assertDontSee('Soon')->assertSee('Later');
        $this->get('/desk/renewals?month=2030-13')->assertOk()->assertSee('Soon');
        $csv = $this->get('/desk/renewals.csv?month=2026-12')->streamedContent();
        $this->assertStringContainsString('2026-12-31', $csv);
        $this->assertSame(2, substr_count($csv, "\r\n"));
    }

    public function test_what_renewing_would_give_is_reckoned_from_demand_and_leaves_out_what_others_give(): void
    {
        $title = $this->title('Wanted');
        $licence = $this->licence($title, ends: '+30 days', price: 6000);
        // A year long, with six loans in the last half year.
        DB::table('licences')->update(['starts_at' => $this->now()->subDays(335)]);
        foreach (range(1, 6) as $n) {
            DB::table('loans')->insert([
                'title_id' => $title->id,
                'licence_id' => $licence->id,
                'length' => 'P14D',
                'started_at' => $this->now()->subDays(20 * $n),
                'due_at' => $this->now()->subDays(20 * $n - 14),
                'ended_at' => $this->now()->subDays(20 * $n - 14),
                'end_reason' => 'returned',
            ]);
        }
        // 6 in 180 days are 12.2 in the 365 that it would run.
        $this->get('/desk/renewals')->assertSee('€10.00')->assertSee('12 loans');
        $this->licence($title, model: LicenceModel::Simultaneous);
        $this->get('/desk/renewals')->assertSee('no more loans than without it');
    }

    public function test_what_nobody_borrowed_is_listed_and_what_was_lent_today_is_not(): void
    {
        $old = $this->title('Old and quiet');
        $this->licence($old, ends: '+1 year', price: 2000);
        $lent = $this->title('Old and lent');
        $this->licence($lent);
        $this->licence($this->title('New'), starts: '-1 month');
        $quiet = $this->title('Lent long ago');
        $this->licence($quiet);
        DB::table('licences')
            ->whereIn('title_id', [$old->id, $lent->id, $quiet->id])
            ->update([
                'starts_at' => $this->now()->subYear(),
            ]);
        DB::table('loans')->insert([
            'title_id' => $quiet->id,
            'licence_id' => Licence::query()->where('title_id', $quiet->id)->value('id'),
            'length' => 'P14D',
            'started_at' => $this->now()->subMonths(8),
            'due_at' => $this->now()->subMonths(7),
            'ended_at' => $this->now()->subMonths(7),
            'end_reason' => 'returned',
        ]);
        app(CountUse::class)();
        $this->borrow($this->card(), $lent);
        $this->get('/desk/weeding?months=12')
            ->assertOk()
            ->assertSee('Old and quiet')
            // 20 for 730 days, at 365.25 a year.
            ->assertSee('€10.01')
            ->assertDontSee('Old and lent')
            ->assertDontSee('Lent long ago')
            ->assertDontSee('>New<', false);
        $this->get('/desk/weeding?months=6')->assertSee('Lent long ago')->assertDontSee('Old and lent');
        $this->get('/desk/weeding?months=6&format=audiobook')->assertSee('Every title that was there');
        app(CountUse::class)();
        $this->get('/desk/weeding')->assertSee('1 title not lent');
        $this->assertStringContainsString('Old and quiet', $this->get('/desk/weeding.csv?months=6')->streamedContent());
    }

    public function test_the_budget_for_paid_loans_is_seen_spent_and_changed(): void
    {
        $title = $this->title('Paid for');
        $this->licence($title, model: LicenceModel::PayPerLoan, price: 150, starts: '-1 day');
        $this->post('/desk/pay-per-loan', ['month' => '', 'budget' => '10'])->assertSessionHas('said');
        $this->borrow($this->card(), $title);
        $this->borrow($this->card(), $title);
        $this->get('/desk/pay-per-loan')
            ->assertOk()
            ->assertSee('spent of €10.00')
            ->assertSee('€3.00')
            ->assertSee('Paid for');
        $month = $this->now()
            ->setTimezone($this->library()->zone())
            ->format('Y-m');
        // Two loans in the first day: three a day of these cannot last.
        $this->get('/desk/pay-per-loan')->assertSee('The budget lasts until about');
        $this->post('/desk/pay-per-loan', ['month' => $month, 'budget' => '2.99'])->assertSessionHas(
            'refusal',
            'That is less than €3.00, which is spent already. Enter that much at least.',
        );
        $this->post('/desk/pay-per-loan', ['month' => $month, 'budget' => '3'])->assertSessionHas('said');
        $this->get('/desk/pay-per-loan')->assertSee('The budget is used up.');
        foreach ([['month' => '2020-01', 'budget' => '5'], ['month' => '', 'budget' => 'much']] as $wrong) {
            $this->post('/desk/pay-per-loan', $wrong)->assertSessionHas('refusal');
        }
        // Another month has what is usual.
        $this->assertSame(1, DB::table('pay_per_loan_months')->where('budget_cents', 300)->count());
        $this->assertSame(
            1000,
            (int) DB::table('libraries')->where('slug', 'saltmere')->value('pay_per_loan_budget_cents'),
        );
        $this->assertSame(2, DB::table('desk_changes')->where('what', 'pay_per_loan_budget')->count());
    }

    public function test_with_nothing_in_it_every_page_says_so(): void
    {
        $this->get('/desk/renewals')->assertSee('No licence ends within a year.');
        $this->get('/desk/weeding')->assertSee('Every title that was there so long has been lent.');
        $this->get('/desk/pay-per-loan')->assertSee('No loan was paid for in the last year.');
    }
}
