@use('App\Desk\Figures\DeskText')
@use('App\Desk\Weeding\UnlentTitles')
@use('App\Shared\View\Dates')
@use('App\Shared\View\TitleText')
@use('FigPorch\Core\Catalogue\Format')
@php
    $zone = $staff->library->zone();
    $currency = $staff->library->currency;
@endphp
<x-desk.layout :title="__('weeding.heading')" on="licences" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('weeding.heading') }}</h1>
    @include('desk.licences.tabs', ['here' => 'weeding'])
    <p class="mb-4 max-w-[90ch]">{{ __('weeding.text') }}</p>
    <form action="/desk/weeding" class="flex flex-wrap items-end gap-x-4 gap-y-2 mb-4 text-[15px]">
        <label class="grid gap-1"><span>{{ __('weeding.not_lent') }}</span><select name="months"
            class="field py-1.5 min-h-9">@foreach (UnlentTitles::MONTHS as $of)<option value="{{ $of }}"
            @selected($of === $months)>{{ trans_choice('orders.months', $of) }}</option>@endforeach</select></label>
        <label class="grid gap-1"><span>{{ __('common.format') }}</span><select name="format"
            class="field py-1.5 min-h-9"><option value="">{{ __('common.all_formats')
            }}</option>@foreach (Format::lent() as $of)<option value="{{ $of->value }}" @selected($of === $format)>{{
            __("catalogue.formats.{$of->value}") }}</option>@endforeach</select></label>
        <button class="btn btn-quiet">{{ __('weeding.show') }}</button>
    </form>
    <div class="flex flex-wrap items-baseline justify-between gap-x-4 mb-2"><h2 class="text-xl">{{
        trans_choice('weeding.found', $page->total(), ['count' => App\Shared\View\Numbers::of($page->total()), 'months'
            => $months])
        }}</h2>@if ($page->total() > 0)<a class="link text-[15px]" href="{{ route('desk.weeding.csv',
        array_filter(['months' => $months, 'format' => $format?->value]), false) }}">{{ __('desk.csv_file')
        }}</a>@endif</div>
    @if ($page->isEmpty())
        <p class="panel p-6">{{ __('weeding.none') }}</p>
    @else
        <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('weeding.heading') }}"><table
            class="w-full text-[15px] desk-table">
            <thead><tr>@foreach (['title', 'copies', 'lent', 'last', 'since', 'ends', 'paid', 'yearly'] as $of)<th
                scope="col" @class(['num' => in_array($of, ['copies', 'lent', 'paid', 'yearly'], true)])>{{
                __("weeding.columns.{$of}") }}</th>@endforeach</tr></thead>
            <tbody>@foreach ($page as $of)<tr>
                <th scope="row" class="text-left font-normal min-w-56"><a class="font-semibold no-underline
                    hover:underline" href="{{ route('desk.title', $of->title, false) }}"><bdi>{{ $of->title->name
                    }}</bdi></a> <span class="text-soft">{{ implode(' · ', array_filter([
                    TitleText::people($of->title), TitleText::format($of->title)])) }}</span></th>
                <td class="num">{{ $of->copies ?? '–' }}</td><td class="num">{{ App\Shared\View\Numbers::of($of->lent)
                    }}</td>
                <td class="whitespace-nowrap">{{ $of->lastLentAt === null ? __('weeding.never') :
                    Dates::short($of->lastLentAt, $zone) }}</td>
                <td class="whitespace-nowrap">{{ Dates::short($of->since, $zone) }}</td>
                <td class="whitespace-nowrap">{{ $of->endsAt === null ? __('desk.no_end') : Dates::short($of->endsAt,
                    $zone) }}</td>
                <td class="num">{{ $of->paidCents === 0 ? '–' : DeskText::price($of->paidCents, $currency) }}</td>
                <td class="num font-semibold">{{ $of->yearlyCents === 0 ? '–' : DeskText::price($of->yearlyCents,
                    $currency) }}</td></tr>@endforeach</tbody>
        </table></div>
        <x-pager :page="$page" />
        <details class="mt-3 text-[15px] max-w-[90ch]"><summary class="link cursor-pointer">{{ __('renewals.rests')
            }}</summary><p class="mt-2">{{ __('weeding.rests_text') }}</p></details>
    @endif
</x-desk.layout>
