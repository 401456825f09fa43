<?php

declare(strict_types=1);

namespace App\Desk\Orders;

use App\Models\Library;
use App\Models\Order;
use App\Shared\View\TitleText;
use Carbon\CarbonImmutable;
use FigPorch\Core\Exchange\Edifact\OrderLine;
use FigPorch\Core\Exchange\Edifact\OrdersMessage;
use Illuminate\Support\Collection;

/** Orders as files for a supplier. */
final class OrderFiles
{
    private const COLUMNS = [
        ...['order', 'title', 'people', 'number', 'publisher', 'format', 'model', 'quantity', 'copies', 'loans'],
        ...['months', 'price', 'sum', 'currency', 'fund', 'note', 'state'],
    ];

    /** @return list<string> */
    public function columns(): array
    {
        return array_map(fn(string $of): string => __("orders.csv.{$of}"), self::COLUMNS);
    }

    /**
     * @param  Collection<int, Order>  $orders
     * @return iterable<list<string|int|null>>
     */
    public function rows(Collection $orders): iterable
    {
        foreach ($orders as $order) {
            yield [
                $order->id,
                $order->title->name,
                TitleText::people($order->title),
                self::number($order) ?? '',
                $order->title->publisher ?? '',
                TitleText::format($order->title),
                __("desk.models.{$order->model->value}"),
                $order->quantity,
                $order->copies,
                $order->loans,
                $order->months,
                sprintf('%.2F', $order->unit_cents / 100),
                sprintf('%.2F', $order->cents() / 100),
                $order->currency,
                $order->fund->name,
                $order->note,
                __("orders.states.{$order->state->value}"),
            ];
        }
    }

    /** @param  Collection<int, Order>  $orders */
    public function edifact(Library $library, Collection $orders, CarbonImmutable $now): string
    {
        $lines = array_values(
            $orders
                ->map(
                    fn(Order $order): OrderLine => new OrderLine(
                        reference: (string) $order->id,
                        ean: self::number($order),
                        name: $order->title->name,
                        people: TitleText::people($order->title),
                        publisher: $order->title->publisher ?? '',
                        terms: implode('; ', array_filter([OrderText::terms($order), $order->note])),
                        quantity: $order->quantity,
                        unitCents: $order->unit_cents,
                    ),
                )
                ->all(),
        );

        return (new OrdersMessage(
            number: "FP{$orders->max('id')}-{$orders->count()}",
            buyer: $library->edi_number,
            supplier: $library->edi_supplier,
            currency: $library->currency,
            lines: $lines === [] ? throw new \LogicException('An order has a line.') : $lines,
            at: $now->setTimezone($library->zone()),
        ))->bytes();
    }

    /** Its ISBN or other number of 13 digits. */
    private static function number(Order $order): ?string
    {
        foreach ($order->title->standardNumbers() as $identifier) {
            if (preg_match('/^\d{13}$/D', $identifier->number) === 1) {
                return $identifier->number;
            }
        }

        return null;
    }
}
