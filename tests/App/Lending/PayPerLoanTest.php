<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Borrowing\BorrowTitle;
use App\Models\Card;
use App\Models\Title;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\App\TestCase;

final class PayPerLoanTest extends TestCase
{
    private function tryToBorrow(Card $card, Title $title): ?Refusal
    {
        $outcome = app(BorrowTitle::class)($card->id, $title->id, null, $this->now());

        return $outcome instanceof Refused ? $outcome->reason : null;
    }

    private function paid(string $name, int $price = 200): Title
    {
        $this->licence($title = $this->title($name), M::PayPerLoan, price: $price);

        return $title;
    }

    public function test_the_librarys_budget_and_the_cards_cap_hold_and_begin_anew_each_month(): void
    {
        $this->library()->update(['pay_per_loan_budget_cents' => 1000]);
        $titles = array_map(fn(int $i): Title => $this->paid("Paid {$i}"), range(1, 7));
        [$one, $two] = [$this->card(), $this->card()];
        foreach ([0, 1, 2] as $i) {
            $this->assertNull($this->tryToBorrow($one, $titles[$i]));
        }
        $this->assertSame(Refusal::PayPerLoanCap, $this->tryToBorrow($one, $titles[3]), 'three a month on a card');
        $this->assertNull($this->tryToBorrow($two, $titles[3]));
        $this->assertNull($this->tryToBorrow($two, $titles[4]));
        $this->assertSame(Refusal::PayPerLoanBudget, $this->tryToBorrow($two, $titles[5]), '1000 cents are spent');
        $this->assertSame([1000], DB::table('pay_per_loan_months')->pluck('spent_cents')->all());
        $this->assertEveryCountIsTrue();

        $this->be($one->person)
            ->get("/titles/{$titles[5]->id}")
            ->assertSee('Ready again on 1 June')
            ->assertSee('used up');
        $this->assertSame(0, $this->get('/catalogue?ready=1')->viewData('page')->total(), 'not listed as ready');

        // Midnight of the first of June in the Azores is at 00:00 UTC.
        $this->travelTo('2026-06-01 00:00:01');
        Artisan::call('lending:tick');
        $this->assertNull($this->tryToBorrow($one, $titles[5]));
        $this->assertSame(2, DB::table('pay_per_loan_months')->count());
        $this->assertEveryCountIsTrue();
    }

    public function test_copies_go_before_money_and_money_before_waiting(): void
    {
        $this->library()->update(['pay_per_loan_budget_cents' => 1000]);
        $title = $this->paid('Both');
        $copy = $this->licence($title);
        $this->assertSame($copy->id, $this->borrow($this->card(), $title)->licence_id);
        $this->be(($card = $this->card())->person)
            ->get("/titles/{$title->id}")
            ->assertSee('pays for this loan by itself');
        $this->get("/titles/{$title->id}/borrow")->assertSee('you have 3 of 3 left this month');
        $this->assertSame(200, $this->borrow($card, $title)->refresh()->getAttribute('paid_cents'));
    }

    public function test_the_database_refuses_to_spend_more_than_the_budget(): void
    {
        $this->expectException(QueryException::class);
        DB::table('pay_per_loan_months')->insert([
            'library_id' => $this->library()->id,
            'month' => '2026-05-01',
            'budget_cents' => 100,
            'spent_cents' => 101,
        ]);
    }
}
