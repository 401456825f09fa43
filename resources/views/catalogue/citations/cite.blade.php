@if (request()->header('X-Part') === 'drawer')
    @include('catalogue.citations.cite-styles', ['heading' => 'h3'])
@else
    <x-layout :title="__('reading.cite_book')"><h1 class="text-3xl mb-4">{{ __('reading.cite_book') }}</h1><div
        class="max-w-[80ch]">@include('catalogue.citations.cite-styles', ['heading' => 'h2'])</div></x-layout>
@endif
