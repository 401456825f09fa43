<x-layout :title="__('common.baskets')" on="baskets">
    <h1 class="text-3xl mb-4">{{ __('common.baskets') }}</h1>
    <div class="panel p-6 max-w-2xl"><p class="mb-4">{{ __('baskets.none') }}</p>
        @include('catalogue.baskets.make-basket', ['into' => null])</div>
</x-layout>
