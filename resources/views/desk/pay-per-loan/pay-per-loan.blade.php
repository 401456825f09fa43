@use('App\Desk\Figures\DeskText')
@use('App\Shared\View\Dates')
@php
    $zone = $staff->library->zone();
    $currency = $staff->library->currency;
    $price = fn (int $cents): string => DeskText::price($cents, $currency);
    $here = $now->setTimezone($zone)->format('Y-m');
    [$from, $to] = $forecast->range();
    $used = $forecast->usedUpIn();
    $share = $forecast->budget > 0 ? min(1, $forecast->spent / $forecast->budget) : 0;
    $may = Gate::allows('desk.licences');
@endphp
<x-desk.layout :title="__('paid.heading')" on="licences" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('paid.heading') }}</h1>
    @include('desk.licences.tabs', ['here' => 'pay-per-loan'])
    <p class="mb-4 max-w-[90ch]">{{ __('paid.text') }}</p>
    <section class="panel p-5 mb-6 grid md:grid-cols-[1fr_1fr_1fr] gap-5" aria-labelledby="this-month">
        <h2 id="this-month" class="text-xl md:col-span-3 -mb-2">{{ DeskText::month($here) }}</h2>
        <div><b class="block font-serif text-3xl leading-tight">{{ $price($forecast->spent) }}</b>{{ __('paid.spent_of',
            ['budget' => $price($forecast->budget)]) }}<progress class="reading-progress mt-2" max="1"
            value="{{ round($share, 3) }}" aria-label="{{ __('paid.spent') }}"></progress></div>
        <div><b class="block font-serif text-3xl leading-tight">{{ $price(min($forecast->expected(),
            max($forecast->budget, $forecast->spent))) }}</b>{{ __('paid.expected') }} <span class="meta block">{{
            __('paid.between', ['from' => $price(min($from, max($forecast->budget, $forecast->spent))), 'to' =>
            $price(min($to, max($forecast->budget, $forecast->spent)))]) }}</span></div>
        <div>@if ($used !== null)<b class="block text-clay">{{ $used <= 0 ? __('paid.used_up') : __('paid.used_up_on',
            ['date' => Dates::day($now->addSeconds((int) ($used * 86400)), $zone)]) }}</b>{{
            __('paid.used_up_text') }}@else<b class="block">{{ __('paid.lasts') }}</b>@endif
            <p class="meta mt-2">{{ $cap === null ? __('paid.no_cap') : trans_choice('paid.cap', $cap) }}
            @can('desk.rules')<a class="link" href="/desk/rules">{{ __('desk.rules') }}</a>@endcan</p></div>
    </section>
    <div class="grid grid-cols-1 lg:grid-cols-2 gap-8">
        <section aria-labelledby="months" class="min-w-0"><h2 id="months" class="text-xl mb-2">{{ __('paid.months')
            }}</h2>
            @if ($may)<form method="post" action="{{ route('desk.paid.budget', absolute: false) }}"
                class="mb-3 text-[15px]">@csrf<input type="hidden" name="month" value=""><label for="usual"
                class="block mb-1">{{ __('paid.usual', ['currency' => $currency]) }}</label><span class="flex
                gap-2"><input id="usual" name="budget" inputmode="decimal" required class="field py-1.5 min-h-9 w-36
                text-right" value="{{ DeskText::money($staff->library->pay_per_loan_budget_cents) }}"><button
                class="btn btn-quiet">{{ __('orders.keep') }}</button></span></form>@endif
            <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('paid.months') }}"><table
                class="w-full text-[15px] desk-table"><thead><tr><th scope="col">{{ __('desk.month') }}</th><th
                scope="col" class="num">{{ __('orders.budget') }}</th><th scope="col" class="num">{{ __('paid.spent')
                }}</th><th scope="col" class="num">{{ __('paid.loans') }}</th>@if ($may)<th scope="col"><span
                class="sr-only">{{ __('orders.change') }}</span></th>@endif</tr></thead>
                <tbody>@foreach ($months as $of)<tr><th scope="row" @class(['text-left whitespace-nowrap',
                    'font-normal' => $of['month'] !== $here])>{{ DeskText::month($of['month']) }}</th><td
                    class="num">{{ $price($of['budget']) }}</td><td class="num">{{ $price($of['spent']) }}</td><td
                    class="num">{{ App\Shared\View\Numbers::of($of['loans']) }}</td>
                    @if ($may)<td class="text-right">@if ($of['month'] >= $here)<details><summary
                        class="link cursor-pointer">{{ __('orders.change') }}<span class="sr-only">: {{
                        DeskText::month($of['month']) }}</span></summary><form method="post" action="{{
                        route('desk.paid.budget', absolute: false) }}" class="flex flex-wrap items-end justify-end gap-2
                        my-2">@csrf<input type="hidden" name="month" value="{{ $of['month'] }}"><input name="budget"
                        inputmode="decimal" required class="field py-1.5 min-h-9 w-32 text-right" value="{{
                        DeskText::money($of['budget']) }}" aria-label="{{ __('paid.budget_of', ['month' =>
                        DeskText::month($of['month'])]) }}"><button class="btn btn-quiet">{{ __('orders.keep')
                        }}</button></form></details>@endif</td>@endif</tr>@endforeach</tbody></table></div></section>
        <section aria-labelledby="dearest" class="min-w-0"><h2 id="dearest" class="text-xl mb-2">{{ __('paid.dearest')
            }}</h2>
            @if ($dearest === [])<p class="panel p-5">{{ __('paid.none') }}</p>
            @else<div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('paid.dearest')
                }}"><table class="w-full text-[15px] desk-table"><thead><tr><th scope="col">{{
                    __('orders.columns.title')
                }}</th><th scope="col" class="num">{{ __('paid.loans') }}</th><th scope="col" class="num">{{
                __('paid.spent') }}</th></tr></thead><tbody>@foreach ($dearest as $of)<tr><th scope="row"
                class="text-left font-normal"><a class="font-semibold no-underline hover:underline" href="{{
                route('desk.title', $of->id, false) }}"><bdi>{{ $of->name }}</bdi></a> <span class="text-soft">{{
                __("catalogue.format.{$of->format}") }}</span></th><td class="num">{{
                    App\Shared\View\Numbers::of($of->loans) }}</td>
                <td class="num">{{ $price((int) $of->cents)
                    }}</td></tr>@endforeach</tbody></table></div>@endif</section>
    </div>
    <details class="mt-5 text-[15px] max-w-[90ch]"><summary class="link cursor-pointer">{{ __('renewals.rests')
        }}</summary><p class="mt-2">{{ __('paid.rests_text') }}</p></details>
</x-desk.layout>
