{{-- Where a title is that is not lent here, in words: short in a list, and all of it on its own page. --}}
@use('App\Lending\Holdings\ElsewhereText')
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Catalogue\OpenTo')
@php($elsewhere = $standing->elsewhere)
<div id="action-{{ $title->id }}" class="grid gap-2 justify-items-start text-[15px] w-full">
    @if ($elsewhere->isNowhere() || (! ($detailed ?? false) && $elsewhere->links === []))
        <span class="font-semibold">{{ ElsewhereText::short($elsewhere) }}</span>
    @elseif ($elsewhere->holdings !== [])
        @include('lending.holdings.shelves', ['holdings' => $elsewhere->holdings, 'at' => null])
    @endif
    @foreach (array_slice($elsewhere->websites(), 0, ($detailed ?? false) ? null : 1) as $link)
        <div class="grid gap-1.5 justify-items-start">
            <span class="font-semibold">{{ ElsewhereText::link($link) }}</span>
            @if (($detailed ?? false) && $link->about !== '')<span><bdi>{{ $link->about }}</bdi></span>@endif
            <a class="btn {{ $quiet ?? false ? 'btn-quiet' : '' }}" rel="noopener noreferrer"
                href="{{ $link->open_to === OpenTo::CardHolders ? route('websites.open', $link, false) :
                $link->address }}">{{ __('holdings.open') }}<span class="sr-only">: {{ $title->name }} ({{
                __('holdings.opens_elsewhere') }})</span></a>
            @if ($detailed ?? false)
                @if ($link->open_to === OpenTo::InTheBuilding)<span class="meta">{{ __('holdings.building_text',
                    ['library' => $link->library->name]) }}</span>@endif
                @if ($link->dead_at !== null)<span class="text-clay">{{ __('holdings.did_not_answer',
                    ['date' => Dates::day($link->asked_at, $standing->zone)]) }}</span>@endif
            @endif
        </div>
    @endforeach
</div>
