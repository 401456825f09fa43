@use('App\Catalogue\Rooms\RoomText')
@use('FigPorch\Core\Catalogue\Audience')
@use('FigPorch\Core\Catalogue\Room')
@use('FigPorch\Core\Catalogue\UsualRoom')
@php
    $heading = $room === null ? __('arrange_rooms.add') : RoomText::name($room);
    $usual = $room !== null && UsualRoom::tryFrom($room->slug) !== null;
@endphp
<x-desk.layout :title="$heading" on="lists" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/lists">{{ __('lists.lists') }}</a> › <a class="link"
        href="{{ route('desk.rooms', absolute: false) }}">{{ __('arrange_rooms.title') }}</a></p>
    <h1 class="text-3xl mb-4">{{ $heading }}</h1>
    <form method="post" action="{{ $room === null ? route('desk.rooms.add', absolute: false) :
        route('desk.rooms.change', $room->slug, false) }}" class="panel p-5 grid gap-4 max-w-2xl mb-4"
        data-send-once>@csrf
        @foreach ($staff->library->languages as $language)
            @php($in = count($staff->library->languages) === 1 ? '' : ' ('.config("app.locales.{$language}").')')
            <x-desk.field name="name_{{ $language }}" :max="60" :needed="! $usual && $loop->first"
                :label="__('arrange_rooms.name').$in" :usual="$room->names[$language] ?? ''" lang="{{ $language }}"
                placeholder="{{ $usual ? trans('rooms.names.'.$room->slug, [], $language) : '' }}" />
        @endforeach
        @foreach ($staff->library->languages as $language)
            @php($in = count($staff->library->languages) === 1 ? '' : ' ('.config("app.locales.{$language}").')')
            <x-desk.field name="about_{{ $language }}" :max="200" :needed="false"
                :label="__('arrange_rooms.about').$in" :usual="$room->about[$language] ?? ''" lang="{{ $language }}"
                placeholder="{{ $usual ? trans('rooms.for.'.$room->slug, [], $language) : '' }}" />
        @endforeach
        <x-desk.options name="audience" :label="__('arrange_rooms.audience')" :hint="__('arrange_rooms.audience_hint')"
            :options="['' => __('arrange_rooms.nobody')] + array_map(fn ($of) => __('search.audiences.'.$of->value),
            array_column(Audience::cases(), null, 'value'))" :chosen="$room?->audience?->value ?? ''" />
        <x-desk.field name="ages" :max="200" :needed="false" :label="__('arrange_rooms.ages')"
            :hint="__('arrange_rooms.ages_hint')" :usual="$room === null ? '' : Room::writeAges($room)" />
        <div><button class="btn">{{ __('arrange_rooms.keep') }}</button></div>
    </form>
    @if ($room !== null)<details class="text-[15px]"><summary class="link cursor-pointer text-clay">{{
        __('arrange_rooms.remove') }}</summary><form method="post"
        action="{{ route('desk.rooms.remove', $room->slug, false) }}" class="panel p-4 mt-2 max-w-2xl grid
        gap-2">@csrf<p>{{ __('arrange_rooms.remove_text') }}</p><div><button class="btn btn-quiet">{{
        __('arrange_rooms.remove_yes') }}</button></div></form></details>@endif
</x-desk.layout>
