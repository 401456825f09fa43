@use('App\Shared\View\Dates')
<x-layout :title="__('sending.sent_heading')" on="settings">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('settings', absolute: false) }}#sending">{{
        __('sending.heading') }}</a></p>
    <h1 class="text-3xl mb-4">{{ __('sending.sent_heading') }}</h1>
    @if ($sendings->isEmpty())
        <p class="panel p-6 max-w-2xl">{{ __('sending.none') }}</p>
    @else
        <ul class="panel divide-y divide-rule max-w-4xl" @if ($sendings->contains('ended_at', null))
            hx-get="{{ route('sendings.index', absolute: false) }}" hx-trigger="every 4s" hx-select="main ul"
            hx-target="this" hx-swap="outerHTML" @endif>
            @foreach ($sendings as $sending)
                <li class="px-4 py-3 grid sm:grid-cols-[1fr_auto] gap-x-6 gap-y-1"><div class="min-w-0"><b
                    class="break-words"><bdi>{{ $sending->name }}</bdi></b><span class="meta block break-all">{{
                    $sending->destination }}</span>@if ($sending->why !== null)<p class="mt-1 max-w-[75ch]">{{
                    __("sending.why.{$sending->why->value}") }}</p>@endif</div><div class="sm:text-right"><span
                    @class(['font-semibold', 'text-clay' => $sending->why !== null])>{{
                    __("sending.states.{$sending->state}") }}</span><span class="meta block">{{
                    Dates::exact($sending->ended_at ?? $sending->asked_at, $zone) }}</span></div></li>
            @endforeach
        </ul>
    @endif
</x-layout>
