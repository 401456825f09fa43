@use(App\Reading\Publications\MeasureMedia)
@use(App\Shared\View\TitleText)
@php
    $isLoan = $loan !== null;
    $format = $title->format->value;
    $isVideo = $format === 'video';
    $total = array_sum(array_column($parts, 'seconds'));
    $captions = array_column(array_merge(...array_column($parts, 'captions')), 'label', 'language');
    $picture = $isVideo && MeasureMedia::hasPicture($publication) ? route('excerpt.picture', $title, false) : null;
@endphp
<!doctype html>
<html lang="{{ app()->getLocale() }}" data-scheme="{{ in_array(request()->cookie('scheme'), ['light', 'dark'], true) ?
    request()->cookie('scheme') : 'system' }}"
    data-ask-on-mobile="{{ implode(' ', $current->person->ask_on_mobile ?? []) }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
    <title>{{ __(! $isLoan ? 'reading.excerpt_of' : ($isVideo ? 'reading.watching' : 'reading.listening'),
        ['name' => $title->name]) }} · Fig Porch</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/reading/player/open.js'])
    <script type="application/json" id="player-data">{!! App\Reading\Player\PlayerData::json($title, $parts, $loan,
        $place, $beginning) !!}</script>
</head>
<body class="player" id="player" data-format="{{ $format }}" data-captions-size="medium" data-captions-ground="dark">
    <header class="flex items-center gap-3 px-4 md:px-7 py-2 border-b border-rule">
        <a class="link py-2" href="{{ $isLoan ? route('porch', [], false) : $current->link(route('titles.show', $title,
            false)) }}"
            id="close"><span aria-hidden="true">←</span> {{ __($isLoan ? 'reading.close_player' : 'reading.to_title')
            }}</a>
        @if ($isVideo)<h1 class="flex-1 min-w-0 truncate text-center text-lg!">{{
            TitleText::name($title) }}</h1>@endif
    </header>
    <main @class(['player-main', 'player-watch' => $isVideo])>
        @if ($isVideo)
            {{-- The keys below are for it as well; without scripts the browser's own stay. --}}
            <video id="media" controls @if ($picture !== null) poster="{{ $picture }}" @endif
                preload="{{ in_array('film', $current->person->ask_on_mobile ?? [], true) ? 'none' : 'metadata' }}"
                playsinline src="{{ $parts[0]['address'] }}"
                aria-label="{{ $title->name }}">@foreach ($parts[0]['captions'] as $caption)<track kind="captions"
                srclang="{{ $caption['language'] }}" label="{{ $caption['label'] }}"
                src="{{ $caption['address'] }}">@endforeach</video>
        @else
            <div class="player-cover">{{ App\Shared\View\Covers\Cover::html($title, 320, decorative: true, class:
                'w-full h-auto') }}</div>
        @endif
        <div class="min-w-0">
            @unless ($isVideo)<h1 class="text-3xl">{{ TitleText::name($title) }}</h1>@endunless
            <p class="mb-1">{{ TitleText::people($title) }}</p>
            <p class="meta mb-4">{{ $isLoan ? TitleText::format($title) :
                __('reading.excerpt').' · '.TitleText::clock($total) }}</p>
            @if (count($parts) > 1 || ! $isVideo)
                <h2 class="text-xl mb-1" id="parts-heading">{{ __("reading.parts.{$format}") }}</h2>
                <ol id="parts" class="player-parts" aria-labelledby="parts-heading">
                    @foreach ($parts as $n => $part)
                        <li><button type="button" data-part="{{ $n }}"><span
                            class="min-w-0 flex-1">{{ $part['name'] }}</span><span
                            class="meta tabular-nums">{{ TitleText::clock($part['seconds'])
                            }}</span></button>@if ($format === 'music' && count($parts) > 1)<button type="button"
                            data-next="{{ $n }}" aria-pressed="false"><span
                            data-words>{{ __('reading.play_next') }}</span><span class="sr-only">:
                            {{ $part['name'] }}</span></button>@endif</li>
                    @endforeach
                </ol>
            @endif
            @if ($isLoan)<details class="mb-4"><summary class="cursor-pointer text-xl font-serif font-semibold">{{
                __('player.bookmarks') }}</summary><div id="bookmark-box"
                class="grid gap-2 mt-2 justify-items-start"></div></details>@endif
            @unless ($isVideo)<audio id="media" controls preload="metadata" src="{{ $parts[0]['address'] }}"
                class="w-full"></audio>@endunless
        </div>
    </main>
    <section class="player-bar" aria-label="{{ __('player.where_playing') }}" id="bar" hidden>
        <div id="notice" role="status" class="empty:hidden w-full flex flex-wrap gap-3 items-center text-[15px]"></div>
        @include('reading.player.seek')
        <div class="player-row">
            <div class="player-keys">@include('reading.player.keys')</div>
            <div class="player-sides">
                <span class="player-volume"><button type="button" id="mute" aria-pressed="false"><svg
                    viewBox="0 0 24 24" aria-hidden="true"><path d="M4 9h4l6-5v16l-6-5H4z"/><path class="sign-loud"
                    d="M17 8.5a5 5 0 0 1 0 7M19 5.5a9 9 0 0 1 0 13"/><path class="sign-mute"
                    d="M17 9l5 6M22 9l-5 6"/></svg><span class="sr-only">{{ __('player.mute') }}</span></button><input
                    type="range" data-playing="volume" min="0" max="1" step="0.05" value="1"
                    aria-label="{{ __('player.volume') }}"></span>
                @if ($isVideo)
                    <button type="button" id="own-window" class="btn btn-quiet"
                        hidden>{{ __('player.own_window') }}</button>
                    <button type="button" id="full-screen" class="btn btn-quiet"
                        hidden>{{ __('player.full_screen') }}</button>
                @endif
            </div>
        </div>
        <div class="player-choices">
            <div class="player-speed"><label for="speed">{{ __('reading.speed') }}</label> <button type="button"
                id="slower" aria-label="{{ __('player.slower') }}">−</button><select id="speed"
                data-playing="speed">@foreach (range(50, 300, 5) as $speed)<option value="{{ $speed / 100 }}"
                @selected($speed === 100)>{{ $speed / 100 }}×</option>@endforeach</select><button type="button"
                id="faster" aria-label="{{ __('player.faster') }}">+</button></div>
            <div><label for="sleep">{{ __('player.sleep_timer') }}</label> <select
                id="sleep">@foreach (__('player.sleep') as $value => $label)<option value="{{ $value }}">{{
                is_array($label) ? $label[$format] : $label }}</option>@endforeach</select> <input type="number"
                id="sleep-minutes" min="1" max="600" step="1" inputmode="numeric" hidden
                aria-label="{{ __('player.sleep_minutes') }}"> <span class="meta empty:hidden"
                id="sleep-left"></span></div>
            @if ($captions !== [])
                <div><label for="captions">{{ __('reading.captions') }}</label> <select id="captions"><option
                    value="">{{ __('player.no_captions') }}</option>@foreach ($captions as $language => $label)<option
                    value="{{ $language }}">{{ $label }}</option>@endforeach</select></div>
            @endif
            <details class="player-more"><summary>{{ __('player.settings') }}</summary>
                <div class="player-settings">
                    <label>{{ __('player.skip_back') }} <input type="number" data-playing="back" min="1" max="600"
                        step="1" inputmode="numeric"></label>
                    <label>{{ __('player.skip_on') }} <input type="number" data-playing="on" min="1" max="600" step="1"
                        inputmode="numeric"></label>
                    <label><input type="checkbox" data-playing="level"> <span>{{ __('player.level') }} <span
                        class="meta block">{{ __('player.level_text') }}</span></span></label>
                    @if ($format === 'audiobook')<label><input type="checkbox" data-playing="shorten"> <span>{{
                        __('player.shorten') }}</span></label>@endif
                    @if ($captions !== [])
                        <label>{{ __('player.caption_size') }} <select
                            id="captions-size">@foreach (__('player.caption_sizes') as $value => $label)<option
                            value="{{ $value }}" @selected($value === 'medium')>{{ $label
                            }}</option>@endforeach</select></label>
                        <label>{{ __('player.caption_ground') }} <select
                            id="captions-ground">@foreach (__('player.caption_grounds') as $value => $label)<option
                            value="{{ $value }}">{{ $label }}</option>@endforeach</select></label>
                    @endif
                </div>
            </details>
            <button type="button" class="link cursor-pointer min-h-6 max-sm:hidden" data-open-keys hidden>{{
                __('keys.open') }}</button>
        </div>
    </section>
    <x-keys :of="['player']" />
</body>
</html>
