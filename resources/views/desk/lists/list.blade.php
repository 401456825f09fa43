@use('App\Catalogue\Search\QueryText')
@use('App\Shared\View\TitleText')
@php
    $known = $list->exists;
    $made = old('made', $list->words === null ? 'hand' : 'search');
@endphp
<x-desk.layout :title="$known ? $list->name : __('desk.make_list')" on="lists" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/lists">{{ __('lists.lists_heading') }}</a></p>
    <h1 class="text-3xl mb-4">{{ $known ? $list->name : __('desk.make_list') }}</h1>
    <div class="grid lg:grid-cols-[400px_1fr] gap-8">
        <div>
            <form method="post" action="/desk/lists{{ $known ? '/'.$list->id : '' }}"
                class="panel p-5 grid gap-3.5">@csrf
                <label class="grid gap-1">{{ __('lists.list_name') }}<input name="name"
                    value="{{ old('name', $list->name) }}" required maxlength="120" class="field"></label>
                <label class="grid gap-1">{{ __('lists.list_note') }}<textarea name="note" rows="2" maxlength="1000"
                    class="field">{{ old('note', $list->note) }}</textarea></label>
                <label class="grid gap-1">{{ __('lists.room') }}<select name="room"
                    class="field">@foreach ($rooms as $slug => $name)<option value="{{ $slug }}"
                    @selected(old('room', $list->room) === $slug)>{{ $name }}</option>@endforeach</select></label>
                <fieldset class="grid grid-cols-2 gap-3"><legend class="mb-1">{{ __('lists.shown_days') }}</legend>
                    <label class="grid gap-1 text-[15px]">{{ __('desk.first_day') }}<input type="date"
                        name="shows_from"
                        value="{{ old('shows_from', $list->shows_from) }}" class="field"></label>
                    <label class="grid gap-1 text-[15px]">{{ __('desk.last_day') }}<input type="date"
                        name="shows_until"
                        value="{{ old('shows_until', $list->shows_until) }}" class="field"></label></fieldset>
                <fieldset class="grid gap-1.5"><legend class="mb-1">{{ __('lists.made_by') }}</legend>
                    <label class="flex items-center gap-2"><input type="radio" name="made" value="hand"
                        @checked($made === 'hand') class="accent-shutter w-4 h-4">{{ __('desk.by_hand') }}</label>
                    <label class="flex items-center gap-2"><input type="radio" name="made" value="search"
                        @checked($made === 'search') class="accent-shutter w-4 h-4">{{ __('desk.by_search') }}</label>
                    <label class="grid gap-1 text-[15px] mt-1">{{ __('lists.list_words') }}<input name="words"
                        value="{{ old('words', $list->words) }}" maxlength="400" class="field"><span
                        class="meta">{{ __('lists.list_words_hint') }}</span></label></fieldset>
                <div><button class="btn">{{ __($known ? 'desk.keep_list' : 'desk.make_list') }}</button></div>
            </form>
            @if ($known)<details class="mt-4 text-[15px]"><summary
                class="link cursor-pointer text-clay">{{ __('lists.remove_list') }}</summary><form method="post"
                action="/desk/lists/{{ $list->id }}/remove" class="mt-2">@csrf<p
                class="mb-2">{{ __('lists.remove_list_sure') }}</p><button
                class="btn btn-quiet">{{ __('lists.remove_list_yes') }}</button></form></details>@endif
        </div>
        @if ($known && $list->words !== null)
            <section aria-labelledby="finds"><h2 id="finds" class="text-xl mb-1">{{ trans_choice('lists.list_finds',
                $total, ['count' => App\Shared\View\Numbers::of($total)]) }}</h2>
                <p class="meta mb-3">{{ __('search.read_as', ['query' => QueryText::of($search->query->tree)]) }}</p>
                <ol>@foreach ($found as $title)<li class="flex gap-3 border-t border-rule py-2"><span
                    class="flex-none">{{ App\Shared\View\Covers\Cover::html($title, 36, decorative: true)
                        }}</span><span><a
                    class="no-underline hover:underline font-semibold"
                    href="/titles/{{ $title->id }}">{{ $title->name }}</a><br><span
                    class="meta">{{ implode(' · ', array_filter([TitleText::people($title),
                        TitleText::format($title)]))
                    }}</span></span></li>@endforeach</ol>
                @if ($total > 0)<a class="link" href="/catalogue?list={{ $list->id }}&library={{ $staff->library->slug
                    }}">{{ __('rooms.whole') }}</a>@endif
            </section>
        @elseif ($known)
            <section aria-labelledby="titles">
                <h2 id="titles" class="text-xl mb-2">{{ trans_choice('lists.list_has', $titles->count()) }}</h2>
                <form class="flex flex-wrap gap-2 items-end mb-3 text-[15px]"><label
                    class="grid gap-1 grow max-w-md">{{ __('lists.find_for_list') }}<input name="find"
                    value="{{ $find }}" maxlength="400" class="field py-1.5 min-h-9"></label><button
                    class="btn btn-quiet">{{ __('desk.find_button') }}</button></form>
                @if ($find !== '')
                    <div class="panel px-4 py-2 mb-5"><p class="meta py-1">{{ trans_choice('lists.found_for_list',
                        $total, ['count' => App\Shared\View\Numbers::of($total)]) }}</p>
                        <form method="post" action="/desk/lists/{{ $list->id }}/titles">@csrf<input type="hidden"
                            name="find" value="{{ $find }}">
                            <ul>@foreach ($found as $title)<li class="flex items-center gap-3 border-t border-rule
                                py-2"><span class="flex-none">{{ App\Shared\View\Covers\Cover::html($title, 36,
                                    decorative:
                                true) }}</span><span class="grow"><b>{{ $title->name }}</b><br><span
                                class="meta">{{ implode(' · ', array_filter([TitleText::people($title),
                                TitleText::format($title)])) }}</span></span>
                                @if ($titles->contains('id', $title->id))<span class="meta">{{ __('lists.on_list')
                                    }}</span>@else<button name="do" value="add:{{ $title->id }}"
                                    class="btn btn-quiet">{{ __('lists.put_on_list') }}<span class="sr-only">:
                                    {{ $title->name }}</span></button>@endif</li>@endforeach</ul></form></div>
                @endif
                @if ($titles->isEmpty())<p class="panel p-5">{{ __('lists.list_empty') }}</p>
                @else
                    <form method="post" action="/desk/lists/{{ $list->id }}/titles">@csrf
                        <ol>@foreach ($titles as $title)<li class="flex items-center gap-3 border-t border-rule
                            py-2"><span class="w-7 text-right text-soft tabular-nums">{{ $loop->iteration
                                }}</span><span
                            class="flex-none">{{ App\Shared\View\Covers\Cover::html($title, 36, decorative: true)
                            }}</span><span class="grow min-w-0"><a class="font-semibold no-underline hover:underline"
                            href="/titles/{{ $title->id }}">{{ $title->name }}</a><br><span
                            class="meta">{{ implode(' · ', array_filter([TitleText::people($title),
                            TitleText::format($title)])) }}</span></span>
                            <x-catalogue.shift :what="':'.$title->id" words="desk.shift" :of="$title->name"
                                :first="$loop->first" :last="$loop->last" />
                            <button name="do" value="take-off:{{ $title->id }}"
                                class="btn btn-plain">{{ __('lists.take_off') }}<span class="sr-only">:
                                {{ $title->name }}</span></button></li>@endforeach</ol></form>
                @endif
            </section>
        @endif
    </div>
</x-desk.layout>
