@use('App\Lending\Availability\AvailabilityIcon')
@use('App\Lending\Availability\AvailabilityText')
@use('App\Shared\View\Covers\Cover')
@use('App\Shared\View\TitleText')
{{-- Results as covers: more of them at once, each borrowed from its page. --}}
<ul class="grid grid-cols-2 sm:grid-cols-3 xl:grid-cols-5 gap-x-5 gap-y-7 border-t border-rule py-5">
    @foreach ($rows as $row)
        @php($title = $row->title)
        @php($standing = ($ways[$title->id] ?? null)?->standing ?? $standings[$title->id])
        <li data-title="{{ $title->id }}" class="min-w-0">
            <a href="{{ $current->link("/titles/{$title->id}") }}" class="no-underline block group">{{
                Cover::html($title, 150, decorative: true, class: 'w-full h-auto') }}<span
                class="font-serif font-semibold text-lg block mt-2 leading-tight group-hover:underline">{{
                TitleText::name($title) }}</span></a>
            @if ($people = TitleText::people($title))<div class="text-[15px]">{{ $people }}</div>@endif
            <div class="meta">{{ TitleText::format($title) }}</div>
            <div class="inline-flex items-start gap-1.5 text-[15px] font-semibold mt-1">{{
                AvailabilityIcon::forPerson($standing, $own, $title->id, now())->html() }}<span>{{
                AvailabilityText::forPerson($standing, $own, $title->id, now()) }}</span></div>
            @includeWhen($row->beside !== [], 'catalogue.search.beside')
        </li>
    @endforeach
</ul>
