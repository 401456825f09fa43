<x-layout :title="__('common.error.'.$code.'.heading')">
    <div class="max-w-xl mx-auto mt-10">
        <h1 class="text-3xl mb-2">{{ __('common.error.'.$code.'.heading') }}</h1>
        <p class="mb-5">{{ ($said ?? '') !== '' ? $said : __('common.error.'.$code.'.text') }}</p>
        <a class="btn" href="/">{{ __('common.home') }}</a>
    </div>
</x-layout>
