@php
    use App\Shared\View\TitleText;
    $isLoan = $loan !== null;
    $format = $title->format->value;
    $isVideo = $format === 'video';
    $base = $isLoan ? "/loans/{$loan->id}/files/" : "/titles/{$title->id}/excerpt/files/";
    $address = fn (string $path): string => $base.implode('/', array_map(rawurlencode(...), explode('/', $path)));
    $clock = fn (float $s): string => $s >= 3600 ? sprintf('%d:%02d:%02d', intdiv((int) $s, 3600), intdiv((int) $s, 60)
        % 60, $s % 60) : sprintf('%d:%02d', intdiv((int) $s, 60), $s % 60);
    $total = array_sum(array_column($parts, 'seconds'));
    $cover = $title->cover_file === null ? null : route('titles.cover', $title, false);
    $data = App\Reading\Reader\ReadingData::json($loan, $place, [
        'parts' => array_map(fn (array $part): array => [...$part, 'address' => $address($part['path']), 'captions' =>
            array_map(fn (array $c): array => [...$c, 'address' => $address($c['path'])], $part['captions'])], $parts),
        'film' => $isVideo, 'title' => $title->name, 'people' => TitleText::people($title), 'cover' => $cover,
    ], Illuminate\Support\Arr::only(__('offline.texts'), ['costs', 'anyway']) +
        Illuminate\Support\Arr::only(__('reading'), ['play', 'pause_playing', 'place_said', 'sleep_stopped',
        'cannot_play', 'loan_over', 'further_on', 'excerpt_over', 'play_next', 'plays_next']));
    $captions = array_column(array_merge(...array_column($parts, 'captions')), 'label', 'language');
@endphp
<!doctype html>
<html lang="{{ app()->getLocale() }}" data-scheme="{{ in_array(request()->cookie('scheme'), ['light', 'dark'], true) ?
    request()->cookie('scheme') : 'system' }}"
    data-ask-on-mobile="{{ implode(' ', $current->person->ask_on_mobile ?? []) }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ __(! $isLoan ? 'reading.excerpt_of' : ($isVideo ? 'reading.watching' : 'reading.listening'),
        ['name' => $title->name]) }} · Fig Porch</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/reading/player/open.js'])
    <script type="application/json" id="player-data">{!! $data !!}</script>
