@php
    use App\Catalogue\Filters\{ChoiceFilter, FlagFilter, ListFilter, OneValueFilter, OpensHereFilter, RangeFilter};

    $fields = array_map(fn (OneValueFilter $of): string => $of::name(), $search->filters->of(OneValueFilter::class));
    $flags = [];
    foreach ($search->filters->of(FlagFilter::class) as $filter) {
        $count = $facets->count($filter::name(), 1);
        if ($count > 0 || $filter->chosen || $filter->isOfferedAnyway()) {
            $flags[] = [$filter::name(), 1, $filter->heading(), $count, $filter->chosen];
        }
    }
    $choose = fn (ListFilter $of): string => route('catalogue.values', ['filter' => $of::name(),
        ...$current->inAddress(), ...$search->with([])], false);
    $here = $search->filters->get(OpensHereFilter::class);
    $opens = OpensHereFilter::count($facets);
    if ($here->chosen || $opens < $facets->without($here::name())) {
        $flags[] = [$here::name(), 1, $here->heading(), $opens, $here->chosen];
    }
    // What this form has no field for goes with it.
    $hidden = array_diff_key($search->with([]), array_flip([...$fields, 'at']));
@endphp
<form id="narrow" action="{{ route('catalogue', [], false) }}" aria-label="{{ __('catalogue.narrow') }}"
    class="text-[15px] mt-2">
    <x-library-field />
    @foreach ($hidden as $name => $value)
        <input type="hidden" name="{{ $name }}" value="{{ $value }}">
    @endforeach
    <x-catalogue.filter-values type="checkbox" :heading="__('catalogue.when')" :rows="$flags" />
    @if (count($facets->libraries) > 1 || $search->atLibraryId !== null)
        @php
            $at = [['at', '', __('search.all_cards'), $facets->libraries[0] ?? 0, $search->atLibraryId === null]];
            foreach (array_intersect_key($libraries, $facets->libraries) as $id => $of) {
                $at[] = ['at', $id, $of, $facets->libraries[$id], $search->atLibraryId === $id];
            }
        @endphp
        <x-catalogue.filter-values type="radio" :heading="__('common.library')" :rows="$at" />
    @endif
    @foreach ($search->filters->of(ChoiceFilter::class) as $filter)
        @php $counts = $facets->of($filter::name()); @endphp
        <x-catalogue.choice :boxes="$filter::boxes()" :heading="$filter->heading()" :any="$filter->any()"
            :all="$facets->without($filter::name())" :counts="$counts" :chosen="$filter->chosen"
            :values="$filter->values($counts)" :clear="$link([$filter::name() => null])" />
    @endforeach
    @foreach ($search->filters->of(RangeFilter::class) as $filter)
        <x-catalogue.histogram :filter="$filter" :counts="$facets->of($filter::name())" :link="$link" />
    @endforeach
    @foreach ($search->filters->of(ListFilter::class) as $filter)
        @php($offered = $filter->offered($facets))
        @if ($offered !== [] || $filter::OFFERED === 0 && $filter->takesMore() && $facets->total > 0)
            <h3 class="font-semibold font-sans text-[15px] mb-1">{{ $filter->heading() }}</h3>
            <ul class="pb-3">
                @foreach ($offered as $value => $count)
                    <li><a class="flex justify-between gap-2 py-1.5 no-underline hover:underline"
                        href="{{ $link([$filter::name() => $filter->with($value)]) }}"><span>{{
                            $filter->label((string) $facets->name($filter::name(), $value))
                        }}</span><span class="text-soft tabular-nums">{{ App\Shared\View\Numbers::of($count)
                            }}</span></a></li>
                @endforeach
                {{-- As many as are shown may not be all. --}}
                @if (count($facets->of($filter::name())) >= $filter::OFFERED)<li><a
                    class="link inline-block py-1.5" href="{{ $choose($filter) }}">{{
                    __($offered === [] ? 'search.choose' : 'search.choose_more')
                    }}<span class="sr-only">: {{ $filter->heading() }}</span></a></li>@endif
            </ul>
        @endif
    @endforeach
    <noscript><button class="btn btn-quiet">{{ __('catalogue.apply') }}</button></noscript>
</form>
