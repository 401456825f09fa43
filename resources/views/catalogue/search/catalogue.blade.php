@php
    use App\Catalogue\Filters\Chip;
    use App\Catalogue\Search\QueryText;
    use FigPorch\Core\Catalogue\Reach;
    $link = fn (array $changes): string => '/catalogue?'.http_build_query([...$current->inAddress(),
        ...$search->with($changes)], encoding_type: PHP_QUERY_RFC3986);
    $heading = match (true) {
        $list !== null => $list->name,
        $search->words === '' => trans_choice('catalogue.titles', $page->total(),
            ['count' => App\Shared\View\Numbers::of($page->total())]),
        default => trans_choice('catalogue.titles_for', $page->total(),
            ['count' => App\Shared\View\Numbers::of($page->total()), 'words' => $search->words]),
    };
    $libraries = $current->libraries()->pluck('name', 'id')->all();
    $chips = $search->filters->chips($facets);
    if ($search->scope === Reach::Cards && isset($libraries[$search->atLibraryId])) {
        $chips[] = new Chip('at', $libraries[$search->atLibraryId]);
    }
    // The words of each filter that is set, for what would be found without it.
    $words = array_reduce($chips, fn (array $all, Chip $of): array => [
        ...$all, $of->filter => implode(', ', array_filter([$all[$of->filter] ?? '', $of->words])),
    ], []);
    $set = $search->narrowing();
