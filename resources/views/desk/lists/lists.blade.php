@use('App\Shared\View\Dates')
@php
    $zone = $staff->library->zone();
    $day = fn (string $of): string => Dates::day(new DateTimeImmutable($of, $zone), $zone);
    $when = fn (App\Models\StaffList $list): string => match (true) {
        $list->shows_until !== null && $list->shows_until < $today =>
            __('lists.showed_until', ['date' => $day($list->shows_until)]),
        $list->shows_from !== null && $list->shows_from > $today =>
            __('lists.shows_from_date', ['date' => $day($list->shows_from)]),
        $list->shows_until !== null => __('lists.shows_until_date', ['date' => $day($list->shows_until)]),
        default => __('lists.shows_always'),
    };
    $byRoom = collect($lists)->groupBy(fn ($of) => $of->list->room);
@endphp
<x-desk.layout :title="__('lists.lists')" on="lists" :staff="$staff">
    <div class="flex flex-wrap items-start justify-between gap-4 mb-4"><div><h1
        class="text-3xl mb-1">{{ __('lists.lists_heading') }}</h1><p
        class="max-w-[85ch]">{{ __('lists.lists_text') }}</p></div><div class="flex flex-wrap gap-3"><a class="btn
        btn-quiet" href="{{ route('desk.rooms', absolute: false) }}">{{ __('arrange_rooms.open') }}</a><a class="btn"
        href="/desk/lists/new">{{ __('desk.make_list') }}</a></div></div>
    @foreach ($rooms as $slug => $name)
        <section aria-labelledby="{{ $slug }}" class="mb-6">
            <h2 id="{{ $slug }}" class="text-xl mb-2">{{ $name }}</h2>
            @if (! isset($byRoom[$slug]))
                <p class="panel px-4 py-3 text-[15px] text-soft">{{ __('lists.no_lists') }}</p>
            @else
                <div class="panel overflow-x-auto" tabindex="0" role="group"
                    aria-label="{{ $name }}"><table class="w-full text-[15px] desk-table">
                    <thead><tr><th scope="col" class="w-1/2">{{ __('lists.list') }}</th><th
                        scope="col">{{ __('lists.made_by') }}</th><th scope="col"
                        class="num">{{ __('desk.titles') }}</th><th scope="col"
                        class="num">{{ __('catalogue.ready_now') }}</th><th scope="col"
                        class="w-48">{{ __('lists.shown_days') }}</th><th scope="col" class="w-24"><span
                        class="sr-only">{{ __('catalogue.order') }}</span></th></tr></thead>
                    <tbody>@foreach ($byRoom[$slug] as $of)
                        <tr><th scope="row" class="text-left font-normal min-w-52"><a
                            class="font-semibold no-underline hover:underline"
                            href="/desk/lists/{{ $of->list->id }}">{{ $of->list->name }}</a>@if ($of->list->note) <span
                            class="text-soft">{{ $of->list->note }}</span>@endif</th>
                            <td class="whitespace-nowrap">{{ __($of->list->words === null ? 'desk.by_hand' :
                                'desk.by_search') }}</td><td class="num"><a href="/catalogue?list={{ $of->list->id
                                }}&library={{ $staff->library->slug }}">{{ App\Shared\View\Numbers::of($of->titles)
                                    }}</a></td><td
                                class="num"><a href="/catalogue?list={{ $of->list->id }}&ready=1&library={{
                                $staff->library->slug }}">{{ App\Shared\View\Numbers::of($of->ready) }}</a></td><td>{{
                                $when($of->list) }}</td>
                            <td class="whitespace-nowrap text-right"><form method="post"
                                action="/desk/lists/{{ $of->list->id }}/shift" class="inline-flex gap-1">@csrf
                                <x-catalogue.shift field="by" words="desk.shift" :of="$of->list->name"
                                :first="$loop->first" :last="$loop->last" class="min-h-8 py-1" /></form></td></tr>
                    @endforeach</tbody>
                </table></div>
            @endif
        </section>
    @endforeach
</x-desk.layout>
