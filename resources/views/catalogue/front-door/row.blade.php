{{-- Covers in a row, and where there are more. --}}
<section aria-labelledby="row-{{ $n }}" class="mb-9">
    <div class="flex items-baseline justify-between gap-4 mb-3">
        <h2 id="row-{{ $n }}" class="text-2xl inline-flex items-center gap-2.5">@if ($lit){{
            App\Lending\Availability\AvailabilityIcon::Lit->html() }}@endif<bdi>{{ $heading }}</bdi></h2>
        <a class="link whitespace-nowrap" href="{{ $current->link(route('catalogue', $all, false)) }}">{{ $lit ?
            __('account.see_all_ready') : __('account.see_all') }}<span class="sr-only">: {{ $heading
            }}</span></a>
    </div>
    @if ($note)<p class="-mt-2 mb-3 max-w-[80ch]">{{ $note }}</p>@endif
    <ul class="grid grid-cols-3 sm:grid-cols-4 lg:grid-cols-6 gap-5">
        @foreach ($titles as $title)
            <li><a href="{{ $current->link(route('titles.show', $title, false)) }}" class="no-underline block group">
                {{ App\Shared\View\Covers\Cover::html($title, 150, decorative: true, class: 'w-full h-auto') }}
                <span class="font-semibold block mt-2 leading-tight group-hover:underline">{{
                    App\Shared\View\TitleText::name($title) }}</span>
                <span class="meta block">{{ App\Shared\View\TitleText::people($title) }}</span>
            </a></li>
        @endforeach
    </ul>
</section>