@endphp
<x-layout :title="$heading" on="catalogue">
    <a class="skip" href="#results">{{ __('search.skip_to_results') }}</a>
    <div class="grid lg:grid-cols-[236px_1fr] gap-7">
        <div>
            <h2 class="text-lg border-b border-rule pb-2 mb-2 max-lg:hidden">{{ __('catalogue.narrow') }}</h2>
            {{-- On a phone the filters are a sheet; without scripts, and drawn once for both. --}}
            <button type="button" popovertarget="filters" class="lg:hidden btn btn-quiet w-full">{{
                __('catalogue.narrow') }}@if ($set !== [])
                <span class="tabular-nums">· {{ trans_choice('catalogue.narrowed_by', count($set)) }}</span>
            @endif</button>
            <div id="filters" popover class="sheet">
                <h2 class="text-2xl lg:hidden">{{ __('catalogue.narrow') }}</h2>
                @include('catalogue.search.filters')
                <div class="sheet-end lg:hidden"><noscript><button form="narrow" class="btn btn-quiet w-full mb-2">{{
                    __('catalogue.apply') }}</button></noscript><button type="button" popovertarget="filters"
                    popovertargetaction="hide" class="btn w-full">{{ trans_choice('catalogue.show_titles',
                    $page->total(), ['count' => App\Shared\View\Numbers::of($page->total())]) }}</button></div>
            </div>
        </div>
        <section aria-labelledby="results" class="min-w-0">
            <div class="flex flex-wrap items-end justify-between gap-3 mb-3">
                <div>
                    <h1 id="results" tabindex="-1"
                    class="text-3xl focus:outline-none wrap-anywhere">{{ $heading }}</h1>
                    @if ($list !== null)<p class="text-soft mt-1">{{ implode(' · ', array_filter([$list->note,
                        trans_choice('catalogue.titles', $page->total(), ['count' =>
                            App\Shared\View\Numbers::of($page->total())])]))
                        }} · <a class="link" href="{{ $current->link("/rooms/{$list->room}") }}">{{
                        $roomName }}</a></p>@endif
                </div>
                @if ($page->isNotEmpty())<div class="flex flex-wrap items-center justify-end gap-x-4 gap-y-1">
                <div class="max-sm:hidden">@include('catalogue.search.look')</div>
                @if ($page->total() > 1)
                <form action="{{ route('catalogue', [], false) }}" class="flex items-center gap-2.5">
                    <x-library-field />
                    @foreach (array_diff_key($search->with([]), ['order' => 1]) as $name => $value)<input type="hidden"
                        name="{{ $name }}" value="{{ $value }}">@endforeach
                    <label for="order" class="meta">{{ __('catalogue.order') }}</label>
                    <select id="order" name="order" data-submit-on-change class="field py-1.5 min-h-9">
                        @foreach ($search->orders() as $order)<option value="{{ $order }}"
                            @selected($search->order === $order)>{{ __("catalogue.orders.{$order}")
                            }}</option>@endforeach
                    </select>
                    <noscript><button class="btn btn-quiet">{{ __('catalogue.apply') }}</button></noscript>
                </form>
                @endif
                </div>@endif
            </div>
            <div class="flex flex-wrap gap-x-4 gap-y-1 mb-3 text-[15px] items-center justify-between">
                <nav aria-label="{{ __('search.reach') }}" class="flex flex-wrap gap-1 items-center"><span
                    class="meta mr-1" aria-hidden="true">{{ __('search.reach') }}</span>
                    @foreach (Reach::cases() as $of)
                        @if ($of !== Reach::Cards || $search->otherCards !== [])<a
                            href="{{ $link(['reach' => $of === Reach::Library ? null : $of->value, 'list' => null]) }}"
                            @class(['px-3 py-1.5 rounded-md no-underline', 'bg-haint font-semibold' => $search->scope
                            === $of]) @if ($search->scope === $of) aria-current="true"
                            @endif>{{ __("search.reaches.{$of->value}") }}</a>@endif
                    @endforeach
                </nav>
                <div class="flex flex-wrap gap-x-4 gap-y-1 items-center ml-auto">
                    <a class="link" href="{{ route('catalogue.advanced',
                        [...$current->inAddress(), ...$search->with(['order' => null, 'list' => null])], false)
                        }}">{{ __('search.advanced') }}</a>
                    <a class="link" href="{{ $current->link(route('indexes', ['index' => 'people'], false)) }}">{{
                        __('indexes.heading') }}</a>
                    @if ($current->person !== null)<a class="link" href="/searches">{{ __('search.saved_searches')
                        }}</a>@endif
                    @if ($current->person !== null && $list === null && ($search->words !== '' || $set !== []))
                        <details class="relative"><summary class="link cursor-pointer py-1">{{ __('search.save')
                            }}</summary>
                            <form method="post" action="/searches" class="panel p-4 mt-1 grid gap-2.5 w-72 max-w-full
                                sm:absolute sm:right-0 z-10">@csrf<input type="hidden" name="search"
                                value="{{ http_build_query($search->with([])) }}">
                                <label class="grid gap-1">{{ __('search.save_name') }}<input name="name" required
                                    maxlength="120" value="{{ mb_substr(implode(' · ',
                                    array_filter([$search->words, ...array_column($chips, 'words')])), 0, 120) }}"
                                    class="field py-1.5 min-h-9"></label>
                                <label class="flex gap-2"><input type="checkbox" name="tells" value="1" checked
                                    class="accent-shutter w-4.5 h-4.5">{{ __('search.tell_of_new') }}</label>
                                <div><button class="btn">{{ __('search.save_it') }}</button></div></form></details>
                    @endif
                </div>
            </div>
            @if ($search->scope === Reach::Beyond)<p class="meta mb-3 max-w-[75ch]">{{ __('search.beyond_text')
                }}</p>@endif
            @php
                $said = array_filter([
                    $search->query->refusal === null ? null : QueryText::refusal($search->query->refusal),
                    $search->query->cut ? __('search.cut') : null,
                    $search->query->tree === null ? null : __('search.read_as', ['query' =>
                        QueryText::of($search->query->tree)]),
                ]);
            @endphp
            @if ($search->query->refusal !== null || $search->query->cut || ! QueryText::isPlain($search->query->tree))
                <p class="meta mb-3">{{ implode(' ', $said) }}</p>
            @endif
            @if ($chips !== [])
                <form method="post" action="{{ route('catalogue.pins', [], false) }}"
                    class="flex flex-wrap gap-2 items-center mb-3">
                    @csrf<input type="hidden" name="search" value="{{ http_build_query($search->with([])) }}">
                    @foreach ($chips as $chip)
                        @php $isPinned = ($pinned[$chip->filter] ?? null) === ($set[$chip->filter] ?? ''); @endphp
                        <span class="chip pr-1.5 py-0"><span class="py-1">{{ $chip->words }}</span><button
                            name="{{ $isPinned ? 'unpin' : 'filter' }}" value="{{ $chip->filter }}"
                            class="cursor-pointer underline px-1 py-1 min-h-7"
                            aria-label="{{ __($isPinned ? 'search.unpin_name' : 'search.pin_name',
                                ['name' => $chip->words]) }}">{{
                                __($isPinned ? 'search.pinned' : 'search.pin')
                            }}</button><a class="px-1.5 py-1 no-underline" href="{{ $link([$chip->filter =>
                                $chip->left]) }}"
                            aria-label="{{ __('catalogue.remove_filter', ['name' => $chip->words]) }}"><span
                                aria-hidden="true">✕</span></a></span>
                    @endforeach
                    @if (count($set) > 1 && $pinned !== $set)<button name="filter" value="all"
                        class="link cursor-pointer text-[15px]">{{ __('search.pin_all') }}</button>@endif
                    @if ($pinned !== [])<button name="unpin" value="all"
                        class="link cursor-pointer text-[15px]">{{ __('search.unpin_all') }}</button>@endif
                </form>
            @endif
            @if ($leftOut !== [])<p class="panel px-4 py-2.5 mb-3 text-[15px]">{{ __('search.left_out', ['what' =>
                implode(', ', $leftOut)]) }}</p>@endif
            @if ($older > 0 || $hasCeiling && $current->person?->shows_older)
                <form method="post" action="{{ route('catalogue.older', [], false) }}"
                    class="text-[15px] mb-3 flex flex-wrap gap-x-2 items-baseline">@csrf<input type="hidden"
                    name="search" value="{{ http_build_query($search->with([])) }}"><input type="hidden" name="older"
                    value="{{ $older > 0 ? 1 : 0 }}"><span class="text-soft">{{ $older > 0 ?
                    trans_choice('search.older', $older, ['count' => App\Shared\View\Numbers::of($older)]) :
                    __('search.older_shown') }}</span><button class="link cursor-pointer min-h-6">{{ __($older > 0 ?
                    'search.show_older' : 'search.hide_older') }}</button></form>
            @endif
            @if ($page->isNotEmpty() && $rows === [])
                <p class="panel p-6 max-w-2xl">{{ __('search.all_beside_others') }}</p>
            @elseif ($page->isNotEmpty())
                @include($look->covers ? 'catalogue.search.covers' : 'catalogue.search.rows')
            @elseif (array_diff_key($search->with([]), ['order' => 1]) === [])
                <div class="panel p-6">
                    <h2 class="text-xl mb-2">{{ __('catalogue.no_titles_heading') }}</h2>
                    <p class="max-w-[60ch]">{{ __('catalogue.no_titles', ['library' => $current->library->name]) }}</p>
                </div>
            @else
                <div class="panel p-6">
                    <h2 class="text-xl mb-2">{{ __('catalogue.nothing_heading') }}</h2>
                    @if ($spelling !== null)<p class="mb-3 text-lg">{{ __('search.did_you_mean') }} <a
                        class="link font-semibold" href="{{ $link(['q' => $spelling]) }}">{{ $spelling }}</a>?</p>@endif
                    @if ($inSeries !== [])<ul class="mb-3 grid gap-1 text-lg">@foreach ($inSeries as $of)<li>{{
                        __('search.number_in_series', ['number' => App\Shared\View\Numbers::of($of->number), 'series' =>
                        $of->series]) }} <a class="link font-semibold" href="{{ $current->link("/titles/{$of->id}")
                        }}">{{ App\Shared\View\TitleText::named($of->name, $of->language) }}</a> <span class="meta">{{
                        __("catalogue.formats.{$of->format}") }}</span></li>@endforeach</ul>@endif
                    @if ($withoutWord !== [])<ul class="mb-3 grid gap-1">@foreach ($withoutWord as $of)<li>{{
                        $of['format']
                        === null ? __('search.without_word', ['word' => $of['word']]) : __('search.meant_format',
                        ['format' => __("catalogue.formats.{$of['format']->value}")]) }}: <a class="link" href="{{
                        $link(['q' => $of['left'], ...$of['format'] === null ? [] : ['format' =>
                        $of['format']->value]]) }}">{{ trans_choice('catalogue.titles_for', $of['total'], ['count' =>
                        App\Shared\View\Numbers::of($of['total']), 'words' => $of['left']])
                        }}</a></li>@endforeach</ul>@endif
                    <p class="mb-3 max-w-[60ch]">{{ $search->hasNoWord() ? __('search.no_word') : __($without !== [] ?
                        'catalogue.nothing_filters' : ($search->scope
                        === Reach::Library ? 'catalogue.nothing_words' : 'catalogue.nothing_wide'),
                        ['words' => $search->words, 'library' => $current->library->name]) }}</p>
                    @if ($without !== [])
                    <ul class="mb-4 grid gap-1">
                        @foreach (array_intersect_key($without, $words) as $name => $count)
                            <li><a class="link" href="{{ $link([$name => null]) }}">{{
                                trans_choice('search.drop', $count, ['filter' => $words[$name]])
                            }}</a></li>
                        @endforeach
                    </ul>@endif
                    @if ($search->words !== '' && $set !== [])<a class="btn"
                        href="{{ $current->link(route('catalogue', ['q' => $search->words], false)) }}">{{
                        __('catalogue.search_without_filters') }}</a>@endif
                    <a class="btn btn-quiet" href="{{ $current->link(route('catalogue', [], false)) }}">{{
                        __('catalogue.browse_all')
                        }}</a>
                    @if ($search->words !== '' && $near === [])<p class="mt-3"><a class="link"
                        href="{{ route('requests.words', ['name' => $search->words], false) }}">{{
                        __('lending.ask_words') }}</a></p>@endif
                </div>
                @foreach ($near as $of)
                    <section aria-labelledby="near-{{ $loop->index }}" class="mt-7">
                        <h2 id="near-{{ $loop->index }}" class="text-2xl mb-1">{{ $of->heading }}</h2>
                        <p class="mb-2 text-soft">{{ isset($of->changes['q']) ?
                            trans_choice('catalogue.titles_for', $of->page->total(), ['count' =>
                            App\Shared\View\Numbers::of($of->page->total()), 'words' => $of->changes['q']]) :
                            trans_choice('search.found_wider', $of->page->total(), ['count' =>
                            App\Shared\View\Numbers::of($of->page->total())]) }}@if ($of->page->total() >
                                $of->page->count()) · <a class="link" href="{{ $link($of->changes) }}">{{
                            __('search.all_of_them') }}</a>@endif</p>
                        @include('catalogue.search.rows', ['rows' => $of->rows])
                    </section>
                @endforeach
            @endif
            <x-pager :page="$page" />
            @if ($page->isNotEmpty())<div class="sm:hidden mt-4">@include('catalogue.search.look')</div>@endif
        </section>
    </div>
</x-layout>
