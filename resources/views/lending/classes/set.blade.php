@use('App\Shared\View\TitleText')
@php
    $money = fn (int $cents): string => (string) (new NumberFormatter(app()->getLocale(),
        NumberFormatter::CURRENCY))->formatCurrency($cents / 100, $asked->class->library->currency);
    $cost = fn (int $copies): string => $price === null ? '' : __('classes.cost', ['sum' => $money($copies * $price)]);
@endphp
<x-layout :title="__('classes.give_heading')" on="classes">
    <p class="mb-1"><a class="link" href="{{ $current->link(route('titles.show', $title, false)) }}">{{
        TitleText::name($title)
        }}</a> <span class="text-soft">{{ implode(' · ', array_filter([TitleText::people($title),
        TitleText::format($title)])) }}</span></p>
    <h1 class="text-3xl mb-4">{{ __('classes.give_heading') }}</h1>
    @if ($classes->isEmpty())<p class="panel p-5">{{ __('classes.none') }} <a class="link"
        href="{{ route('classes.index', absolute: false) }}">{{ __('classes.make') }}</a></p>
    @else
        @include('lending.classes.ask', ['action' => route('classes.choose', $title, false)])
        @if ($capacity !== null)
            <section class="panel p-5 max-w-[80ch]" aria-labelledby="holds" role="status"><h2 id="holds"
                class="text-xl mb-2">{{ $capacity->pupils === 0 ? __('classes.holds.nobody') : match (true) {
                    $capacity->holdsAtOnce() => __('classes.holds.at_once'),
                    $capacity->holdsInTurn() => __('classes.holds.in_turn'),
                    default => __('classes.holds.not'),
                } }}</h2>
                @if ($capacity->pupils > 0)<ul class="grid gap-1 mb-4"><li>{{ $capacity->places === null ?
                    __('classes.places_any') :
                    trans_choice('classes.places', min($capacity->places, 100000), ['pupils' =>
                    trans_choice('classes.pupils', $capacity->pupils)]) }}</li>
                    @if ($capacity->loans !== null)<li>{{ trans_choice('classes.turns', min($capacity->loans, 100000))
                        }}</li>@endif
                    @if (! $capacity->holdsInTurn())<li><b>{{ trans_choice('classes.more_in_turn',
                        $capacity->copiesInTurn) }}</b> {{ $cost($capacity->copiesInTurn) }}</li>@endif
                    @if (! $capacity->holdsAtOnce() && $capacity->copiesForAll > 0)<li>{{
                        trans_choice('classes.more_at_once', $capacity->copiesForAll) }} {{
                        $cost($capacity->copiesForAll) }}</li>@endif</ul>@endif
                <form method="post" action="{{ route('classes.give', $asked->class, false) }}" class="flex flex-wrap
                    gap-3">@csrf<input type="hidden" name="title" value="{{ $title->id }}"><input type="hidden"
                    name="first_day" value="{{ $asked->first }}"><input type="hidden" name="last_day"
                    value="{{ $asked->last
                    }}"><button class="btn">{{ __($capacity->holdsInTurn() ? 'classes.give' : 'classes.give_anyway')
                    }}</button><a class="btn btn-quiet" href="{{ $current->link(route('titles.show', $title, false))
                        }}">{{
                    __('classes.do_not') }}</a></form>
                <details class="mt-4 text-[15px]"><summary class="link cursor-pointer">{{ __('classes.rests')
                    }}</summary><p class="mt-2">{{ __('classes.rests_text') }}</p></details></section>
        @endif
    @endif
</x-layout>
