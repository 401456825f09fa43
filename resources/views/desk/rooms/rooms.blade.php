@use('App\Catalogue\Rooms\RoomText')
<x-desk.layout :title="__('arrange_rooms.title')" on="lists" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/lists">{{ __('lists.lists') }}</a></p>
    <div class="flex flex-wrap items-start justify-between gap-4 mb-4"><div><h1 class="text-3xl mb-1">{{
        __('arrange_rooms.title') }}</h1><p class="max-w-[85ch]">{{ __('arrange_rooms.text') }}</p></div><a class="btn"
        href="{{ route('desk.rooms.create', absolute: false) }}">{{ __('arrange_rooms.add') }}</a></div>
    <ol class="panel divide-y divide-rule">@foreach ($rooms as $room)<li class="px-4 py-3 flex flex-wrap items-center
        gap-x-4 gap-y-2"><span class="grow min-w-0"><a class="font-semibold no-underline hover:underline"
        href="{{ route('desk.rooms.edit', $room->slug, false) }}">{{ RoomText::name($room) }}</a><span
        class="meta block">{{ implode(' · ', array_filter([RoomText::about($room),
        $room->audience === null ? null : __("search.audiences.{$room->audience->value}"),
        $room->ages === [] ? null : __('rooms.ages', ['range' => str_replace('-', '–',
        FigPorch\Core\Catalogue\Room::writeAges($room))])])) }}</span></span><span class="meta tabular-nums">{{
        trans_choice('arrange_rooms.lists', $lists[$room->slug] ?? 0) }}</span><form method="post"
        action="{{ route('desk.rooms.shift', $room->slug, false) }}" class="inline-flex gap-1">@csrf<x-catalogue.shift
        field="by" words="desk.shift" :of="RoomText::name($room)" :first="$loop->first" :last="$loop->last"
        class="min-h-8 py-1" /></form></li>@endforeach</ol>
</x-desk.layout>
