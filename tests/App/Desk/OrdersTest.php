<?php

declare(strict_types=1);

namespace Tests\App\Desk;

use App\Models\Fund;
use App\Models\Licence;
use App\Models\Order;
use App\Models\StaffMember;
use App\Models\Title;
use FigPorch\Core\Desk\OrderState;
use FigPorch\Core\Desk\StaffRole;
use FigPorch\Core\Lending\HoldState;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Process\Process;
use Tests\App\TestCase;

/** Licences are noted, ordered and received against the funds that pay for them. */
final class OrdersTest extends TestCase
{
    private StaffMember $staff;

    private Title $wanted;

    protected function setUp(): void
    {
        parent::setUp();
        $this->be($this->staff = $this->staff(role: StaffRole::Catalogue), 'staff');
        $this->wanted = $this->title('The Kelp Almanac');
    }

    public function test_an_order_is_noted_sent_and_received_and_its_copies_go_to_the_line(): void
    {
        $this->licence($this->wanted);
        $this->borrow($this->card(), $this->wanted);
        $hold = $this->hold($this->card(), $this->wanted);
        $this->get("/desk/titles/{$this->wanted->id}/order")->assertSee('No fund yet.');
        $fund = $this->fund('Books', '100');
        $this->get("/desk/titles/{$this->wanted->id}/order")->assertSee('Books: €100.00 left');
        $this->note([
            'model' => 'metered_by_loans',
            'quantity' => '2',
            'loans' => '26',
            'months' => '24',
            'price' => '12,50',
        ]);
        $order = Order::query()->sole();
        DB::table('supplied_titles')->insert([
            'title_id' => $this->wanted->id,
            'record_hash' => 'x',
            'seen_at' => now(),
            'buy_at' => 'https://shop.example/7?a=1&b=2',
        ]);
        $this->get('/desk/orders')
            ->assertSee('href="https://shop.example/7?a=1&amp;b=2"', false)
            ->assertSee('The Kelp Almanac')
            ->assertSee('Metered by loans: 26 loans, 24 months')
            ->assertSee('€25.00')
            ->assertSee('€75.00');
        // Nothing is bought by that.
        $this->assertSame(1, Licence::query()->count());

        $this->move([$order], 'ordered')->assertSessionHas('said', '1 order is marked as ordered.');
        $this->move([$order], 'ordered')->assertSessionHas('refusal');
        $this->get('/desk/orders?state=ordered')->assertSee('The Kelp Almanac');
        $this->move([$order], 'received')->assertSessionHas('said');
        $licence = Licence::query()->orderByDesc('id')->firstOrFail();
        $this->assertSame($licence->id, $order->refresh()->licence_id);
        $this->assertSame([2, 52, 2500], [$licence->copies, $licence->loans_bought, $licence->price_cents]);
        // To the end of the day, two years on by the library's calendar.
        $this->assertSame(
            $this->now()
                ->setTimezone($this->library()->zone())
                ->addMonthsNoOverflow(24)
                ->format('Y-m-d') . ' 23:59:59',
            $licence->ends_at?->setTimezone($this->library()->zone())->format('Y-m-d H:i:s'),
        );
        $this->assertSame(HoldState::Ready, $hold->refresh()->state);
        // Received once, whatever is pressed again.
        $this->move([$order], 'received')->assertSessionHas('refusal');
        $this->move([$order], 'cancelled')->assertSessionHas('refusal');
        $this->assertSame(2, Licence::query()->count());
        $this->assertSame(
            ['fund_changed', 'order_noted', 'order_sent', 'licence_add', 'order_received'],
            DB::table('desk_changes')->orderBy('id')->pluck('what')->all(),
        );
    }

    public function test_a_fund_that_has_not_enough_is_said_and_may_be_overdrawn_on_purpose(): void
    {
        $this->fund('Books', '20.00');
        $this->note(['price' => '12.50']);
        $this->note(['price' => '12.50'])
            ->assertRedirect("/desk/titles/{$this->wanted->id}/order")
            ->assertSessionHas('lacks', 500);
        $this->get("/desk/titles/{$this->wanted->id}/order")->assertSee('The fund lacks €5.00 for that.');
        $this->assertSame(1, Order::query()->count());
        $this->note(['price' => '12.50', 'beyond' => '1'])->assertSessionHas('said');
        $this->get('/desk/orders')->assertSee('€5.00 over');
        // A cancelled order gives its money back.
        $this->move([Order::query()->firstOrFail()], 'cancelled');
        $this->get('/desk/orders')->assertSee('€7.50')->assertDontSee('€5.00 over');
    }

    public function test_today_tells_of_what_is_to_be_ordered_and_of_funds_nearly_spent(): void
    {
        $this->fund('Books', '100');
        $this->get('/desk/today')->assertDontSee('to order');
        $this->note(['price' => '89']);
        $this->get('/desk/today')->assertSee('licence to order')->assertDontSee('fund nearly spent');
        $this->note(['price' => '2']);
        $this->get('/desk/today')->assertSee('fund nearly spent');
        $this->move(array_values(Order::query()->get()->all()), 'ordered');
        $this->get('/desk/today')->assertDontSee('to order')->assertSee('fund nearly spent');
    }

    public function test_the_same_form_sent_twice_is_one_order(): void
    {
        $this->fund('Books', '1000');
        $form = (string) Str::uuid();
        $this->note(['form' => $form]);
        $this->note(['form' => $form])->assertSessionHas('said');
        $this->assertSame(1, Order::query()->count());
    }

