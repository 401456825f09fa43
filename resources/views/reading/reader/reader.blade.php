@php
    $isLoan = $loan !== null;
    $isPdf = $publication->media_type === \App\Reading\Publications\UnpackPdf::TYPE;
    $isMagazine = $title->format === \FigPorch\Core\Catalogue\Format::Magazine;
    $files = $isLoan ? url("/loans/{$loan->id}/files") : url("/titles/{$title->id}/excerpt/files");
    $order = $isLoan ? $publication->positions : $publication->excerpt_positions;
    $colours = App\Reading\Marks\ColourNames::of($current->person);
    $data = App\Reading\Reader\ReadingData::json($loan, $place, [
        'files' => parse_url($files, PHP_URL_PATH),
        'sizes' => $isLoan ? $publication->sizes : $publication->excerpt_sizes,
        // Each page of a PDF is a position of its one file.
        'positions' => $isPdf ? array_fill(0, array_sum(array_column($order, 1)), [$order[0][0], 1]) : $order,
        'pdf' => $isPdf ? parse_url($files, PHP_URL_PATH).'/'.$order[0][0] : null,
        'documents' => $isLoan && $publication->media_type === \App\Models\Publication::EPUB
            ? route('read.documents', $loan, false) : null,
        'take' => $isLoan ? route('copies.take', $loan, false) : null,
        'isLimited' => $isLoan && $loan->licence->rights()->pages !== null,
        'colours' => $colours,
        'speech' => $isLoan && App\Reading\Speech\Voice::reads($title->language)
            ? ['address' => route('speech', $loan, false), 'languages' => App\Reading\Speech\Voice::LANGUAGES] : null,
        'cite' => route('cite', $title, false),
        'beginning' => $beginning,
        'dictionary' => route('dictionary', [], false),
        'language' => $title->language ?? 'en',
        'appearance' => $current->person?->reading,
    ], __('reader.in_reader') + Illuminate\Support\Arr::only(__('reading'),
        ['page_of', 'no_such_page', 'cannot_open', 'elsewhere', 'elsewhere_short', 'left_off']));
    $radios = fn (string $name, array $options): string =>
        collect($options)->map(fn ($label, $value) =>
        '<label><input type="radio" name="'.$name.'" value="'.$value.'">'.e($label).'</label>')->implode('');
@endphp
<!doctype html>
<html lang="{{ app()->getLocale() }}" data-scheme="light">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ __($isLoan ? 'reading.reading' : 'reading.excerpt_of', ['name' => $title->name]) }} · Fig Porch</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @if ($isPdf)<script type="module" async
        src="{{ Vite::asset('resources/js/reading/reader/pdf-worker.js') }}"></script>@endif
    @vite(['resources/css/app.css', 'resources/js/reading/reader/open.js'])
    @if ($isPdf)<link rel="modulepreload" href="{{ Vite::asset('resources/js/reading/reader/pdf.js') }}">@endif
    <script type="application/json" id="reader-data">{!! $data !!}</script>
