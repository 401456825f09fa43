@props(['name', 'heading'])
<section id="{{ $name }}" class="drawer" hidden aria-labelledby="{{ $name }}-heading">
    <div class="flex justify-between items-center mb-3"><h2 id="{{ $name }}-heading"
        class="text-xl">{{ $heading }}</h2><button type="button"
        data-close>{{ __('reading.close_drawer') }}</button></div>
    {{ $slot }}
</section>
