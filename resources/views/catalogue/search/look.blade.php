{{-- Rows or covers, and whether the titles of a work stand together. --}}
<form method="post" action="{{ route('catalogue.look', [], false) }}"
    aria-label="{{ __('search.look') }}" class="flex flex-wrap items-center gap-1 text-[15px]">@csrf<input type="hidden"
    name="search" value="{{ http_build_query([...$search->with([]), ...$page->currentPage() > 1 ? ['page' =>
    $page->currentPage()] : []]) }}">
    @foreach (['rows' => ! $look->covers, 'covers' => $look->covers] as $name => $chosen)<button name="look"
        value="{{ $name }}" aria-pressed="{{ $chosen ? 'true' : 'false' }}" @class(['px-3 py-1.5 rounded-md
        cursor-pointer', 'bg-haint font-semibold' => $chosen])>{{ __("search.looks.{$name}") }}</button>@endforeach
    <button name="look" value="{{ $look->byWork ? 'by_title' : 'by_work' }}"
        aria-pressed="{{ $look->byWork ? 'true' : 'false' }}" @class(['px-3 py-1.5 rounded-md cursor-pointer
        ml-3', 'bg-haint font-semibold' => $look->byWork])>{{ __('search.looks.by_work') }}</button></form>
