{{-- What is put into the rows of a page of licences: $pressures by title; $target, days. --}}
@use('App\Desk\Figures\DeskText')
@foreach ($pressures as $id => $of)
    <a href="/desk/titles/{{ $id }}?target={{ $target }}#line" id="wait-{{ $id }}" hx-swap-oob="true">{{
        DeskText::wait($of['wait']) }}</a>
    <span id="more-{{ $id }}" hx-swap-oob="true">@if ($of['extra'] === 0)<span class="text-soft">0</span>@else<a
        href="/desk/titles/{{ $id }}?target={{ $target }}#compare" class="font-semibold">{{
        App\Shared\View\Numbers::of($of['extra']) }}</a>@endif</span>
@endforeach
