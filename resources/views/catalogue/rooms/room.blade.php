@use('App\Shared\View\Covers\Cover')
@use('App\Catalogue\StaffLists\ListText')
@use('App\Shared\View\TitleText')
@use('App\Catalogue\Rooms\RoomText')
@php($kept = $choice->kept())
<x-layout :title="RoomText::name($room)" on="rooms">
    <nav aria-label="{{ __('common.rooms') }}" class="flex flex-wrap gap-1 mb-3 text-[15px]">
        @foreach ($rooms as $of)<a href="{{ $current->link("/rooms/{$of->slug}") }}"
            @class(['px-3 py-1.5 rounded-md no-underline', 'bg-haint font-semibold' => $of->slug === $room->slug])
            @if ($of->slug === $room->slug) aria-current="page" @endif>{{ RoomText::name($of) }}</a>@endforeach
    </nav>
    <div class="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 mb-4">
        <div><h1 class="text-3xl">{{ RoomText::name($room) }}</h1><p
            class="text-soft">{{ RoomText::about($room) }}</p></div>
        @if ($room->audience !== null)<a class="link" href="{{
            $current->link('/catalogue?audience='.$room->audience->value) }}">{{
            __('rooms.everything') }}</a>@endif
    </div>
    <x-account.messages :room="$room->slug" />
    <details class="panel px-4 py-3 mb-5 text-[15px]">
        <summary class="cursor-pointer"><span class="font-semibold">{{ __('rooms.opens_with') }}</span>
            {{ implode(' · ', array_filter([$choice->ages === null ? null :
            __('rooms.ages', ['range' => implode('–', $choice->ages)]), $choice->fiction === null ? null :
            __('rooms.kinds.'.$kept['kind']), ...array_map(fn (int $id): ?string => $subjects[$id] ?? null,
            $choice->subjects)])) ?: __('rooms.all') }}</summary>
        <form method="post" action="/rooms/{{ $room->slug }}" class="grid gap-4 mt-3">@csrf
            @if ($room->ages !== [])
                <fieldset><legend class="font-semibold mb-1">{{ __('rooms.ages_legend') }}</legend><div
                    class="flex flex-wrap gap-x-5">
                    @foreach (['' => __('rooms.any_age'), ...array_combine($ranges = array_map(fn (array $range): string
                        => implode('-', $range), $room->ages), $ranges)] as $value => $words)<label
                        class="flex items-center gap-2 py-1.5"><input type="radio" name="ages" value="{{ $value }}"
                        @checked($kept['ages'] === $value) class="accent-shutter w-4 h-4">{{ $value === '' ? $words :
                        str_replace('-', '–', $words) }}</label>@endforeach</div></fieldset>
            @endif
            <fieldset><legend class="font-semibold mb-1">{{ __('rooms.kind_legend') }}</legend><div
                class="flex flex-wrap gap-x-5">
                @foreach (['' => 'both', 'fiction' => 'fiction', 'facts' => 'facts'] as $value => $words)<label
                    class="flex items-center gap-2 py-1.5"><input type="radio" name="kind" value="{{ $value }}"
                    @checked($kept['kind'] === $value) class="accent-shutter w-4 h-4">{{ __("rooms.kinds.{$words}")
                    }}</label>@endforeach</div></fieldset>
            @if ($subjects !== [])
                <fieldset><legend class="font-semibold mb-1">{{ __('rooms.subjects_legend') }}</legend><div
                    class="flex flex-wrap gap-x-5">
                    @foreach ($subjects as $id => $name)<label class="flex items-center gap-2 py-1.5"><input
                        type="checkbox" name="subjects[]" value="{{ $id }}"
                        @checked(in_array($id, $choice->subjects, true))
                        class="accent-shutter w-4 h-4">{{ $name }}</label>@endforeach</div></fieldset>
            @endif
            <div class="flex gap-2"><button class="btn">{{ __('rooms.keep') }}</button>@if ($choice->isSet())<button
                name="clear" value="1" class="btn btn-plain">{{ __('rooms.clear') }}</button>@endif</div>
        </form>
    </details>
    @if ($lists === [])
        <div class="panel p-6"><p class="mb-3">{{ __('rooms.no_lists') }}</p><a class="btn"
            href="{{ $current->link('/catalogue'.($room->audience === null ? '' :
            '?audience='.$room->audience->value)) }}">{{
            __('catalogue.browse_all') }}</a></div>
    @else
        <nav aria-label="{{ __('rooms.index') }}" class="mb-7"><h2 class="text-lg mb-1">{{ __('rooms.index') }}</h2>
            <ol class="grid sm:grid-cols-2 lg:grid-cols-3 gap-x-8 text-[15px]">@foreach ($lists as $of)<li
                class="border-t border-rule"><a class="flex justify-between gap-3 py-1.5 no-underline hover:underline"
                href="#list-{{ $of->list->id }}"><span>{{ $of->list->name }}</span><span
                class="text-soft whitespace-nowrap tabular-nums">{{ ListText::counts($of)
                }}</span></a></li>@endforeach</ol></nav>
        @foreach ($lists as $of)
            <section aria-labelledby="list-{{ $of->list->id }}" class="mb-8">
                <div class="flex flex-wrap items-baseline justify-between gap-x-4"><h2 id="list-{{ $of->list->id }}"
                    class="text-2xl scroll-mt-4">{{ $of->list->name }}</h2><a class="link"
                    href="{{ $current->link("/catalogue?list={$of->list->id}") }}">{{ __('rooms.whole') }}<span
                        class="sr-only">:
                    {{ $of->list->name }}</span></a></div>
                <p class="mb-2.5 text-soft">{{ implode(' · ', array_filter([$of->list->note, ListText::counts($of)]))
                    }}</p>
                @if ($of->first === [])<p class="text-[15px]">{{ __('rooms.none_fit') }}</p>
                @else<ul class="grid grid-cols-3 sm:grid-cols-5 lg:grid-cols-8 gap-4">@foreach ($of->first as $title)<li
                    @class(['max-sm:hidden' => $loop->index >= 3])><a href="{{ $current->link("/titles/{$title->id}")
                        }}"
                    class="no-underline block group">{{ Cover::html($title, 130, decorative: true, class:
                    'w-full h-auto') }}<span class="block mt-1.5 text-[15px] leading-tight font-semibold
                    group-hover:underline">{{ App\Shared\View\TitleText::name($title) }}</span><span
                    class="meta block text-[14px]">{{ TitleText::people($title) ?:
                    __("catalogue.format.{$title->format->value}") }}</span></a></li>@endforeach</ul>@endif
            </section>
        @endforeach
    @endif
</x-layout>
