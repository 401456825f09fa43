@use('App\Desk\Figures\DeskText')
@use('App\Shared\View\Dates')
@php
    $loudest = max(1, ...array_map(fn (array $of): int => max(0, ...array_map(intval(...), $of)), $hours));
@endphp
<x-desk.layout :title="__('figures.heading')" on="figures" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('figures.heading') }}</h1>
    @include('desk.figures.tabs', ['here' => 'figures'])
    <div class="flex flex-wrap items-center gap-x-6 gap-y-2 mb-3"><p class="max-w-[80ch] grow">{{ __('figures.text') }}
        <span class="inline-flex items-center gap-1.5 whitespace-nowrap"><svg width="18" height="10"
        aria-hidden="true"><rect y="2" width="18" height="6" fill="var(--color-bar)"/></svg>{{ $year }}</span>
        <span class="inline-flex items-center gap-1.5 whitespace-nowrap"><svg width="3" height="12"
        aria-hidden="true"><rect width="3" height="12" fill="var(--color-clay)"/></svg>{{ $year - 1 }}</span></p>
        <form class="flex items-center gap-2 text-[15px]"><label for="year">{{ __('figures.year') }}</label><select
            id="year" name="year" class="field py-1 min-h-9">@foreach ($years as $of)<option @selected($of === $year)>{{
            $of }}</option>@endforeach</select><button class="btn btn-quiet">{{ __('orders.show') }}</button></form>
    </div>
    <p class="meta mb-4">{{ __('figures.counted', ['at' => Dates::exact($at, $staff->library->zone())]) }}</p>
    <div class="grid grid-cols-1 lg:grid-cols-2 gap-5">
        @foreach ($series as $one)@include('desk.figures.series', ['series' => $one])@endforeach
    </div>
    <section class="panel p-4 mt-5" aria-labelledby="f-hours">
        <div class="flex items-baseline justify-between gap-3 mb-2"><h2 id="f-hours" class="text-xl">{{
            __('figures.of.hours.0') }}</h2><a class="link text-[14px]" href="{{ route('desk.figures.csv', ['figure' =>
            'hours', 'year' => $year], false) }}" aria-label="{{ __('desk.csv_of', ['what' =>
            __('figures.of.hours.0')]) }}">CSV</a></div>
        <div class="overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('figures.of.hours.0') }}"><table
            class="text-[13px] w-full heat"><thead><tr><th scope="col"><span class="sr-only">{{
            __('figures.of.hours.1') }}</span></th>@for ($hour = 0; $hour < 24; $hour++)<th scope="col"
            class="font-normal text-soft">{{ $hour }}</th>@endfor</tr></thead>
            <tbody>@foreach ($hours as $weekday => $of)<tr><th scope="row" class="text-left font-normal pr-2">{{
                DeskText::weekday($weekday) }}</th>@foreach ($of as $n)<td class="relative text-center p-0"><svg
                viewBox="0 0 10 10" preserveAspectRatio="none" class="absolute inset-0 w-full h-full"
                aria-hidden="true"><rect width="10" height="10" fill="var(--color-haint-deep)"
                opacity="{{ round(($n ?? 0) / $loudest, 2) }}"/></svg><span class="relative tabular-nums">{{ $n === null
                ? '·' : ($n === 0 ? '' : App\Shared\View\Numbers::of($n))
                    }}</span></td>@endforeach</tr>@endforeach</tbody></table>
        </div>
        <p class="meta mt-2">{{ __('figures.of.hours.2') }}</p>
    </section>
</x-desk.layout>