    public function test_nothing_is_noted_without_a_price_a_fund_and_what_the_model_counts(): void
    {
        $fund = $this->fund('Books', '1000');
        foreach (
            [
                'price' => ['price' => ''],
                'loans' => ['model' => 'concurrent', 'loans' => ''],
                'months' => ['model' => 'metered_by_time', 'months' => ''],
                'model' => ['model' => 'pay_per_loan'],
                'quantity' => ['quantity' => '0'],
                'fund' => ['fund' => '999999'],
            ]
            as $field => $wrong
        ) {
            $this->note($wrong)->assertSessionHasErrors($field);
        }
        $theirs = Fund::query()->create(['library_id' => $this->library('larkspur')->id, 'name' => 'Theirs']);
        $this->note(['fund' => (string) $theirs->id])->assertSessionHasErrors('fund');
        $this->post("/desk/funds/{$fund->id}/close", ['closed' => '1']);
        $this->note([])->assertSessionHasErrors('fund');
        $this->assertSame(0, Order::query()->count());
        $this->post("/desk/funds/{$fund->id}/close", ['closed' => '0']);
        // For nothing is a price, too.
        $this->note(['price' => '0'])->assertSessionHas('said');
    }

    public function test_orders_and_funds_of_another_library_are_out_of_reach(): void
    {
        $other = $this->library('larkspur');
        $this->fund('Sea books', '10');
        $this->note(['price' => '5']);
        $this->be($this->staff(library: $other), 'staff');
        $this->move([Order::query()->firstOrFail()], 'received')->assertSessionHas('refusal');
        $this->assertSame(OrderState::Noted, Order::query()->firstOrFail()->state);
        $this->assertStringNotContainsString(
            'Kelp',
            $this->post('/desk/orders/orders.csv', ['orders' => [(string) Order::query()->value('id')]])
                ->assertOk()
                ->streamedContent(),
        );
        $this->get('/desk/orders')->assertDontSee('Kelp')->assertDontSee('Sea books');
    }

    public function test_the_budget_year_is_the_librarys_own(): void
    {
        $this->staff->library->update(['budget_month' => 7]);
        $this->travelTo('2026-06-30 12:00:00');
        $this->fund('Books', '10', '2025');
        $this->note(['price' => '4']);
        $this->get('/desk/orders')->assertSee('2025/26')->assertSee('€6.00');
        $this->travelTo('2026-07-01 12:00:00');
        $this->note(['price' => '1'])->assertSessionHas('lacks', 100);
    }

    public function test_files_for_the_supplier_hold_what_was_chosen(): void
    {
        $this->wanted->update(['identifiers' => ['urn:isbn:9780306406157'], 'publisher' => 'Ebb & Sons']);
        $this->fund('Books', '1000');
        $this->note(['quantity' => '3', 'price' => '12.50', 'note' => "For the 'long' line + more"]);
        $this->note(['price' => '1']);
        $first = Order::query()->orderBy('id')->firstOrFail();
        $csv = $this->post('/desk/orders/orders.csv', ['state' => 'noted'])
            ->assertOk()
            ->streamedContent();
        $this->assertSame(3, substr_count($csv, "\r\n"));
        $this->assertStringContainsString('9780306406157', $csv);
        $this->post('/desk/orders/orders.edi', ['orders' => [(string) $first->id]])->assertSessionHas('refusal');
        $this->staff->library->update(['edi_number' => '4012345000009', 'edi_supplier' => 'TIDE']);
        $bytes = (string) $this->post('/desk/orders/orders.edi', ['orders' => [(string) $first->id]])
            ->assertOk()
            ->getContent();
        // npm's "edifact" reads it and holds it against the segment table of ORDERS, directory D.96A.
        $check = new Process(['node', base_path('tests/Reference/read-edifact.cjs')], input: $bytes);
        $segments = json_decode($check->mustRun()->getOutput(), true, flags: JSON_THROW_ON_ERROR);
        $this->assertContains(['LIN', [['1'], [''], ['9780306406157', 'EN']]], $segments);
        $this->assertContains(['QTY', [['21', '3']]], $segments);
        $this->assertContains(['PRI', [['AAA', '12.50']]], $segments);
        $this->assertContains(['RFF', [['LI', (string) $first->id]]], $segments);
        $this->assertContains(['CNT', [['2', '1']]], $segments);
        $this->assertStringContainsString("'long' line + more", json_encode($segments, JSON_THROW_ON_ERROR));
    }

    private function fund(string $name, string $budget, string $year = '2026'): Fund
    {
        $this->post('/desk/funds', ['name' => $name, 'year' => $year, 'budget' => $budget]);

        return Fund::query()->where('name', $name)->firstOrFail();
    }

    /**
     * @param  array<string, string>  $with
     * @return TestResponse<Response>
     */
    private function note(array $with): TestResponse
    {
        return $this->post(
            "/desk/titles/{$this->wanted->id}/order",
            $with + [
                'form' => (string) Str::uuid(),
                'model' => 'one_copy_one_user',
                'quantity' => '1',
                'copies' => '1',
                'price' => '10',
                'fund' => (string) Fund::query()->orderBy('id')->value('id'),
            ],
        );
    }

    /**
     * @param  list<Order>  $orders
     * @return TestResponse<Response>
     */
    private function move(array $orders, string $to): TestResponse
    {
        return $this->post('/desk/orders/move', [
            'to' => $to,
            'orders' => array_map(fn(Order $order): string => (string) $order->id, $orders),
        ]);
    }
}
