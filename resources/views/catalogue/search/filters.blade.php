@use('FigPorch\Core\Catalogue\Format')
<form action="{{ route('catalogue', [], false) }}" aria-label="{{ __('catalogue.narrow') }}" class="text-[15px] mt-2">
    @foreach (array_intersect_key($search->with([]), ['q' => 1, 'list' => 1, 'series' => 1, 'subjects' => 1, 'awards' => 1, 'order' => 1, 'reach' => 1]) as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
    <fieldset class="pb-3 border-b border-rule mb-3">
        <legend class="font-semibold mb-1">{{ __('catalogue.when') }}</legend>
        <label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="checkbox" name="ready" value="1" data-submit-on-change @checked($search->readyNow) class="accent-shutter w-4 h-4">{{ __('catalogue.ready_now') }}<span class="ml-auto text-soft tabular-nums">{{ number_format($facets->ready) }}</span></label>
        @if ($facets->always > 0 || $search->alwaysReady)<label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="checkbox" name="always" value="1" data-submit-on-change @checked($search->alwaysReady) class="accent-shutter w-4 h-4">{{ __('search.always_ready') }}<span class="ml-auto text-soft tabular-nums">{{ number_format($facets->always) }}</span></label>@endif
    </fieldset>
    @foreach ($choices as [$name, $legend, $any, $values, $counts, $chosen, $all])
        @if (count($counts) > 1 || $chosen !== null)
            <fieldset class="pb-3 border-b border-rule mb-3">
                <legend class="font-semibold mb-1">{{ $legend }}</legend>
                <label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="radio" name="{{ $name }}" value="" data-submit-on-change @checked($chosen === null) class="accent-shutter w-4 h-4">{{ $any }}<span class="ml-auto text-soft tabular-nums">{{ number_format($all) }}</span></label>
                @foreach ($values as $value => $words)
                    <label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="radio" name="{{ $name }}" value="{{ $value }}" data-submit-on-change @checked($chosen === $value) class="accent-shutter w-4 h-4">{{ $words }}<span class="ml-auto text-soft tabular-nums">{{ number_format($counts[$value] ?? 0) }}</span></label>
                @endforeach
            </fieldset>
        @endif
    @endforeach
    <x-catalogue.histogram name="year" :heading="__('search.year_of')" :counts="$facets->years" :chosen="$search->years" :link="$link" :search="$search" />
    <x-catalogue.histogram name="level" :heading="__('search.level_of')" :counts="$facets->levels" :chosen="$search->levels" :link="$link" :search="$search" />
    {{-- Filters that narrow further with each value: heading, counts, the words for a value, the link that adds it. --}}
    @foreach ([
        [__('search.subject'), array_diff_key($facets->subjects, array_flip($search->subjects)), fn (int $id): string => $facets->subjectNames[$id] ?? '', $subjectLink],
        [__('search.series'), $search->seriesId === null ? $facets->series : [], fn (int $id): string => $facets->seriesNames[$id] ?? '', fn (int $id): string => $link(['series' => (string) $id])],
        [__('search.awards'), array_diff_key($facets->awards, array_flip($search->awards)), strval(...), $awardLink],
    ] as [$heading, $counts, $words, $narrowed])
        @if ($counts !== [])
            <h3 class="font-semibold font-sans text-[15px] mb-1">{{ $heading }}</h3>
            <ul class="pb-3">@foreach ($counts as $value => $count)<li><a class="flex justify-between gap-2 py-1.5 no-underline hover:underline" href="{{ $narrowed($value) }}"><span>{{ $words($value) }}</span><span class="text-soft tabular-nums">{{ number_format($count) }}</span></a></li>@endforeach</ul>
        @endif
    @endforeach
    <noscript><button class="btn btn-quiet">{{ __('catalogue.apply') }}</button></noscript>
</form>
