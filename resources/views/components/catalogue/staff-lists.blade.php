@props(['lists' => null])
{{-- Without lists given they come when one gets to them: as high as three panels, so that nothing moves then. --}}
@if ($lists !== [])
    <section aria-labelledby="lists">
        <div class="flex items-baseline justify-between gap-4 mb-3"><h2 id="lists"
            class="text-2xl">{{ __('account.from_librarians') }}</h2><a class="link"
            href="{{ $current->link('/rooms') }}">{{ __('common.rooms') }}</a></div>
        @if ($lists === null)
            <div class="min-h-96" hx-get="/porch/lists" hx-trigger="intersect once"></div>
        @else
            @include('catalogue.staff-lists.list-cards')
        @endif
    </section>
@endif
