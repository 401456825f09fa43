{{-- What the figures of a library are about. --}}
<nav aria-label="{{ __('desk.rooms.figures') }}" class="flex flex-wrap gap-x-1 border-b border-rule mb-4 text-[15px]">
    @foreach (['figures' => 'figures.heading', 'turnaways' => 'figures.turnaways_heading', 'usage' =>
        'usage.heading'] as $tab => $words)<a
        href="/desk/{{ $tab }}" @class(['px-3 py-2 no-underline border-b-3 -mb-px', 'border-shutter font-semibold' =>
        $tab === $here, 'border-transparent hover:bg-haint' => $tab !== $here]) @if ($tab === $here)
        aria-current="page" @endif>{{ __($words) }}</a>@endforeach
</nav>
