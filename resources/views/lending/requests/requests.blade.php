@use('App\Shared\View\Dates')
@use('App\Shared\View\TitleText')
<x-layout :title="__('common.requests')" on="requests">
    <h1 class="text-3xl mb-1">{{ __('common.requests') }}</h1>
    <p class="mb-4 max-w-[75ch] text-soft">{{ __('requests.requests_text') }} <a class="link"
        href="/ask">{{ __('lending.ask_words') }}</a></p>
    @forelse ($requests as $request)
        @php($zone = $request->card->library->zone())
        <article class="border-t border-rule py-4 grid grid-cols-[74px_1fr] md:grid-cols-[74px_1fr_auto] gap-x-4
            gap-y-3">
            @php($name = $request->title->name ?? $request->name)
            @if ($request->title !== null){{ App\Shared\View\Covers\Cover::html($request->title, decorative: true)
                }}@else<span></span>@endif
            <div class="min-w-0">
                <h2 class="text-xl">@if ($request->title !== null)<a class="no-underline hover:underline"
                    href="{{ $current->link("/titles/{$request->title_id}") }}">{{ TitleText::name($request->title)
                        }}</a>@else{{ $name
                        }}@endif</h2>
                <div>{{ $request->title === null ? $request->people : TitleText::people($request->title) }}</div>
                <div class="meta">{{ implode(' · ', array_filter([$request->title !== null ?
                    TitleText::format($request->title) : ($request->format === null ? null :
                    __("catalogue.format.{$request->format->value}")), $request->number,
                    $request->card->library->short_name])) }}</div>
                <div class="mt-1"><b>{{ __("requests.request_states.{$request->state}") }}</b> <span
                    class="meta">{{ __($request->state === 'open' ? 'lending.asked_on' : 'lending.answered_on',
                    ['date' => Dates::day($request->answered_at ?? $request->asked_at, $zone)]) }}</span></div>
                @if ($request->state === 'open')<div class="meta">{{ __($request->wants_hold ? 'lending.wish_hold' :
                    ($request->wants_notice ? 'lending.wish_notice' : 'lending.wish_none')) }}</div>@endif
                @if ($request->answer !== null && $request->answer !== '')<p
                    class="mt-1 max-w-[65ch]">{{ $request->answer }}</p>@endif
            </div>
            <div class="col-span-2 md:col-span-1 flex flex-wrap gap-2 items-start">
                @if ($request->state === 'open')
                    @if ($request->title !== null)<a class="btn btn-quiet"
                        href="/titles/{{ $request->title_id }}/ask?library={{ $request->card->library->slug }}">{{
                        __('requests.change_wishes') }}<span class="sr-only">: {{ $name }}</span></a>@endif
                    <form method="post" action="/requests/{{ $request->id }}/withdraw">@csrf<button
                        class="btn btn-plain">{{ __('requests.withdraw') }}<span class="sr-only">:
                        {{ $name }}</span></button></form>
                @elseif ($request->state === 'here')
                    <a class="btn" href="{{ $current->link("/titles/{$request->title_id}") }}">{{ __('requests.see_it')
                        }}<span
                        class="sr-only">: {{ $name }}</span></a>
                @endif
            </div>
        </article>
    @empty
        <div class="panel p-6"><p class="mb-3 max-w-[65ch]">{{ __('requests.no_requests') }}</p><a class="btn"
            href="{{ $current->link('/catalogue?reach=beyond') }}">{{ __('requests.look_beyond') }}</a></div>
    @endforelse
</x-layout>
