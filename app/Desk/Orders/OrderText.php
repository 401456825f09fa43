<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Models\Order;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** An order in words and as facts. */
final class OrderText
{
    /**
     * @param  Collection<int, Order>  $orders
     * @return array<int, string> by title, the supplier's page at which it is bought
     */
    public static function buyAt(Collection $orders): array
    {
        return DB::table('supplied_titles')
            ->whereIn('title_id', $orders->pluck('title_id'))
            ->whereNotNull('buy_at')
            ->pluck('buy_at', 'title_id')
            ->all();
    }

    /** "Metered by loans: 2 copies, 26 loans, 24 months each" */
    public static function terms(Order $order): string
    {
        $each = array_filter([
            ($order->copies ?? 1) === 1 ? null : trans_choice('orders.copies', (int) $order->copies),
            $order->loans === null ? null : trans_choice('orders.loans', $order->loans),
            $order->months === null ? null : trans_choice('orders.months', $order->months),
        ]);

        return __("desk.models.{$order->model->value}") . ($each === [] ? '' : ': ' . implode(', ', $each));
    }

    /** @return array<string, array{null, int|string}> as the audit trail has them */
    public static function facts(Order $order): array
    {
        return array_map(fn(int|string $value): array => [null, $value], [
            'licence' => $order->model->value,
            'quantity' => $order->quantity,
            'price' => sprintf('%.2F', $order->unit_cents / 100) . " {$order->currency}",
            'fund' => $order->fund->name,
        ]);
    }
}
