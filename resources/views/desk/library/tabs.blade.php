{{-- The library itself, and its front door. --}}
<nav aria-label="{{ __('library.heading') }}" class="flex flex-wrap gap-x-1 border-b border-rule mb-4 text-[15px]">
    @foreach (['library' => 'library.settings', 'front' => 'library.front', 'ways' =>
        'ways.heading'] as $tab => $words)<a
        href="{{ route("desk.{$tab}", absolute: false) }}" @class(['px-3 py-2 no-underline border-b-3 -mb-px',
        'border-shutter font-semibold' => $tab === $here, 'border-transparent hover:bg-haint' => $tab !== $here])
        @if ($tab === $here) aria-current="page" @endif>{{ __($words) }}</a>@endforeach
</nav>
