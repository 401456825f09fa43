@use('App\Desk\Figures\DeskText')
@use('App\Shared\View\Dates')
@use('App\Shared\View\TitleText')
@use('FigPorch\Core\Lending\LicenceModel')
@php
    $zone = $staff->library->zone();
    $currency = $staff->library->currency;
    $most = max(1, ...array_column($calendar, 'count'));
    $all = array_sum(array_column($calendar, 'count'));
    $link = fn (?string $to): string => route('desk.renewals', array_filter(['month' => $to]), false);
@endphp
<x-desk.layout :title="__('renewals.heading')" on="licences" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('renewals.heading') }}</h1>
    @include('desk.licences.tabs', ['here' => 'renewals'])
    <p class="mb-4 max-w-[90ch]">{{ __('renewals.text') }}</p>
    <ul class="panel p-3 grid grid-cols-4 sm:grid-cols-6 lg:grid-cols-12 gap-2 mb-6" aria-label="{{
        __('renewals.by_month') }}">
        @foreach ($calendar as $of => ['count' => $count, 'cents' => $cents])
            <li><a href="{{ $link($of === $month ? null : $of) }}" @class(['grid content-end h-full rounded-control px-1
                py-1 no-underline text-center text-[14px] hover:bg-haint', 'bg-haint ring-2 ring-shutter' =>
                $of === $month]) @if ($of === $month) aria-current="true" @endif><svg viewBox="0 0 40 48"
                class="h-12 mx-auto" aria-hidden="true"><rect x="8" width="24" y="{{ 48 - 44 * $count / $most }}"
                height="{{ 44 * $count / $most }}" fill="var(--color-bar)"/><line x1="4" x2="36" y1="47.500"
                y2="47.500" stroke="var(--color-rule)"/></svg><b class="tabular-nums">{{
                    App\Shared\View\Numbers::of($count)
                }}</b><span>{{ DeskText::month($of, 'LLL yy') }}</span><span class="meta">{{ $cents > 0 ?
                DeskText::price($cents, $currency) : '–' }}</span></a></li>
        @endforeach
    </ul>
    <div class="flex flex-wrap items-baseline justify-between gap-x-4 mb-2"><h2 class="text-xl">{{ $month === null ?
        __('renewals.all_year') : DeskText::month($month) }} <span class="font-sans font-normal text-base text-soft
        tabular-nums">{{ App\Shared\View\Numbers::of($page->total()) }}</span></h2>@if ($page->total() > 0)<a
        class="link text-[15px]" href="{{ route('desk.renewals.csv', array_filter(['month' => $month]), false) }}">{{
        __('desk.csv_file') }}</a>@endif</div>
    @if ($page->isEmpty())
        <p class="panel p-6">{{ __($all === 0 ? 'renewals.none' : 'renewals.none_in_month') }}</p>
    @else
        <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('renewals.heading') }}"><table
            class="w-full text-[15px] desk-table">
            <thead><tr>@foreach (['ends', 'title', 'price', 'lent', 'per_loan', 'line', 'again'] as $of)<th scope="col"
                @class(['num' => in_array($of, ['price', 'lent', 'per_loan', 'line'], true)])>{{
                __("renewals.columns.{$of}") }}</th>@endforeach<th scope="col"><span class="sr-only">{{
                __('orders.order') }}</span></th></tr></thead>
            <tbody>@foreach ($page as $of)<tr>
                <td class="whitespace-nowrap">{{ Dates::short($of->endsAt, $zone) }}</td>
                <th scope="row" class="text-left font-normal min-w-56"><a class="font-semibold no-underline
                    hover:underline" href="{{ route('desk.title', $of->title, false) }}"><bdi>{{ $of->title->name
                    }}</bdi></a> <span class="text-soft">{{ implode(' · ', array_filter([
                    TitleText::people($of->title), TitleText::format($of->title)])) }}</span><span
                    class="meta block">{{ __("desk.models.{$of->model->value}") }} #{{ $of->id }}
                    @if ($of->copies !== null) · {{ trans_choice('orders.copies', $of->copies) }}@endif
                    @if ($of->loansBought !== null) · {{ __('desk.loans_left_of', ['left' => $of->loansLeft, 'bought' =>
                    $of->loansBought]) }}@endif</span></th>
                <td class="num">{{ $of->priceCents === 0 ? '–' : DeskText::price($of->priceCents, $currency) }}</td>
                <td class="num">{{ App\Shared\View\Numbers::of($of->lent) }}</td>
                <td class="num">{{ $of->centsPerLoan === null ? '–' : DeskText::price((int) round($of->centsPerLoan),
                    $currency) }}</td>
                <td class="num">{{ App\Shared\View\Numbers::of($of->waiting) }}</td>
                <td class="min-w-40">@if ($of->ordered)<span class="chip">{{ __('renewals.ordered') }}</span>
                    @elseif ($of->renewed === null)<span class="text-soft">{{ __('renewals.no_price') }}</span>
                    @elseif ($of->renewed->centsPerLoan === null)<span class="text-soft">{{ __('renewals.no_loans')
                    }}</span>@else{{ trans_choice('renewals.expected', max(1, (int) round($of->renewed->loans))) }},
                    <b class="font-semibold">{{ __('desk.price_each', ['price' => DeskText::price((int)
                    round($of->renewed->centsPerLoan), $currency)]) }}</b>@endif</td>
                <td class="text-right">@if ($of->model !== LicenceModel::PayPerLoan)@can('desk.licences')<a
                    class="link" href="{{ route('desk.order', ['title' => $of->title, 'model' => $of->model->value,
                    'quantity' => 1, 'copies' => $of->copies, 'loans' => $of->loansBought, 'months' => max(1, (int)
                    round(($of->endsAt->getTimestamp() - $of->startsAt->getTimestamp()) / 2629800)), 'cents' =>
                    $of->priceCents ?: null], false) }}">{{ __('renewals.renew') }}<span class="sr-only">: {{
                    $of->title->name }}</span></a>@endcan @endif</td></tr>@endforeach</tbody>
        </table></div>
        <x-pager :page="$page" />
        <details class="mt-3 text-[15px] max-w-[90ch]"><summary class="link cursor-pointer">{{ __('renewals.rests')
            }}</summary><p class="mt-2">{{ __('renewals.rests_text') }}</p></details>
    @endif
</x-desk.layout>
