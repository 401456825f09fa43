<?php

declare(strict_types=1);

namespace Tests\Core\Desk;

use DateTimeImmutable;
use DateTimeZone;
use FigPorch\Core\Desk\BudgetYear;
use FigPorch\Core\Desk\FundBalance;
use FigPorch\Core\Desk\OrderState;
use PHPUnit\Framework\TestCase;

final class BudgetTest extends TestCase
{
    public function test_a_budget_year_begins_by_the_librarys_own_calendar(): void
    {
        $zone = new DateTimeZone('Pacific/Auckland');
        $year = fn(string $at, int $month): string => BudgetYear::of(new DateTimeImmutable($at), $zone, $month)->name();
        // Auckland is 12 or 13 hours ahead.
        $this->assertSame('2026', $year('2025-12-31 11:30 UTC', 1));
        $this->assertSame('2025', $year('2025-12-31 10:30 UTC', 1));
        $this->assertSame('2025/26', $year('2026-06-30 11:30 UTC', 7));
        $this->assertSame('2026/27', $year('2026-06-30 12:30 UTC', 7));
        $this->assertSame('2099/00', $year('2099-12-01 00:00 UTC', 4));
    }

    public function test_what_is_promised_is_not_left(): void
    {
        $fund = new FundBalance(budget: 10_000, noted: 1_000, ordered: 2_000, received: 3_000);
        $this->assertSame(4_000, $fund->left());
        $this->assertSame(0, $fund->beyond(4_000));
        $this->assertSame(1, $fund->beyond(4_001));
        $this->assertSame(5_500, (new FundBalance(0, noted: 500))->beyond(5_000));
    }

    public function test_what_has_come_or_was_cancelled_stays_so(): void
    {
        $ways = [];
        foreach (OrderState::cases() as $from) {
            $ways[$from->value] = array_values(
                array_map(
                    fn(OrderState $to): string => $to->value,
                    array_filter(OrderState::cases(), $from->mayBecome(...)),
                ),
            );
        }
        $this->assertSame(
            [
                'noted' => ['ordered', 'received', 'cancelled'],
                'ordered' => ['received', 'cancelled'],
                'received' => [],
                'cancelled' => [],
            ],
            $ways,
        );
    }
}
