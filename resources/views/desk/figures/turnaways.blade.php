@use('App\Desk\Figures\DeskText')
@php($most = max(1, ...array_values($byMonth)))
<x-desk.layout :title="__('figures.turnaways_heading')" on="figures" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('figures.turnaways_heading') }}</h1>
    @include('desk.figures.tabs', ['here' => 'turnaways'])
    <p class="mb-4 max-w-[90ch]">{{ __('figures.turnaways_text') }}</p>
    <div class="panel px-4 py-3 mb-5">
        <svg viewBox="0 0 760 112" class="w-full h-auto coming-up small" role="group"
            aria-label="{{ __('figures.by_month') }}">
            <line x1="0" x2="760" y1="94.500" y2="94.500" stroke="var(--color-rule)"/>
            @foreach ($months as $n => $each)
                @php([$x, $high] = [$n * 62 + 12, 76 * $byMonth[$each] / $most])
                <a href="/desk/turnaways?month={{ $each }}" aria-label="{{ DeskText::month($each) }}: {{ $byMonth[$each]
                    }}">
                    <rect x="{{ $x }}" y="{{ 94 - $high }}" width="42" height="{{ $high }}" fill="var(--color-lamp)"
                        stroke="#b67b0d" stroke-width="{{ $each === $month ? 2.500 : ($high > 0 ? 1 : 0) }}"/>
                    <text x="{{ $x + 21 }}" y="{{ 90 - $high }}" text-anchor="middle"
                        fill="currentColor">{{ $byMonth[$each] }}</text>
                    <text x="{{ $x + 21 }}" y="108" text-anchor="middle" fill="var(--color-soft)" @if ($each === $month)
                        font-weight="700" @endif>{{ DeskText::month($each, 'LLL') }}</text>
                </a>
            @endforeach
        </svg>
    </div>
    <div class="flex flex-wrap items-end justify-between gap-3 mb-2">
        <form action="/desk/turnaways" class="flex flex-wrap items-center gap-2 text-[15px]">@if ($month !== null)<input
            type="hidden" name="month" value="{{ $month }}"><a class="chip"
            href="{{ route('desk.turnaways', array_filter(['reason' => $reason]), false) }}"
            aria-label="{{ __('catalogue.remove_filter', ['name' => DeskText::month($month)]) }}">{{
            DeskText::month($month) }} <span aria-hidden="true">✕</span></a>@endif<label
            for="reason">{{ __('figures.reason') }}</label>
            <select id="reason" name="reason" data-submit-on-change class="field py-1.5 min-h-9"><option
                value="">{{ __('figures.any_reason') }}</option>@foreach (__('figures.reasons') as $name =>
                    $words)<option
                value="{{ $name }}" @selected($reason === $name)>{{ $words }}</option>@endforeach</select>
            <noscript><button class="btn btn-quiet">{{ __('catalogue.apply') }}</button></noscript></form>
        @if ($page->total() > 0)<a class="link text-[15px]"
            href="{{ route('desk.turnaways.csv', array_filter(['reason' => $reason, 'month' => $month]), false) }}">{{
            __('desk.csv_file') }}</a>@endif
    </div>
    @if ($page->isEmpty())
        <p class="panel p-6">{{ __('figures.no_turnaways') }}</p>
    @else
        <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('figures.turnaways_heading') }}">
            <table class="w-full text-[15px] desk-table desk-figures">
                <thead><tr><th scope="col">{{ __('desk.columns.name') }}</th>@foreach ($months as $each)<th
                    scope="col">{{ DeskText::month($each, 'LLL') }}</th>@endforeach<th
                    scope="col">{{ __('figures.total') }}</th></tr></thead>
                <tbody>
                    @foreach ($page as $row)
                        <tr><th scope="row" class="text-left font-normal min-w-52"><a
                            class="font-semibold no-underline hover:underline"
                            href="/desk/titles/{{ $row->id }}">{{ $row->name }}</a> <span
                            class="text-soft">{{ __("catalogue.format.{$row->format}") }}</span></th>
                            @foreach ($months as $each)<td>@if (isset($row->months[$each]))<a
                                href="/desk/turnaways/{{ $row->id }}?month={{ $each }}">{{ $row->months[$each]
                                }}</a>@else<span class="text-soft">·</span>@endif</td>@endforeach
                            <td class="font-semibold"><a href="/desk/turnaways/{{ $row->id }}">{{ $row->total
                                }}</a></td></tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <x-pager :page="$page" />
    @endif
</x-desk.layout>
