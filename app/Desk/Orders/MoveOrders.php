<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Desk\Titles\ChangeLicences;
use App\Desk\Titles\LicenceOrder;
use App\Desk\Titles\OrderKind;
use App\Desk\Trail\ChangeKind;
use App\Desk\Trail\RecordChange;
use App\Models\Order;
use App\Models\StaffMember;
use Carbon\CarbonImmutable;
use FigPorch\Core\Desk\OrderState;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Orders go out, come in or are cancelled. What comes in is a licence at once, and those in line get its copies. */
final class MoveOrders
{
    public function __construct(
        private readonly ChangeLicences $changeLicences,
        private readonly RecordChange $recordChange,
    ) {}

    /**
     * @param  list<int>  $ids  those of other libraries, and those that cannot go there any more, are left as they are
     * @return Collection<int, Order> those that went there
     */
    public function __invoke(StaffMember $by, array $ids, OrderState $to, CarbonImmutable $now): Collection
    {
        return DB::transaction(function () use ($by, $ids, $to, $now): Collection {
            $orders = Order::query()
                ->where('library_id', $by->library_id)
                ->whereIn('id', $ids)
                ->orderBy('id')
                ->lockForUpdate()
                ->with(['title.contributors', 'fund'])
                ->get()
                ->filter(fn(Order $order): bool => $order->state->mayBecome($to))
                ->values();
            foreach ($orders as $order) {
                $order->fill(
                    match ($to) {
                        OrderState::Noted => [],
                        OrderState::Ordered => ['ordered_at' => $now],
                        OrderState::Received => ['ended_at' => $now, 'licence_id' => $this->receive($by, $order, $now)],
                        OrderState::Cancelled => ['ended_at' => $now],
                    },
                );
                $order->state = $to;
                $order->save();
                ($this->recordChange)(
                    $by,
                    match ($to) {
                        OrderState::Noted => ChangeKind::OrderNoted,
                        OrderState::Ordered => ChangeKind::OrderSent,
                        OrderState::Received => ChangeKind::OrderReceived,
                        OrderState::Cancelled => ChangeKind::OrderCancelled,
                    },
                    "“{$order->title->name}”",
                    OrderText::facts($order),
                    $now,
                );
            }

            return $orders;
        }, attempts: 3);
    }

    /** @return int the licence that it became: one row for all that were bought together */
    private function receive(StaffMember $by, Order $order, CarbonImmutable $now): int
    {
        $ends =
            $order->months === null
                ? null
                : $now->setTimezone($by->library->zone())->addMonthsNoOverflow($order->months)->setTime(23, 59, 59);
        ($this->changeLicences)(
            $by,
            new LicenceOrder(
                id: $order->form,
                what: OrderKind::Add,
                titleId: $order->title_id,
                licence: null,
                model: $order->model,
                copies: $order->copies === null ? null : $order->quantity * $order->copies,
                loans: $order->loans === null ? null : $order->quantity * $order->loans,
                endsAt: $ends,
                priceCents: $order->cents(),
                shared: $order->shared,
                rights: $order->rights(),
            ),
            $now,
        );

        return (int) DB::table('licence_changes')->where('order_id', $order->form)->value('licence_id');
    }
}
