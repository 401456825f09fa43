<x-desk.layout :title="__('setup.done', ['library' => $staff->library->name])" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('setup.done', ['library' => $staff->library->name]) }}</h1>
    <p class="mb-3 max-w-[75ch]">{{ __('setup.done_text') }}</p>
    <p class="mb-5 overflow-x-auto"><code>bin/artisan catalogue:import book.epub --library={{ $staff->library->slug
        }}</code></p>
    <p class="mb-6 flex flex-wrap gap-3"><a class="btn" href="/desk/licences">{{ __('setup.to_desk') }}</a><a
        class="btn btn-quiet" href="/?library={{ $staff->library->slug }}">{{ __('setup.to_front_door') }}</a></p>
    @if ($cards !== [])
        <h2 class="text-xl mb-1">{{ trans_choice('setup.cards', count($cards)) }}</h2>
        <p class="mb-3">{{ __('setup.cards_text') }}</p>
        <div class="panel overflow-x-auto max-w-2xl" tabindex="0" role="group" aria-label="{{ __('setup.patrons') }}">
            <table class="w-full text-[15px] desk-table">
                <thead><tr><th scope="col">{{ __('setup.card_name') }}</th><th
                    scope="col">{{ __('setup.card_number') }}</th><th scope="col">PIN</th></tr></thead>
                <tbody>@foreach ($cards as $card)<tr><th scope="row"
                    class="text-left font-normal"><bdi>{{ $card['name'] }}</bdi></th><td
                    class="tabular-nums">{{ $card['number'] }}</td><td
                    class="tabular-nums">{{ $card['pin'] }}</td></tr>@endforeach</tbody>
            </table>
        </div>
    @endif
</x-desk.layout>
