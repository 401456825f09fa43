{{-- A figure as bars beside its numbers: this year's, and the year before as a line. --}}
@use('App\Desk\Figures\DeskText')
@php
    $most = $series->unit === 'percent' ? 100 : $series->most();
    $shown = fn (int|float|null $of): string => match (true) {
        $of === null => '·',
        $series->unit === 'money' => DeskText::price((int) $of, $staff->library->currency),
        $series->unit === 'percent' => $of.' %',
        $series->unit === 'days' => App\Shared\View\Numbers::of($of, 1),
        default => App\Shared\View\Numbers::of($of),
    };
@endphp
<section class="panel p-4 min-w-0" aria-labelledby="f-{{ $series->name }}">
    <div class="flex items-baseline justify-between gap-3 mb-1"><h2 id="f-{{ $series->name }}" class="text-xl">{{
        __("figures.of.{$series->name}.0") }}</h2><a class="link text-[14px]" href="{{ route('desk.figures.csv',
        ['figure' => $series->name, 'year' => $year], false) }}" aria-label="{{ __('desk.csv_of', ['what' =>
        __("figures.of.{$series->name}.0")]) }}">CSV</a></div>
    @includeWhen($series->name === 'calibration', 'desk.figures.calibration')
    @if ($series->rows === [])<p class="meta">{{ __('figures.none') }}</p>
    @else<div class="overflow-x-auto" tabindex="0" role="group" aria-label="{{ __("figures.of.{$series->name}.0")
        }}"><table class="w-full text-[14px] desk-table figure-bars">
        <thead><tr><th scope="col">{{ __("figures.of.{$series->name}.1") }}</th><th scope="col" class="w-2/5"><span
            class="sr-only">{{ __('figures.bar') }}</span></th><th scope="col" class="num">{{ $year }}</th><th
            scope="col" class="num">{{ $year - 1 }}</th></tr></thead>
        <tbody>@foreach ($series->rows as $row)<tr><th scope="row" class="text-left font-normal">@if ($row->link)<a
            href="{{ $row->link }}"><bdi>{{ $row->label }}</bdi></a>@else<bdi>{{ $row->label }}</bdi>@endif</th>
            <td><svg viewBox="0 0 100 10" preserveAspectRatio="none" class="w-full h-4 block" aria-hidden="true"><rect
                y="2" height="6" width="{{ round(100 * ($row->now ?? 0) / $most, 2) }}"
                fill="var(--color-bar)"/>@if (($row->before ?? 0) > 0)<rect y="0" height="10" width="0.8"
                x="{{ round(99.2 * $row->before / $most, 2) }}" fill="var(--color-clay)"/>@endif</svg></td>
            <td class="num">{{ $shown($row->now) }}</td><td class="num text-soft">{{ $shown($row->before) }}</td>
            </tr>@endforeach</tbody>
        @if ($series->unit === 'count' && ! in_array($series->name, ['people', 'subjects', 'titles'],
            true))<tfoot><tr><th
            scope="row" class="text-left">{{ __('figures.total') }}</th><td></td><td class="num font-semibold">{{
            App\Shared\View\Numbers::of($series->totals()[0]) }}</td><td class="num text-soft">{{
            App\Shared\View\Numbers::of($series->totals()[1]) }}</td></tr></tfoot>@endif
    </table></div>@endif
    <details class="mt-2 text-[14px]"><summary class="link cursor-pointer">{{ __('renewals.rests') }}</summary><p
        class="mt-1">{{ __("figures.of.{$series->name}.2") }}</p></details>
</section>
