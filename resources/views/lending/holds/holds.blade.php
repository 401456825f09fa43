@php use App\Shared\View\Dates; use App\Shared\View\TitleText; use App\Shared\View\Ordinal; @endphp
<x-layout :title="__('common.holds')" on="holds">
    <h1 class="text-3xl mb-4">{{ __('common.holds') }}</h1>
    @if ($holds->isEmpty())
        <div class="panel p-6"><p class="mb-1 font-semibold">{{ __('holds.no_holds') }}</p><p
            class="mb-3 text-soft">{{ __('holds.no_holds_text') }}</p><a class="btn"
            href="{{ $current->link(route('catalogue', [], false)) }}">{{ __('account.find_something') }}</a></div>
    @else
        @foreach ($holds->filter(fn ($h) => $h->isReady()) as $in)<x-lending.ready-hold :in="$in" />@endforeach
        <x-lending.pile-up :found="$pileUp" />
        <section aria-labelledby="coming-up" class="mb-7"><x-lending.coming-up :drawing="$comingUp" /></section>
        @foreach ($holds->reject(fn ($h) => $h->isReady()) as $in)
            @php($title = $in->hold->title)@php($zone = $in->hold->card->library->zone())@php($turn = $in->turn)
            <article class="border-t border-rule py-4 grid grid-cols-[74px_1fr] md:grid-cols-[74px_1fr_350px] gap-x-4
                gap-y-3" data-hold="{{ $in->hold->id }}">
                {{ App\Shared\View\Covers\Cover::html($title, decorative: true) }}
                <div class="min-w-0">
                    <h2 class="text-xl"><a class="no-underline hover:underline"
                        href="{{ $current->link("/titles/{$title->id}", $in->hold->card->library) }}">{{
                        App\Shared\View\TitleText::name($title) }}</a></h2>
                    <div>{{ TitleText::people($title) }}</div>
                    <div class="meta">{{ TitleText::kind($title) }} ·
                        {{ __('lending.from', ['library' => $in->hold->card->library->short_name]) }}</div>
                    <div class="mt-1 flex gap-2">{{ App\Lending\Availability\AvailabilityIcon::Half->html()
                        }}<span><strong>{{ __('holds.in_line', ['place' => Ordinal::of($in->place)]) }}</strong>,
                        {{ trans_choice('lending.of_copies', $in->copies) }} ·
                        @if ($in->onOrder){{ __('holds.on_order') }}@elseif ($turn?->to !== null){{
                            __('catalogue.eight_in_ten',
                            ['range' => Dates::range($turn->from, $turn->to, $zone)]) }}{{
                            App\Lending\Waits\EstimateText::after($turn, $zone, $now) }}
                            @else{{ __('holds.no_date') }}@endif</span></div>
                    @if ($in->hold->paused_until !== null)<p class="meta mt-1">{{ __('holds.paused_until', ['date' =>
                        Dates::day($in->hold->paused_until, $zone)]) }}</p>@endif
                    @if ($in->hold->borrow_at_once)<p class="meta mt-1">{{ __('holds.at_once_on') }}</p>@endif
                </div>
                <div class="col-span-2 md:col-span-1 flex flex-wrap gap-x-3 gap-y-2 items-start content-start">
                    @if ($in->hold->paused_until !== null)
                        <form method="post" action="/holds/{{ $in->hold->id }}/resume">@csrf<button
                            class="btn btn-quiet">{{ __('holds.resume') }}<span class="sr-only">:
                            {{ $title->name }}</span></button></form>
                    @else
                        <form method="post" action="/holds/{{ $in->hold->id }}/pause"
                            class="flex flex-wrap gap-2 items-center">
                            @csrf
                            <label class="meta" for="until-{{ $in->hold->id }}">{{ __('holds.pause_until') }}<span
                                class="sr-only">: {{ $title->name }}</span></label>
                            <input id="until-{{ $in->hold->id }}" type="date" name="until" required
                                value="{{ $now->setTimezone($zone)->modify('+14 days')->format('Y-m-d') }}"
                                min="{{ $now->setTimezone($zone)->modify('+1 day')->format('Y-m-d') }}"
                                max="{{ $now->modify('+365 days')->format('Y-m-d') }}" class="field py-1.5 min-h-9">
                            <button class="btn btn-quiet">{{ __('holds.pause') }}<span class="sr-only">:
                                {{ $title->name }}</span></button>
                        </form>
                    @endif
                    <form method="post" action="/holds/{{ $in->hold->id }}/at-once">@csrf<input type="hidden"
                        name="at_once" value="{{ $in->hold->borrow_at_once ? 0 : 1 }}"><button
                        class="btn btn-plain">{{ __($in->hold->borrow_at_once ? 'lending.at_once_stop' :
                        'lending.at_once_start') }}<span class="sr-only">: {{ $title->name }}</span></button></form>
                    <form method="post" action="/holds/{{ $in->hold->id }}">@csrf @method('delete')<button
                        class="btn btn-plain">{{ __('lending.cancel_hold') }}<span class="sr-only">:
                        {{ $title->name }}</span></button></form>
                </div>
            </article>
        @endforeach
        @if ($held !== null)<p class="meta border-t border-rule pt-3">{{ __('holds.dates_held', ['held' => $held,
            'library' => $current->library->short_name]) }}</p>@endif
    @endif
</x-layout>
