@use('App\Catalogue\StaffLists\ListText')
@use('App\Catalogue\Rooms\RoomText')
<x-layout :title="__('common.rooms')" on="rooms">
    <h1 class="text-3xl mb-1">{{ __('rooms.heading', ['library' => $current->library->name]) }}</h1>
    <p class="mb-5 max-w-[75ch] text-soft">{{ __('rooms.text') }}</p>
    <div class="grid md:grid-cols-2 gap-5">
        @foreach ($rooms as $room)
            @php($lists = $byRoom[$room->slug] ?? [])
            <section class="panel p-5" aria-labelledby="{{ $room->slug }}">
                <h2 id="{{ $room->slug }}" class="text-2xl"><a class="no-underline hover:underline"
                    href="{{ $current->link("/rooms/{$room->slug}") }}">{{ RoomText::name($room) }}</a></h2>
                <p class="meta mb-2">{{ RoomText::about($room) }}</p>
                @if ($lists === [])<p class="text-[15px]">{{ __('rooms.no_lists') }}</p>
                @else<ul>@foreach ($lists as $of)<li><a class="flex flex-wrap items-baseline justify-between gap-x-3
                    py-1.5 no-underline hover:underline border-t border-rule"
                    href="{{ $current->link("/catalogue?list={$of->list->id}") }}"><span
                    class="font-semibold">{{ $of->list->name }}</span><span
                    class="meta">{{ ListText::counts($of) }}</span></a></li>@endforeach</ul>@endif
            </section>
        @endforeach
    </div>
</x-layout>
