@php($zone = $current->library?->zone() ?? new DateTimeZone('UTC'))
<x-layout :title="__('reading.ended_heading')" on="loans">
    <div class="panel p-7 max-w-xl mx-auto mt-8">
        <h1 class="text-3xl mb-2">{{ __('reading.ended_heading') }}</h1>
        <p class="mb-5">{{ __('reading.ended_text', ['name' => $loan->title->name, 'date' =>
            App\Shared\View\Dates::day($loan->ended_at ?? $loan->due_at, $zone)]) }}</p>
        <a class="btn" href="{{ $current->link(route('titles.show', $loan->title, false), $loan->card?->library) }}">{{
            __('reading.to_title') }}</a>
        <a class="btn btn-plain" href="{{ route('porch', [], false) }}">{{ __('common.porch') }}</a>
    </div>
</x-layout>
