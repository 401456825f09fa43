@use('App\Shared\View\Dates')
@use('App\Desk\Figures\DeskText')
<x-desk.layout :title="__('figures.turnaways_of', ['name' => $title->name])" on="figures" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/turnaways">{{ __('figures.turnaways_heading') }}</a> · <a
        class="link" href="/desk/titles/{{ $title->id }}">{{ $title->name }}</a></p>
    <h1 class="text-3xl mb-2">{{ __('figures.turnaways_of', ['name' => $title->name]) }}</h1>
    <div class="flex flex-wrap items-baseline justify-between gap-3 mb-3 max-w-2xl"><p>{{ $month === null ?
        __('figures.all_months') : __('figures.in_month', ['month' => DeskText::month($month)]) }}: <b
        class="tabular-nums">{{ $rows->count() }}</b></p>
        @if ($rows->isNotEmpty())<a class="link text-[15px]"
            href="{{ route('desk.turnaways.title.csv', ['title' => $title, ...array_filter(['month' => $month])], false)
            }}">{{ __('desk.csv_file') }}</a>@endif</div>
    @if ($rows->isEmpty())
        <p class="panel p-6 max-w-2xl">{{ __('figures.no_turnaways') }}</p>
    @else
        <div class="panel max-w-2xl"><table class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col">{{ __('figures.when') }}</th><th
                scope="col">{{ __('figures.reason') }}</th></tr></thead>
            <tbody>@foreach ($rows as $row)<tr><td>{{ Dates::exact(new DateTimeImmutable($row->happened_at),
                $staff->library->zone()) }}</td><td>{{ __("figures.reasons.{$row->reason}")
                    }}</td></tr>@endforeach</tbody>
        </table></div>
    @endif
</x-desk.layout>
