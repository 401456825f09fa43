@use('App\Shared\View\Dates')
@use('App\Desk\Figures\DeskText')
@php($zone = $staff->library->zone())
<x-desk.layout :title="__('desk_requests.requests')" on="requests" :staff="$staff">
    <h1 class="text-3xl mb-1">{{ __('desk_requests.requests') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('desk_requests.requests_text') }}</p>
    @if ($reading?->held_back)
        <section class="panel p-4 mb-5 max-w-[90ch]" aria-labelledby="held-back">
            <h2 id="held-back" class="text-xl mb-1">{{ __('desk_requests.supplier_held_back', ['missing' =>
                App\Shared\View\Numbers::of($reading->missing), 'all' => App\Shared\View\Numbers::of($supplied)])
                    }}</h2>
            <p class="mb-3">{{ __('desk_requests.supplier_held_back_text',
                ['date' => Dates::exact(new DateTimeImmutable($reading->ended_at), $zone)]) }}</p>
            <form method="post" action="/desk/supplier/{{ $reading->id }}/take">@csrf<button
                class="btn btn-quiet">{{ __('desk_requests.take_reading') }}</button></form>
        </section>
    @endif
    <div class="flex flex-wrap items-baseline justify-between gap-3 mb-2"><p
        class="text-[15px]">{{ trans_choice('desk_requests.open_requests', $people, ['count' =>
            App\Shared\View\Numbers::of($people)])
        }}@if ($people > 1) {{ trans_choice('desk_requests.requests_for', $page->total(),
        ['count' => App\Shared\View\Numbers::of($page->total())]) }}@endif</p>
        @if ($page->total() > 0)<a class="link text-[15px]"
            href="/desk/requests.csv">{{ __('desk.csv_file') }}</a>@endif</div>
    @if ($page->isEmpty())
        <p class="panel p-6">{{ __('desk_requests.no_requests') }}</p>
    @else
        <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('desk_requests.requests') }}">
            <table class="w-full text-[15px] desk-table desk-figures">
                <thead><tr><th scope="col">{{ __('desk.columns.name') }}</th><th
                    scope="col">{{ __('desk_requests.asked_for') }}</th><th scope="col"
                    class="first-letter:uppercase">{{ __('desk_requests.want_line') }}</th><th
                    scope="col">{{ __('desk_requests.first_asked') }}</th><th scope="col">{{
                        __('desk_requests.last_asked') }}</th><th
                    scope="col">{{ __('desk_requests.offered_at') }}</th></tr></thead>
                <tbody>
                    @foreach ($page as $row)
                        <tr><th scope="row" class="text-left font-normal min-w-52"><a
                            class="font-semibold no-underline hover:underline"
                            href="/desk/requests/{{ $row->id }}"><bdi>{{ $row->name }}</bdi></a> <span
                            class="text-soft">@if ($row->people)<bdi>{{ $row->people }}</bdi> ·
                            @endif{{ __("catalogue.format.{$row->format}") }}</span></th>
                            <td><a href="/desk/requests/{{ $row->id }}">{{ App\Shared\View\Numbers::of($row->asked)
                                }}</a></td>
                            <td>@if ($row->line > 0)<a href="/desk/requests/{{ $row->id }}">{{
                                App\Shared\View\Numbers::of($row->line)
                                }}</a>@else 0 @endif</td>
                            <td class="whitespace-nowrap">{{ Dates::short(new DateTimeImmutable($row->first_at), $zone)
                                }}</td><td class="whitespace-nowrap">{{ Dates::short(new
                                DateTimeImmutable($row->last_at), $zone) }}</td>
                            <td class="whitespace-nowrap">@if ($row->price_cents === null)<span
                                class="text-soft">–</span>@else{{ DeskText::price($row->price_cents, $row->currency)
                                }}@endif</td></tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <x-pager :page="$page" />
    @endif
    @if ($inWords->isNotEmpty())
        <section aria-labelledby="in-words" class="mt-7">
            <h2 id="in-words" class="text-xl mb-1">{{ __('desk_requests.in_words') }}</h2>
            <p class="mb-2 max-w-[90ch]">{{ __('desk_requests.in_words_text') }}</p>
            <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('desk_requests.in_words')
                }}"><table
                class="w-full text-[15px] desk-table">
                <thead><tr><th scope="col">{{ __('desk.columns.name') }}</th><th
                    scope="col">{{ __('common.format') }}</th><th scope="col">{{ __('desk_requests.wishes') }}</th><th
                    scope="col">{{ __('desk_requests.first_asked') }}</th></tr></thead>
                <tbody>@foreach ($inWords as $one)<tr><th scope="row" class="text-left font-normal min-w-52"><a
                    class="font-semibold no-underline hover:underline"
                    href="/desk/requests/words/{{ $one->id }}"><bdi>{{ $one->name }}</bdi></a> <span
                    class="text-soft"><bdi>{{ implode(' · ', array_filter([$one->people, $one->number]))
                    }}</bdi></span></th>
                    <td>{{ $one->format === null ? '–' : __("catalogue.format.{$one->format->value}") }}</td><td>{{
                        implode(', ', array_filter([$one->wants_notice ? __('desk_requests.want_told') : null,
                            $one->wants_hold ?
                        __('desk_requests.want_line') : null])) ?: '–' }}</td><td
                        class="whitespace-nowrap">{{ Dates::short($one->asked_at, $zone) }}</td></tr>@endforeach</tbody>
            </table></div>
        </section>
    @endif
    @if ($reading !== null)<p class="meta mt-4 max-w-[90ch]">{{ $reading->problem === null ?
        __('desk_requests.supplier_read', ['count' => App\Shared\View\Numbers::of($reading->titles), 'date' =>
        Dates::exact(new DateTimeImmutable($reading->ended_at), $zone)]) :
        __('desk_requests.supplier_broken', ['date' => Dates::exact(new DateTimeImmutable($reading->ended_at), $zone),
            'problem'
        => $reading->problem]) }} @if ($reading->skipped > 0){{ trans_choice('desk_requests.supplier_skipped',
            $reading->skipped,
        ['count' => App\Shared\View\Numbers::of($reading->skipped)]) }}@endif</p>@endif
</x-desk.layout>
