<?php

declare(strict_types=1);

namespace Tests\App\Lending;

use App\Lending\Loans\RenewLoan;
use App\Models\Loan;
use Carbon\CarbonImmutable;
use FigPorch\Core\Lending\Granted;
use FigPorch\Core\Lending\LicenceModel as M;
use FigPorch\Core\Lending\Refusal;
use FigPorch\Core\Lending\Refused;
use Tests\App\TestCase;

final class RenewalTest extends TestCase
{
    private function renew(Loan $loan): Granted|Refused
    {
        return app(RenewLoan::class)($loan, null, $this->now()->toDateTimeImmutable());
    }

    private function reason(Granted|Refused $outcome): ?Refusal
    {
        return $outcome instanceof Refused ? $outcome->reason : null;
    }

    public function test_a_loan_is_renewed_in_its_window_and_from_its_due_time(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($card = $this->card(), $title);
        $this->be($card->person)
            ->get('/loans')
            ->assertSee('Can be renewed from 12 May')
            ->assertDontSee('/renew', false);
        $this->assertSame(Refusal::TooEarlyToRenew, $this->reason($this->renew($loan)));

        $this->travelTo($loan->due_at->subDays(2));
        $this->get('/loans')->assertSee("/loans/{$loan->id}/renew", false);
        $this->post("/loans/{$loan->id}/renew")->assertSessionHas('said');
        $this->assertEquals($loan->due_at->addDays(14), $loan->fresh()?->due_at);
        $this->assertSame(1, $loan->fresh()?->renewals);
        $this->assertSame(
            Refusal::TooEarlyToRenew,
            $this->reason($this->renew($loan)),
            'the form sent twice renews once',
        );
        $this->assertEveryCountIsTrue();
    }

    public function test_not_while_others_wait_unless_a_copy_is_free_for_them(): void
    {
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $hold = $this->hold($this->card(), $title);
        $this->travelTo($loan->due_at->subDay());
        $this->assertSame(Refusal::OthersWait, $this->reason($this->renew($loan)));

        $hold->update(['state' => 'paused', 'paused_until' => $this->now()->addDays(30)]);
        $this->assertInstanceOf(Granted::class, $this->renew($loan), 'a paused hold does not wait');
    }

    public function test_a_renewal_spends_a_counted_loan_and_stops_when_none_is_left(): void
    {
        $licence = $this->licence($title = $this->title(), M::MeteredByLoans, loans: 2);
        $loan = $this->borrow($this->card(), $title);
        $this->travelTo($loan->due_at->subDay());
        $this->assertInstanceOf(Granted::class, $this->renew($loan));
        $this->assertSame(0, $licence->refresh()->loans_left);
        $this->travelTo($loan->refresh()->due_at->subDay());
        $this->assertSame(Refusal::LicenceEnded, $this->reason($this->renew($loan)));
        $this->assertEveryCountIsTrue();
    }

    /**
     * Clocks go back in the Azores on 25 October 2026, at 01:00 UTC: the same wall-clock time is an hour later in UTC.
     */
    public function test_a_change_of_clocks_does_not_move_the_due_time_on_the_wall(): void
    {
        $this->travelTo(CarbonImmutable::parse('2026-10-20 18:00', 'Atlantic/Azores'));
        $this->licence($title = $this->title());
        $loan = $this->borrow($this->card(), $title);
        $this->assertSame('2026-11-03 18:00', $loan->due_at->setTimezone('Atlantic/Azores')->format('Y-m-d H:i'));
        $this->assertSame(14 * 24 + 1, (int) $loan->started_at->diffInHours($loan->due_at));
    }
}
