@use('App\Desk\Figures\DeskText')
@use('App\Desk\Orders\OrderText')
@use('App\Shared\View\Dates')
@use('App\Shared\View\TitleText')
@use('FigPorch\Core\Desk\OrderState')
@php
    $zone = $staff->library->zone();
    $currency = $staff->library->currency;
    $may = Gate::forUser($staff)->allows('desk.licences');
    $money = fn (int $cents): string => DeskText::price($cents, $currency);
@endphp
<x-desk.layout :title="__('orders.heading')" on="orders" :staff="$staff">
    <h1 class="text-3xl mb-1">{{ __('orders.heading') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('orders.text') }}</p>
    <section aria-labelledby="funds" class="mb-7">
        <div class="flex flex-wrap items-baseline gap-x-5 gap-y-2 mb-2"><h2 id="funds"
            class="text-xl">{{ __('orders.funds') }}</h2><form class="flex items-center gap-2 text-[15px]"><input
            type="hidden" name="state" value="{{ $state->value }}"><label class="flex items-center gap-2"><span>{{
            __('orders.year') }}</span><select name="year" class="field py-1 min-h-9">@foreach ($years as $one)<option
            value="{{ $one->year }}" @selected($one->year === $year->year)>{{ $one->name() }}</option>@endforeach
            </select></label><button class="btn btn-quiet py-1.5 min-h-9">{{ __('orders.show') }}</button></form></div>
        @if ($funds === [])<p class="panel p-5 mb-3">{{ __('orders.no_funds') }}</p>
        @else<div class="panel overflow-x-auto mb-3" tabindex="0" role="group" aria-label="{{ __('orders.funds')
            }}"><table class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col">{{ __('orders.fund') }}</th><th scope="col" class="num">{{
                __('orders.budget') }}</th>@foreach (['received', 'ordered', 'noted'] as $of)<th
                scope="col" class="num">{{ __("orders.tabs.{$of}") }}</th>@endforeach<th scope="col" class="num">{{
                    __('orders.left') }}</th>@if ($may)<th scope="col"><span class="sr-only">{{
                __('orders.change') }}</span></th>@endif</tr></thead>
            <tbody>@foreach ($funds as ['fund' => $fund, 'balance' => $balance])<tr>
                <th scope="row" class="text-left font-semibold"><bdi>{{ $fund->name }}</bdi>@if ($fund->closed) <span
                    class="meta font-normal">{{ __('orders.closed') }}</span>@endif</th>
                <td class="num">{{ $money($balance->budget) }}</td><td class="num">{{ $money($balance->received) }}</td>
                <td class="num">{{ $money($balance->ordered) }}</td><td class="num">{{ $money($balance->noted) }}</td>
                <td @class(['num font-semibold', 'text-clay' => $balance->left() < 0])>{{ $balance->left() < 0 ?
                    __('orders.over', ['over' => $money(-$balance->left())]) : $money($balance->left()) }}</td>
                @if ($may)<td class="text-right"><details class="inline-block text-left"><summary
                    class="link cursor-pointer">{{ __('orders.change') }}<span class="sr-only">: {{ $fund->name
                    }}</span></summary>
                    <form method="post" action="{{ route('desk.fund.budget', $fund, false) }}" class="flex flex-wrap
                        items-end gap-2 my-2">@csrf<input type="hidden" name="year" value="{{ $year->year }}"><label
                        class="grid gap-1"><span>{{ __('orders.budget_in', ['year' => $year->name(), 'currency' =>
                        $currency]) }}</span><input name="budget" required inputmode="decimal" class="field py-1.5
                        min-h-9 w-36 text-right" value="{{ DeskText::money($balance->budget) }}"></label><button
                        class="btn btn-quiet">{{ __('orders.keep') }}</button></form>
                    <form method="post" action="{{ route('desk.fund.close', $fund, false) }}" class="mb-2">@csrf<input
                        type="hidden" name="closed" value="{{ $fund->closed ? 0 : 1 }}">@if (! $fund->closed)<p
                        class="meta max-w-60 whitespace-normal mb-1">{{ __('orders.close_text') }}</p>@endif<button
                        class="btn btn-quiet">{{ $fund->closed ? __('orders.open_again') : __('orders.close')
                        }}</button></form></details></td>@endif</tr>@endforeach</tbody>
        </table></div>@endif
        @if ($may)<details class="panel px-4 py-3" @if ($funds === [] || old('name') !== null) open @endif><summary
            class="font-semibold cursor-pointer">{{ __('orders.add_fund') }}</summary>
            <form method="post" action="{{ route('desk.funds.add', absolute: false) }}" class="mt-3 flex flex-wrap
                items-end gap-3 text-[15px]">@csrf<input type="hidden" name="year" value="{{ $year->year }}"><label
                class="grid gap-1"><span>{{ __('orders.fund_name') }}</span><input name="name" required maxlength="60"
                value="{{ old('name') }}" class="field"></label><label class="grid gap-1"><span>{{
                __('orders.budget_in', ['year' => $year->name(), 'currency' => $currency]) }}</span><input
                name="budget" required inputmode="decimal" value="{{ old('budget') }}"
                class="field w-40 text-right"></label><button class="btn btn-quiet">{{ __('orders.add_fund')
                }}</button></form></details>@endif
    </section>
    <nav aria-label="{{ __('orders.heading') }}" class="flex flex-wrap gap-2 mb-3">
        @foreach (OrderState::cases() as $one)<a href="{{ route('desk.orders', ['state' => $one->value, 'year' =>
            $year->year], false) }}"
        @class(['chip', 'font-semibold ring-2 ring-shutter' => $one === $state]) @if ($one === $state)
        aria-current="true" @endif>{{ __("orders.tabs.{$one->value}") }} <b class="tabular-nums">{{
        App\Shared\View\Numbers::of((int) ($counts[$one->value] ?? 0)) }}</b></a>@endforeach</nav>
    @if ($orders->isEmpty())
        <p class="panel p-6">{{ __("orders.none.{$state->value}") }}</p>
    @else
        @php($acts = $may ? array_filter(OrderState::cases(), fn (OrderState $to): bool => $state->mayBecome($to)) : [])
        <form method="post" action="{{ route('desk.orders.move', absolute: false) }}" id="orders">@csrf
            <div class="panel overflow-x-auto mb-3" tabindex="0" role="group" aria-label="{{ __('orders.heading')
                }}"><table class="w-full text-[15px] desk-table">
                <thead><tr><th scope="col"><span class="sr-only">{{ __('orders.columns.choose') }}</span></th>
                    @foreach (['title', 'terms', 'quantity', 'price', 'sum', 'fund', 'when'] as $of)<th scope="col"
                    @class(['num' => in_array($of, ['quantity', 'price', 'sum'], true)])>{{
                    __("orders.columns.{$of}") }}</th>@endforeach</tr></thead>
                <tbody>@foreach ($orders as $order)<tr>
                    <td><input type="checkbox" name="orders[]" value="{{ $order->id }}" class="accent-shutter w-4 h-4"
                        aria-label="{{ __('orders.columns.choose') }}: {{ $order->title->name }}"></td>
                    <th scope="row" class="text-left font-normal min-w-52"><a class="font-semibold no-underline
                        hover:underline" href="{{ route('desk.title', $order->title_id, false) }}"><bdi>{{
                        $order->title->name }}</bdi></a> <span class="text-soft">{{ implode(' · ', array_filter([
                        TitleText::people($order->title), TitleText::format($order->title)]))
                        }}</span> @if ($order->note !== '')<span class="meta block"><bdi>{{ $order->note
                            }}</bdi></span>@endif @if (isset($buyAt[$order->title_id]))<a class="link text-[15px]
                            block" rel="noopener noreferrer" target="_blank" href="{{ $buyAt[$order->title_id] }}">{{
                            __('orders.at_supplier') }}<span class="sr-only">: {{ $order->title->name
                            }}</span></a>@endif</th>
                    <td class="min-w-40">{{ OrderText::terms($order) }}</td>
                    <td class="num">{{ App\Shared\View\Numbers::of($order->quantity) }}</td>
                    <td class="num">{{ DeskText::price($order->unit_cents, $order->currency) }}</td>
                    <td class="num font-semibold">{{ DeskText::price($order->cents(), $order->currency) }}</td>
                    <td><bdi>{{ $order->fund->name }}</bdi></td>
                    <td class="whitespace-nowrap">{{ Dates::short($order->ended_at ?? $order->ordered_at ??
                        $order->noted_at, $zone) }}<span class="meta block">{{ $order->member->name }}</span></td>
                    </tr>@endforeach</tbody>
            </table></div>
            <div class="flex flex-wrap items-center gap-3">
                @foreach ($acts as $to)<button name="to" value="{{ $to->value }}" @class(['btn', 'btn-quiet' =>
                    ! $loop->first, 'text-clay' => $to === OrderState::Cancelled])>{{ __("orders.act.{$to->value}")
                    }}</button>@endforeach
                <span class="text-[15px] ml-auto flex flex-wrap items-center gap-x-3">{{ __('orders.files') }}
                    @foreach (['csv' => 'CSV', 'edi' => 'EDIFACT'] as $kind => $word)<button name="state"
                    value="{{ $state->value }}" class="link" formaction="{{
                    route('desk.orders.file', $kind, false) }}">{{ $word }}</button>@endforeach</span></div>
        </form>
        <x-pager :page="$orders" />
    @endif
</x-desk.layout>
