@props(['filter', 'counts', 'link'])
@php
    [$name, $heading, $chosen] = [$filter::name(), $filter->heading(), [$filter->from, $filter->to]];
    $bars = App\Catalogue\Search\Histogram::of($counts, 220, 48)->bars;
    $inside = fn (array $bar): bool => ($chosen[0] === null || $bar['to'] >= $chosen[0]) &&
        ($chosen[1] === null || $bar['from'] <= $chosen[1]);
@endphp
@if (count($bars) > 1 || $chosen !== [null, null])
    <fieldset class="pb-3 border-b border-rule mb-3">
        <legend class="font-semibold mb-1">{{ $heading }}</legend>
        @if ($bars !== [])
            <svg viewBox="0 0 220 64" class="w-full h-auto coming-up small block" data-histogram="{{ $name }}"
                role="group" aria-label="{{ $heading }}">
                @foreach ($bars as $bar)
                    <a href="{{ $link([$name => "{$bar['from']}-{$bar['to']}"]) }}"
                        aria-label="{{ trans_choice('search.bar', $bar['count'],
                        ['value' => $bar['from'] === $bar['to'] ? $bar['from'] : "{$bar['from']}–{$bar['to']}"]) }}"
                        data-from="{{ $bar['from'] }}" data-to="{{ $bar['to'] }}">
                        <rect x="{{ $bar['x'] }}" y="0" width="{{ $bar['width'] + 1.5 }}" height="50"
                            fill="transparent"/>
                        <rect class="bar" x="{{ $bar['x'] }}" y="{{ 50 - $bar['height'] }}" width="{{ $bar['width'] }}"
                            height="{{ $bar['height'] }}" fill="{{ $inside($bar) ? 'var(--color-bar)' :
                            'var(--color-haint-deep)' }}"/>
                    </a>
                @endforeach
                <text x="0" y="62" fill="var(--color-soft)">{{ $bars[0]['from'] }}</text>
                <text x="{{ max(30, end($bars)['x'] + end($bars)['width']) }}" y="62" text-anchor="end"
                    fill="var(--color-soft)">{{ end($bars)['to'] }}</text>
            </svg>
        @endif
        <div class="flex items-center gap-1.5 mt-1"><label class="flex items-center gap-1.5"><span
            class="sr-only">{{ $heading }},</span> {{ __('search.from') }} <input name="{{ $name }}_from"
            value="{{ $chosen[0] }}" inputmode="numeric" maxlength="4"
            class="field py-1 px-2 min-h-8 w-15"></label><label class="flex items-center gap-1.5"><span
            class="sr-only">{{ $heading }},</span>{{ __('search.to') }} <input name="{{ $name }}_to"
            value="{{ $chosen[1] }}" inputmode="numeric" maxlength="4"
            class="field py-1 px-2 min-h-8 w-15"></label><button
            class="btn btn-quiet py-1.5 px-2.5 min-h-8">{{ __('search.set_range') }}</button></div>
    </fieldset>
@endif
