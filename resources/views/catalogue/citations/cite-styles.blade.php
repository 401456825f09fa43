@use('FigPorch\Core\Catalogue\Citation\InText')
@use('FigPorch\Core\Catalogue\Citation\Reference')
@use('FigPorch\Core\Catalogue\Citation\Style')
@foreach (Style::cases() as $style)
    <section class="cited">
        <{{ $heading }}>{{ __("baskets.styles.{$style->value}") }}</{{ $heading }}>
        @if ($passage !== null)<p><span class="cited-where">{{ __('reading.cite_passage') }}</span>
            {{ InText::of($cited, $passage, $style) }}</p>@endif
        <p>@if ($passage !== null)<span class="cited-where">{{ __('reading.cite_reference') }}</span>
            @endif{!! Reference::html($cited, $style) !!}</p>
    </section>
@endforeach
