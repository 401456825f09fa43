{{-- The ways to look at a library's licences. --}}
<nav aria-label="{{ __('desk.licences') }}" class="flex flex-wrap gap-x-1 border-b border-rule mb-4 text-[15px]">
    @foreach (['licences' => 'licences.licences_heading', 'renewals' => 'renewals.heading', 'weeding' =>
        'weeding.heading',
        'pay-per-loan' => 'paid.heading'] as $tab => $words)<a href="/desk/{{ $tab }}" @class(['px-3 py-2 no-underline
        border-b-3 -mb-px', 'border-shutter font-semibold' => $tab === $here, 'border-transparent hover:bg-haint' =>
        $tab !== $here]) @if ($tab === $here) aria-current="page" @endif>{{ __($words) }}</a>@endforeach
</nav>
