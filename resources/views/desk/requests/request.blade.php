@use('App\Shared\View\Dates')
@use('App\Desk\Figures\DeskText')
@use('App\Shared\View\TitleText')
@php
    $zone = $staff->library->zone();
    $open = array_filter($rows, fn (stdClass $row): bool => $row->state === 'open');
@endphp
<x-desk.layout :title="__('desk_requests.requests').': '.$title->name" on="requests" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/requests">{{ __('desk_requests.requests') }}</a></p>
    <div class="flex gap-5 mb-5">
        {{ App\Shared\View\Covers\Cover::html($title, 74, decorative: true) }}
        <div><h1 class="text-3xl">{{ $title->name }}</h1>
            <p>{{ TitleText::people($title) }}</p><p class="meta">{{ implode(' · ',
                array_filter([TitleText::format($title), $title->publisher, $title->year()])) }}</p>
            <p class="mt-1 text-[15px]"><a class="link" href="/titles/{{ $title->id }}">{{ __('desk.title_page') }}</a>
                · <a class="link" href="/desk/titles/{{ $title->id }}">{{ __('desk.licences') }}</a></p></div>
    </div>
    <div class="grid lg:grid-cols-[1fr_380px] gap-8">
        <section aria-labelledby="who">
            <div class="flex flex-wrap items-baseline justify-between gap-3 mb-2"><h2 id="who"
                class="text-xl">{{ trans_choice('desk_requests.open_requests', count($open)) }}</h2>
                @if ($rows !== [])<a class="link text-[15px]" href="/desk/requests/{{ $title->id }}.csv">{{
                    __('desk.csv_file') }}</a>@endif</div>
            @if ($rows === [])
                <p class="panel p-6">{{ __('desk_requests.nobody_asked') }}</p>
            @else
                <div class="panel overflow-x-auto" tabindex="0" role="group"
                    aria-label="{{ __('desk_requests.requests') }}"><table class="w-full text-[15px] desk-table">
                    <thead><tr><th scope="col">{{ __('desk_requests.first_asked') }}</th><th
                        scope="col">{{ __('desk.group') }}</th><th scope="col">{{ __('desk_requests.wishes') }}</th><th
                        scope="col">{{ __('desk.state') }}</th></tr></thead>
                    <tbody>@foreach ($rows as $row)<tr><td class="whitespace-nowrap">{{ Dates::short(new
                        DateTimeImmutable($row->asked_at), $zone) }}</td><td>{{ $row->patron_group }}</td>
                        <td>{{ implode(', ', array_filter([$row->wants_notice ? __('desk_requests.want_told') : null,
                            $row->wants_hold ? __('desk_requests.want_line') : null])) ?: '–' }}</td><td>{{
                            __("desk_requests.request_states.{$row->state}") }}</td></tr>@endforeach</tbody>
                </table></div>
            @endif
        </section>
        @if ($open !== [])
            <section aria-labelledby="answer" class="grid gap-4 content-start">
                <h2 id="answer" class="text-xl">{{ __('desk_requests.answer_them') }}</h2>
                <div class="panel p-4"><p class="mb-3">{{ __('desk_requests.get_text') }}@if ($offer?->price_cents !==
                    null)
                    {{ __('desk_requests.offer', ['price' => DeskText::price($offer->price_cents, $offer->currency)])
                    }}@endif</p><a class="btn" href="/desk/titles/{{ $title->id }}?add=1#add">{{ __('desk.add_licence')
                    }}</a></div>
                <form method="post" action="/desk/requests/{{ $title->id }}/decline" class="panel p-4 grid gap-2">@csrf
                    <label for="why">{{ __('desk_requests.decline_text') }}</label><textarea id="why" name="why"
                        rows="3"
                        maxlength="600" required class="field">{{ old('why') }}</textarea><div><button
                        class="btn btn-quiet">{{ __('desk_requests.decline') }}</button></div></form>
            </section>
        @endif
    </div>
</x-desk.layout>
