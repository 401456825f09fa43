<x-desk.layout :title="__('setup.done', ['library' => $staff->library->name])" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('setup.done', ['library' => $staff->library->name]) }}</h1>
    <p class="mb-3 max-w-[75ch]">{{ __('setup.done_text') }}</p>
    <p class="mb-5 overflow-x-auto"><code>bin/artisan catalogue:import book.epub --library={{ $staff->library->slug
        }}</code></p>
    <p class="mb-6 flex flex-wrap gap-3"><a class="btn" href="/desk/today">{{ __('setup.to_desk') }}</a><a
        class="btn btn-quiet" href="/?library={{ $staff->library->slug }}">{{ __('setup.to_front_door') }}</a></p>
    @if ($cards !== [])
        <h2 class="text-xl mb-1">{{ trans_choice('setup.cards', count($cards)) }}</h2>
        <p class="mb-3">{{ __('setup.cards_text') }}</p>
        <x-desk.issued-cards :cards="$cards" />
    @endif
</x-desk.layout>
