@props(['page'])
@if ($page->hasPages())
    <nav aria-label="{{ __('common.pages') }}" class="border-t border-rule pt-4 flex items-center justify-between
        gap-4">
        @if ($page->onFirstPage())<span></span>@else<a class="btn btn-quiet" rel="prev"
            href="{{ $page->previousPageUrl() }}">{{ __('common.previous') }}</a>@endif
        <span class="meta">{{ __('common.page_of', ['page' => $page->currentPage(), 'pages' => $page->lastPage()])
            }}</span>
        @if ($page->hasMorePages())<a class="btn btn-quiet" rel="next"
            href="{{ $page->nextPageUrl() }}">{{ __('common.next') }}</a>@else<span></span>@endif
    </nav>
@endif
