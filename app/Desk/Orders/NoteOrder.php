<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\Fund;
use App\Models\Order;
use App\Models\StaffMember;
use App\Models\Title;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\BudgetYear;
use FigPorch\Core\Desk\OrderState;
use Illuminate\Support\Facades\DB;

/** Writes down what is to be ordered; nothing is bought by it. */
final class NoteOrder
{
    public function __construct(private readonly FundBalances $balances, private readonly RecordChange $recordChange) {}

    /**
     * @param  array<string, mixed>  $terms  columns of the order
     * @param  bool  $beyond  also where the fund has not enough
     * @return int cents that the fund lacks, and nothing was noted; 0 where it was noted
     */
    public function __invoke(
        StaffMember $by,
        Title $title,
        Fund $fund,
        array $terms,
        string $form,
        bool $beyond,
        CarbonImmutable $now,
    ): int {
        return DB::transaction(function () use ($by, $title, $fund, $terms, $form, $beyond, $now): int {
            // Two who order at once from what is left are asked one after the other.
            Fund::query()->lockForUpdate()->findOrFail($fund->id);
            if (Order::query()->where('form', $form)->exists()) {
                return 0;
            }
            $library = $by->library;
            $year = BudgetYear::of($now, $library->zone(), $library->budget_month);
            $order = new Order([
                ...$terms,
                'library_id' => $library->id,
                'title_id' => $title->id,
                'fund_id' => $fund->id,
                'year' => $year->year,
                'currency' => $library->currency,
                'state' => OrderState::Noted,
                'staff_member_id' => $by->id,
                'form' => $form,
                'noted_at' => $now,
            ]);
            $lacks = $this->balances->of($fund, $year->year)->beyond($order->cents());
            if ($lacks > 0 && !$beyond) {
                return $lacks;
            }
            $order->save();
            ($this->recordChange)($by, ChangeKind::OrderNoted, "“{$title->name}”", OrderText::facts($order), $now);

            return 0;
        });
    }
}
