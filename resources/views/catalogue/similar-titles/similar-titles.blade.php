<x-layout :title="__('catalogue.alike').': '.$title->name" on="catalogue">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ $current->link("/titles/{$title->id}") }}">{{
        App\Shared\View\TitleText::name($title) }}</a></p>
    <h1 class="text-3xl mb-4">{{ __('catalogue.alike') }}</h1>
    @include('catalogue.similar-titles.covers')
</x-layout>
