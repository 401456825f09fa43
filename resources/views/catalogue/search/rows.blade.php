@use('App\Shared\View\TitleText')
{{-- All rows in one view: a view for each takes longer than what it shows. --}}
@foreach ($rows as $row)
@php($title = $row->title)
@php($way = $ways[$title->id] ?? null)
<article class="border-t border-rule py-4 grid grid-cols-[74px_1fr] md:grid-cols-[74px_1fr_230px] gap-x-4 gap-y-3"
    data-title="{{ $title->id }}">
    <a href="{{ $current->link("/titles/{$title->id}") }}" tabindex="-1" aria-hidden="true">{{
        App\Shared\View\Covers\Cover::html($title,
        decorative: true) }}</a>
    <div class="min-w-0">
        <h2 class="text-xl"><a href="{{ $current->link("/titles/{$title->id}") }}"
            class="no-underline hover:underline">{{ App\Shared\View\TitleText::name($title) }}</a></h2>
        @if ($people = TitleText::people($title))<div>{{ $people }}</div>@endif
        <div class="meta">{{ TitleText::kind($title) }}</div>
        <div class="meta flex flex-wrap items-baseline gap-x-3"><span
            class="empty:hidden">{{ implode(' · ', array_filter([TitleText::series($title),
            ...array_slice(array_values($title->subjectNames()), 0, 3)])) }}</span>
            {{ App\Catalogue\Baskets\AddToBasket::html($title) }}</div>
        @includeWhen($row->beside !== [], 'catalogue.search.beside')
    </div>
    <div class="col-span-2 md:col-span-1">@include('lending.borrowing.title-action',
        ['standing' => $way->standing ?? $standings[$title->id], 'way' => $way?->library])@if ($way !== null)<p
        class="meta mt-1">{{ __('catalogue.with_card', ['library' => $way->library->short_name]) }}</p>@endif</div>
</article>
@endforeach