</head>
<body class="player" id="player" data-format="{{ $format }}" data-captions-size="medium" data-captions-ground="dark">
    <header class="flex items-center gap-3 px-4 md:px-7 py-2 border-b border-rule">
        <a class="link py-2" href="{{ $isLoan ? route('porch', [], false) : $current->link(route('titles.show', $title,
            false)) }}"
            id="close"><span aria-hidden="true">←</span> {{ __($isLoan ? 'reading.close_player' : 'reading.to_title')
            }}</a>
        @if ($isVideo)<h1 class="flex-1 min-w-0 truncate text-center text-lg!">{{
            App\Shared\View\TitleText::name($title) }}</h1>@endif
    </header>
    <main @class(['player-main', 'player-watch' => $isVideo])>
        @if ($isVideo)
            {{-- The keys below are for it as well; without scripts the browser's own stay. --}}
            <video id="media" controls
                preload="{{ in_array('film', $current->person->ask_on_mobile ?? [], true) ? 'none' : 'metadata' }}"
                playsinline src="{{ $address($parts[0]['path']) }}"
                aria-label="{{ $title->name }}">@foreach ($parts[0]['captions'] as $caption)<track kind="captions"
                srclang="{{ $caption['language'] }}" label="{{ $caption['label'] }}"
                src="{{ $address($caption['path']) }}">@endforeach</video>
        @else
            <div class="player-cover">{{ App\Shared\View\Covers\Cover::html($title, 320, decorative: true, class:
                'w-full h-auto') }}</div>
        @endif
        <div class="min-w-0">
            @unless ($isVideo)<h1 class="text-3xl">{{ App\Shared\View\TitleText::name($title) }}</h1>@endunless
            <p class="mb-1">{{ TitleText::people($title) }}</p>
            <p class="meta mb-4">{{ $isLoan ? TitleText::format($title) : __('reading.excerpt').' · '.$clock($total)
                }}</p>
            @if (count($parts) > 1 || ! $isVideo)
                <h2 class="text-xl mb-1" id="parts-heading">{{ __("reading.parts.{$format}") }}</h2>
                <ol id="parts" class="player-parts" aria-labelledby="parts-heading">
                    @foreach ($parts as $n => $part)
                        <li><button type="button" data-part="{{ $n }}"><span
                            class="min-w-0 flex-1">{{ $part['name'] }}</span><span
                            class="meta tabular-nums">{{ $clock($part['seconds'])
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
            @unless ($isVideo)<audio id="media" controls preload="metadata" src="{{ $address($parts[0]['path']) }}"
                class="w-full"></audio>@endunless
        </div>
    </main>
    <section class="player-bar" aria-label="{{ __('player.where_playing') }}" id="bar" hidden>
        <div id="notice" role="status" class="empty:hidden w-full flex flex-wrap gap-3 items-center text-[15px]"></div>
        <div class="player-seek">
            <span class="tabular-nums" id="now">0:00</span>
            <span class="relative flex-1 h-8 flex items-center">
                <svg id="seek-drawing" viewBox="0 0 1000 12" preserveAspectRatio="none" aria-hidden="true"><rect
                    class="seek-ground" x="0" y="3" width="1000" height="6" rx="3"/><rect class="seek-done"
                    id="seek-done" x="0" y="3" width="0" height="6"
                    rx="3"/>@php($at = 0)@foreach (array_slice($parts, 0, -1) as $part)@php($at +=
                    $part['seconds'])<rect class="seek-mark" x="{{ round(1000 * $at / max(1, $total), 1) - 1.5 }}" y="0"
                    width="3" height="12"/>@endforeach</svg>
                <input id="seek" type="range" min="0" max="{{ round($total, 1) }}" step="1" value="0"
                    aria-label="{{ __('player.where_playing') }}">
            </span>
            <span class="tabular-nums" id="total">{{ $clock($total) }}</span>
        </div>
        <div class="player-keys">
            @if (count($parts) > 1)<button type="button" id="before"
                aria-label="{{ __("player.part_before.{$format}") }}"><svg viewBox="0 0 24 24" aria-hidden="true"><path
                d="M5 5h3v14H5zM20 5v14L9 12z"/></svg></button>@endif
            <button type="button" id="back" aria-label="{{ __('player.back_15') }}"><span
                aria-hidden="true">−15</span></button>
            <button type="button" id="play" class="player-play"><svg viewBox="0 0 24 24" aria-hidden="true"><path
                class="sign-play" d="M7 4l13 8-13 8z"/><path class="sign-pause"
                d="M6 4h4v16H6zM14 4h4v16h-4z"/></svg><span class="sr-only"
                id="play-word">{{ __('reading.play') }}</span></button>
            <button type="button" id="on" aria-label="{{ __('player.on_15') }}"><span
                aria-hidden="true">+15</span></button>
            @if (count($parts) > 1)<button type="button" id="after"
                aria-label="{{ __("player.part_after.{$format}") }}"><svg viewBox="0 0 24 24" aria-hidden="true"><path
                d="M16 5h3v14h-3zM4 5l11 7-11 7z"/></svg></button>@endif
        </div>
        <div class="player-choices">
            <div><label for="speed">{{ __('reading.speed') }}</label> <select
                id="speed">@foreach (['0.5', '0.75', '0.9', '1', '1.1', '1.25', '1.5', '1.75', '2', '2.5',
                '3'] as $speed)<option value="{{ $speed }}" @selected($speed === '1')>{{ $speed
                }}×</option>@endforeach</select></div>
            <div><label for="sleep">{{ __('player.sleep_timer') }}</label> <select
                id="sleep">@foreach (__('player.sleep') as $value => $label)<option
                value="{{ $value }}">{{ $label }}</option>@endforeach</select></div>
            @if ($captions !== [])
                <div><label for="captions">{{ __('reading.captions') }}</label> <select id="captions"><option
                    value="">{{ __('player.no_captions') }}</option>@foreach ($captions as $language => $label)<option
                    value="{{ $language }}">{{ $label }}</option>@endforeach</select></div>
                <div><label for="captions-size">{{ __('player.caption_size') }}</label> <select
                    id="captions-size">@foreach (__('player.caption_sizes') as $value => $label)<option
                    value="{{ $value }}" @selected($value === 'medium')>{{ $label }}</option>@endforeach</select></div>
                <div><label for="captions-ground">{{ __('player.caption_ground') }}</label> <select
                    id="captions-ground">@foreach (__('player.caption_grounds') as $value => $label)<option
                    value="{{ $value }}">{{ $label }}</option>@endforeach</select></div>
            @endif
        </div>
        <p class="max-sm:hidden"><button type="button" class="link cursor-pointer min-h-6" data-open-keys hidden>{{
            __('keys.open') }}</button></p>
    </section>
    <x-keys :of="['player']" />
</body>
</html>
