@use('App\Shared\View\Dates')
@php($zone = $staff->library->zone())
<x-desk.layout :title="__('patrons.help')" on="patrons" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.card', $card) }}"><bdi>{{ $card->person->name
        }}</bdi></a></p>
    <h1 class="text-3xl mb-1">{{ __('patrons.help') }}</h1>
    <p class="mb-5 max-w-[75ch]">{{ __('patrons.help_shown') }}</p>
    <div class="grid lg:grid-cols-2 gap-8">
        <section aria-labelledby="loans"><h2 id="loans" class="text-xl mb-2">{{ __('patrons.loans') }}</h2>
            @if ($loans->isEmpty())<p class="panel p-4">{{ __('patrons.no_loans') }}</p>@else<ul class="panel divide-y
                divide-rule">@foreach ($loans as $loan)<li class="px-4 py-3 flex items-center gap-3"><span class="grow
                min-w-0"><b>{{ $loan->title->name }}</b><span class="meta block">{{ __('desk.due') }}
                {{ Dates::words($loan->due_at, $zone) }}</span></span><form method="post"
                action="{{ route('desk.card.return', [$card, $loan]) }}">@csrf<button class="btn btn-quiet">{{
                __('patrons.return') }}<span class="sr-only">: {{ $loan->title->name }}</span></button></form></li>
                @endforeach</ul>@endif</section>
        <section aria-labelledby="holds"><h2 id="holds" class="text-xl mb-2">{{ __('patrons.holds') }}</h2>
            @if ($holds->isEmpty())<p class="panel p-4">{{ __('patrons.no_holds') }}</p>@else<ul class="panel divide-y
                divide-rule">@foreach ($holds as $hold)<li class="px-4 py-3 flex items-center gap-3"><span class="grow
                min-w-0"><b>{{ $hold->title->name }}</b><span class="meta block">{{
                __("desk.states.{$hold->state->value}", ['date' => match (true) {
                    $hold->paused_until !== null => Dates::day($hold->paused_until, $zone),
                    $hold->kept_until !== null => Dates::words($hold->kept_until, $zone),
                    default => '',
                }]) }}</span></span><form method="post" action="{{ route('desk.card.cancel', [$card, $hold])
                }}">@csrf<button class="btn btn-quiet">{{ __('patrons.cancel') }}<span class="sr-only">:
                {{ $hold->title->name }}</span></button></form></li>@endforeach</ul>@endif</section>
    </div>
</x-desk.layout>
