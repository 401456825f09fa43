{{-- The others of a work that are found as well, each with its lamp. --}}
@use('App\Catalogue\Search\ResultRow')
@use('App\Lending\Availability\AvailabilityIcon')
@use('App\Lending\Availability\AvailabilityText')
@use('App\Shared\View\TitleText')
<div class="text-[15px] mt-1.5 flex flex-wrap items-center gap-x-3"><span class="meta" id="also-{{ $title->id }}">{{
    __('search.also_as') }}</span>
    <ul class="contents" aria-labelledby="also-{{ $title->id }}">
        @foreach (array_slice($row->beside, 0, ResultRow::SHOWN) as $other)
            @php($standing = ($ways[$other->id] ?? null)?->standing ?? $standings[$other->id])
            @php($state = AvailabilityText::forPerson($standing, $own, $other->id, now()))
            <li><a href="{{ $current->link("/titles/{$other->id}") }}" title="{{ $state }}"
                class="inline-flex items-center gap-1 py-1 link">{{
                AvailabilityIcon::forPerson($standing, $own, $other->id, now())->html() }}<span>{{
                TitleText::beside($other, $title) }}<span class="sr-only">: {{ $state }}</span></span></a></li>
        @endforeach
        @if (count($row->beside) > ResultRow::SHOWN)<li><a class="link inline-block py-1" href="{{
            $current->link("/titles/{$title->id}") }}">{{ __('search.beside_more', ['count' => count($row->beside) -
            ResultRow::SHOWN]) }}</a></li>@endif
    </ul></div>
