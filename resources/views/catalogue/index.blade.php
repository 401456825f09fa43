@php
    use App\View\TitleText;
    use FigPorch\Core\Catalogue\Format;
    $link = fn (array $changes): string => route('catalogue', $search->with($changes), false);
    $heading = $list !== null ? $list->name : ($search->words === '' ? trans_choice('catalogue.titles', $page->total(), ['count' => number_format($page->total())]) : trans_choice('catalogue.titles_for', $page->total(), ['count' => number_format($page->total()), 'words' => $search->words]));
@endphp
<x-layout :title="$heading" on="catalogue">
    <div class="grid lg:grid-cols-[236px_1fr] gap-7">
        <details class="lg:hidden panel px-4 py-2">
            <summary class="font-semibold cursor-pointer py-1">{{ __('catalogue.narrow') }}</summary>
            <ul class="mt-2 text-[15px]">
                <li><a class="flex justify-between py-2 no-underline" href="{{ $link(['ready' => $search->readyNow ? null : '1']) }}" @if ($search->readyNow) aria-current="true" @endif><span>{{ __('catalogue.ready_now') }}</span><span class="text-soft">{{ number_format($counts['ready']) }}</span></a></li>
                @foreach (Format::cases() as $format)
                    <li><a class="flex justify-between py-2 no-underline border-t border-rule" href="{{ $link(['format' => $search->format === $format ? null : $format->value]) }}" @if ($search->format === $format) aria-current="true" @endif><span>{{ __("catalogue.formats.{$format->value}") }}</span><span class="text-soft">{{ number_format($counts['formats'][$format->value] ?? 0) }}</span></a></li>
                @endforeach
            </ul>
        </details>
        <form action="{{ route('catalogue', [], false) }}" aria-labelledby="narrow" class="text-[15px] max-lg:hidden">
            <h2 id="narrow" class="text-lg border-b border-rule pb-2 mb-2">{{ __('catalogue.narrow') }}</h2>
            @foreach (array_intersect_key($search->with([]), ['q' => 1, 'list' => 1]) as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                <fieldset class="pb-3 border-b border-rule mb-3">
                    <legend class="font-semibold mb-1">{{ __('catalogue.when') }}</legend>
                    <label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="checkbox" name="ready" value="1" data-submit-on-change @checked($search->readyNow) class="accent-shutter w-4 h-4">{{ __('catalogue.ready_now') }}<span class="ml-auto text-soft tabular-nums">{{ number_format($counts['ready']) }}</span></label>
                </fieldset>
                <fieldset class="pb-3">
                    <legend class="font-semibold mb-1">{{ __('common.format') }}</legend>
                    <label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="radio" name="format" value="" data-submit-on-change @checked($search->format === null) class="accent-shutter w-4 h-4">{{ __('common.all_formats') }}<span class="ml-auto text-soft tabular-nums">{{ number_format(array_sum($counts['formats'])) }}</span></label>
                    @foreach (Format::cases() as $format)
                        <label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="radio" name="format" value="{{ $format->value }}" data-submit-on-change @checked($search->format === $format) class="accent-shutter w-4 h-4">{{ __("catalogue.formats.{$format->value}") }}<span class="ml-auto text-soft tabular-nums">{{ number_format($counts['formats'][$format->value] ?? 0) }}</span></label>
                    @endforeach
                </fieldset>
            <noscript><button class="btn btn-quiet">{{ __('catalogue.apply') }}</button></noscript>
        </form>
        <section aria-labelledby="results" class="min-w-0">
            <div class="flex flex-wrap items-end justify-between gap-3 mb-3">
                <div>
                    <h1 id="results" class="text-3xl">{{ $heading }}</h1>
                    @if ($list !== null)<p class="text-soft mt-1">{{ $list->note }} · {{ trans_choice('catalogue.titles', $page->total(), ['count' => $page->total()]) }}</p>@endif
                </div>
                <form action="{{ route('catalogue', [], false) }}" class="flex items-center gap-2.5">
                    @foreach (array_diff_key($search->with([]), ['order' => 1]) as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                    <label for="order" class="meta">{{ __('catalogue.order') }}</label>
                    <select id="order" name="order" data-submit-on-change class="field py-1.5 min-h-9">
                        @foreach (App\Queries\Catalogue\CatalogueSearch::ORDERS as $order)
                            @if ($order !== 'relevance' || $search->words !== '')<option value="{{ $order }}" @selected($search->order === $order)>{{ __("catalogue.orders.{$order}") }}</option>@endif
                        @endforeach
                    </select>
                    <noscript><button class="btn btn-quiet">{{ __('catalogue.apply') }}</button></noscript>
                </form>
            </div>
            <div class="flex flex-wrap gap-2 mb-3 empty:hidden">
                @foreach (array_filter(['ready' => $search->readyNow ? __('catalogue.ready_now') : null, 'format' => $search->format === null ? null : __("catalogue.formats.{$search->format->value}")]) as $name => $words)
                    <a class="chip" href="{{ $link([$name => null]) }}" aria-label="{{ __('catalogue.remove_filter', ['name' => $words]) }}">{{ $words }} <span aria-hidden="true">✕</span></a>
                @endforeach
            </div>
            @forelse ($page as $title)
                <article class="border-t border-rule py-4 grid grid-cols-[74px_1fr] md:grid-cols-[74px_1fr_230px] gap-x-4 gap-y-3" data-title="{{ $title->id }}">
                    <a href="/titles/{{ $title->id }}" tabindex="-1" aria-hidden="true">{{ App\View\Cover::html($title, decorative: true) }}</a>
                    <div class="min-w-0">
                        <h2 class="text-xl"><a href="/titles/{{ $title->id }}" class="no-underline hover:underline">{{ $title->name }}</a></h2>
                        @if ($people = TitleText::people($title))<div>{{ $people }}</div>@endif
                        <div class="meta">{{ implode(' · ', array_filter([TitleText::format($title), $title->year()])) }}</div>
                        <div class="meta">{{ implode(' · ', array_filter([TitleText::series($title), ...$title->subjects->take(3)->pluck('name')->all()])) }}</div>
                    </div>
                    <div class="col-span-2 md:col-span-1">@include('lending.title-action', ['standing' => $standings[$title->id]])</div>
                </article>
            @empty
                <div class="panel p-6">
                    <h2 class="text-xl mb-2">{{ __('catalogue.nothing_heading') }}</h2>
                    <p class="mb-4 max-w-[60ch]">{{ __($search->readyNow || $search->format !== null || $list !== null ? 'catalogue.nothing_filters' : 'catalogue.nothing_words', ['words' => $search->words, 'library' => $current->library->name]) }}</p>
                    @if ($search->words !== '' && ($search->readyNow || $search->format !== null || $list !== null))<a class="btn" href="{{ route('catalogue', ['q' => $search->words], false) }}">{{ __('catalogue.search_without_filters') }}</a>@endif
                    <a class="btn btn-quiet" href="{{ route('catalogue', [], false) }}">{{ __('catalogue.browse_all') }}</a>
                </div>
            @endforelse
            <x-pager :page="$page" />
        </section>
    </div>
</x-layout>