</head>
<body>
<div class="reader" id="reader" data-background="paper">
    <header class="reader-bar border-b" id="top-bar">
        <a href="{{ $isLoan ? route('porch', [], false) : $current->link(route('titles.show', $title, false)) }}"
            id="close"
            aria-label="{{ __('reader.close') }}"><span aria-hidden="true">←</span> <span
            class="max-sm:hidden">{{ __($isLoan ? 'common.porch' : 'reading.to_title') }}</span></a>
        <h1 class="flex-1 min-w-0 truncate text-center text-base! font-sans! max-sm:sr-only"><span
            class="font-semibold">{{ App\Shared\View\TitleText::name($title) }}</span>@unless ($isLoan) <span
                class="font-normal">·
            {{ __('reading.excerpt') }}</span>@endunless</h1>
        <span class="flex-1 sm:hidden"></span>
        <button id="open-contents" aria-expanded="false" aria-controls="contents">{{ __($isMagazine ? 'reading.articles'
            : 'reading.contents') }}</button>
        @if ($publication->fixed_layout)<button id="open-text" aria-pressed="false"
            aria-controls="text-view">{{ __('reader.text_view') }}</button>@endif
        <button id="open-find" aria-expanded="false" aria-controls="find">{{ __('reader.find') }}</button>
        @if ($isLoan)<button id="open-marks" aria-expanded="false"
            aria-controls="marks">{{ __('reading.marks') }}</button>@endif
        <button id="open-appearance" aria-expanded="false" aria-controls="appearance"><span
            aria-hidden="true">Aa</span><span class="sr-only">{{ __('reader.appearance') }}</span></button>
    </header>
    <main class="reader-page" id="page" aria-label="{{ __('reader.book') }}">
        <p id="opening" class="absolute inset-0 grid place-items-center text-lg p-8 text-center"
            role="status">{{ __('reader.opening') }}</p>
        @if ($isLoan)<div id="beside" role="group" aria-label="{{ __('reader.beside') }}"></div>@endif
        @if ($publication->fixed_layout)
            <section id="text-view" class="text-view" hidden aria-label="{{ __('reader.text_view') }}">
                <article data-text tabindex="-1" lang="{{ $title->language ?? '' }}" dir="auto"></article>
                <p class="text-view-keys"><button type="button" data-before>{{ __('reader.article_before')
                    }}</button><button type="button" data-after>{{ __('reader.article_after') }}</button></p>
            </section>
        @endif
        <div id="selection" class="selection-bar" role="toolbar" aria-label="{{ __('reader.selected') }}" hidden>
            @if ($isLoan)
                <span class="flex" role="group" aria-label="{{ __('reader.highlight')
                    }}">@foreach (\FigPorch\Core\Reading\Colour::cases() as $colour)<button type="button"
                    data-act="highlight" data-colour="{{ $colour->value }}" aria-pressed="false"
                    title="{{ $colours[$colour->value] }}"
                    aria-label="{{ __('reader.highlight') }}: {{ $colours[$colour->value] }}"><span
                    class="pen" data-colour="{{ $colour->value }}" aria-hidden="true"></span></button>@endforeach</span>
                <button type="button" data-act="note">{{ __('reading.note') }}</button>
            @endif
            <button type="button" data-act="copy">{{ __('reader.copy') }}</button>
            <button type="button" data-act="lookUp">{{ __('reader.look_up') }}</button>
            <button type="button" data-act="cite">{{ __('reading.cite') }}</button>
            <button type="button" data-act="remove" hidden>{{ __('reading.remove') }}</button>
            @if ($isLoan)<p data-note class="selection-words empty:hidden"></p>@endif
            <p data-price class="selection-words selection-price empty:hidden" role="status"></p>
        </div>
        <div id="aloud" class="selection-bar" role="toolbar" aria-label="{{ __('reader.read_aloud') }}" hidden>
            <button type="button" data-pause></button>
            <label class="flex items-center gap-1 px-2"><span class="text-[15px]">{{ __('reading.speed')
                }}</span><select class="aloud-speed">@foreach (['0.75', '1', '1.25', '1.5', '2'] as $speed)<option
                value="{{ $speed }}" @selected($speed === '1')>{{ $speed }}×</option>@endforeach</select></label>
            <button type="button" data-stop>{{ __('reader.stop') }}</button>
        </div>
        <aside id="footnote" class="footnote" hidden aria-label="{{ __('reader.footnote') }}">
            <button type="button" data-close>{{ __('reading.close_drawer') }}</button>
            <div data-note class="relative h-full"></div>
        </aside>
        <x-reading.drawer name="contents" :heading="__($isMagazine ? 'reading.articles' : 'reading.contents')">
            <form id="go-to-page" class="flex flex-wrap gap-2 items-center mb-4" novalidate><label for="page-number"
                class="text-[15px]">{{ __('reader.go_to_page') }}</label><input id="page-number" type="text"
                inputmode="numeric" autocomplete="off" maxlength="12"
                aria-describedby="page-answer"><button>{{ __('reader.go') }}</button><p
                id="page-answer" role="alert" class="w-full empty:hidden text-[15px]"></p></form>
            <nav id="contents-list" aria-labelledby="contents-heading"></nav>
            <ul class="mt-4 pt-3 border-t border-[color:var(--edge)] list-none">
                @unless ($publication->fixed_layout)<li><button type="button"
                    id="read-aloud" aria-describedby="aloud-hint">{{ __('reader.read_aloud') }}</button><p
                    id="aloud-hint" class="px-2.5 text-[15px] text-[color:var(--dim)] empty:hidden"></p></li>@endunless
                <li><a href="{{ route('cite', $title, false) }}" id="cite-book">{{ __('reading.cite_book') }}</a></li>
                @if ($isLoan)<li><a href="{{ route('pages.choose', $loan, false) }}"
                    id="print-pages">{{ __($loan->licence->rights()->chaptersAsPdf ? 'pages.heading_mail' :
                    'pages.heading') }}</a></li>@endif
            </ul>
        </x-reading.drawer>
        <x-reading.drawer name="find" :heading="__('reader.find')">
            <form id="find-form" class="flex gap-2 mb-2" role="search"><label for="find-words"
                class="sr-only">{{ __('reader.find_words') }}</label><input id="find-words" name="words" type="text"
                class="wide" autocomplete="off" maxlength="100"
                placeholder="{{ __('reader.find_words') }}"><button>{{ __('reader.find_act') }}</button></form>
            <p id="find-answer" role="status" class="text-[15px] empty:hidden"></p>
            <div id="find-steps" class="flex gap-2 mb-2" hidden><button type="button"
                data-step="-1">{{ __('reader.find_before') }}</button><button type="button"
                data-step="1">{{ __('reader.find_next') }}</button></div>
            <ol id="find-list" class="found-list"></ol>
        </x-reading.drawer>
        @if ($isLoan)<x-reading.drawer name="marks" :heading="__('reading.marks')"><div id="bookmark-box"
            class="grid gap-2"></div><p class="mt-4 pt-3 border-t border-[color:var(--edge)] text-[15px]"><a
            class="underline" href="{{ route('marks.work', $title, false) }}">{{
            __('marks.to_print') }}</a></p></x-reading.drawer>@endif
        <x-reading.drawer name="cite" :heading="__('reading.cite')"><div id="cite-box"></div></x-reading.drawer>
        <x-reading.drawer name="word" :heading="__('reader.look_up')"><div id="word-box"></div></x-reading.drawer>
        <x-reading.drawer name="appearance" :heading="__('reader.appearance')">
            <form class="grid gap-5" id="appearance-form">
                <div><h3 id="size-heading" class="font-sans! text-base! mb-2">{{ __($publication->fixed_layout ?
                    'reader.size_of_text_view' : 'reader.text_size') }}</h3><div
                    class="flex items-center gap-2" role="group" aria-labelledby="size-heading"><button type="button"
                    data-size="-10" aria-label="{{ __('reader.smaller') }}"><span aria-hidden="true"
                    class="text-sm">A−</span></button><output id="size" class="tabular-nums w-14 text-center">100
                    %</output><button type="button" data-size="10" aria-label="{{ __('reader.larger') }}"><span
                    aria-hidden="true" class="text-xl leading-none">A+</span></button></div></div>
                @unless ($publication->fixed_layout)
                <fieldset><legend class="font-semibold mb-2">{{ __('reading.typeface') }}</legend><div
                    class="choices">{!! $radios('typeface', __('reader.typefaces')) !!}</div></fieldset>
                @endunless
                <fieldset><legend class="font-semibold mb-2">{{ __('reading.background') }}</legend><div
                    class="choices">{!! $radios('background', __('reader.backgrounds')) !!}</div></fieldset>
                @if ($publication->fixed_layout)
                <fieldset><legend class="font-semibold mb-2">{{ __('reading.layout') }}</legend><div
                    class="choices">{!! $radios('pages', __('reader.pages_together')) !!}</div></fieldset>
                @if ($isPdf)<fieldset><legend class="font-semibold mb-2">{{ __('reading.margins') }}</legend><div
                    class="choices">{!! $radios('crop', __('reader.crops')) !!}</div></fieldset>@endif
                @else
                <fieldset><legend class="font-semibold mb-2">{{ __('reading.layout') }}</legend><div
                    class="choices">{!! $radios('layout', __('reader.layouts')) !!}</div></fieldset>
                <fieldset><legend class="font-semibold mb-2">{{ __('reader.line_spacing') }}</legend><div
                    class="choices">{!! $radios('spacing', ['1.35' => __('reader.tight'), '1.55' =>
                    __('reading.medium'), '1.85' => __('reader.loose')]) !!}</div></fieldset>
                <fieldset><legend class="font-semibold mb-2">{{ __('reading.margins') }}</legend><div
                    class="choices">{!! $radios('margins', ['3' => __('reader.narrow'), '7' => __('reading.medium'),
                    '14' => __('reader.wide')]) !!}</div></fieldset>
                <fieldset><legend class="font-semibold mb-2">{{ __('reader.align') }}</legend><div
                    class="choices">{!! $radios('align', __('reader.aligns')) !!}</div></fieldset>
                <fieldset><legend class="font-semibold mb-2">{{ __('reader.letters') }}</legend><div
                    class="choices">{!! $radios('letters', __('reader.letter_spacings')) !!}</div></fieldset>
                <fieldset><legend class="font-semibold mb-2">{{ __('reader.styles') }}</legend><div
                    class="choices">{!! $radios('styles', __('reader.style_sources')) !!}</div></fieldset>
                @endif
            </form>
            <p class="mt-6 max-sm:hidden"><button type="button" class="underline!" data-open-keys hidden>{{
                __('keys.open') }}</button></p>
        </x-reading.drawer>
    </main>
    <footer id="bottom-bar">
        <progress id="progress" max="1" value="0" aria-label="{{ __('reading.page_of', ['page' => '', 'pages' => ''])
            }}"></progress>
        <div class="reader-bar justify-between text-[15px]">
            <button id="back-page" aria-label="{{ __('reader.back_one_page') }}"><span
                aria-hidden="true">‹</span></button>
            {{-- As high whatever it says: were the page's height to depend on the place, and the place on the height,
                 neither would come to rest. --}}
            <p class="text-center tabular-nums min-w-0 flex-1 flex items-center justify-center leading-[1.4]
                h-[2.8em] sm:h-[1.4em]" id="where"><span class="line-clamp-2 sm:line-clamp-1"><span id="chapter"
                class="max-sm:hidden"></span> <span id="page-of" class="font-semibold"></span><span
                id="screen" class="max-sm:hidden"></span> <span id="left"></span></span></p>
            {{-- In place of where one is, so that it lies over nothing that is read. --}}
            <div id="notice" role="status" class="reader-notice empty:hidden" data-close="{{
                __('reading.close_drawer') }}"></div>
            @if ($publication->fixed_layout)<span class="reader-zoom" role="group" aria-label="{{ __('reader.zoom') }}">
                <button type="button" id="zoom-out" aria-label="{{ __('reader.zoom_out') }}">−</button><select
                id="zoom" aria-label="{{ __('reader.zoom') }}"><option value="page">{{ __('reader.fit_page')
                }}</option><option value="width">{{ __('reader.fit_width') }}</option>
                @foreach ([50, 75, 100, 125, 150, 200, 300, 400] as $percent)<option value="{{ $percent }}">{{
                    $percent }} %</option>@endforeach<option data-own hidden></option></select><button type="button"
                id="zoom-in" aria-label="{{ __('reader.zoom_in') }}">+</button></span>@endif
            <button id="next-page" aria-label="{{ __('reader.on_one_page') }}"><span
                aria-hidden="true">›</span></button>
        </div>
    </footer>
</div>
<x-keys :of="['reader']" />
</body>
</html>
