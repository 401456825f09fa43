@php use App\View\Dates; use App\View\TitleText; use App\View\Ordinal; @endphp
<x-layout :title="__('common.holds')" on="holds">
    <h1 class="text-3xl mb-4">{{ __('common.holds') }}</h1>
    @if ($holds->isEmpty())
        <div class="panel p-6"><p class="mb-1 font-semibold">{{ __('lending.no_holds') }}</p><p class="mb-3 text-soft">{{ __('lending.no_holds_text') }}</p><a class="btn" href="{{ route('catalogue', [], false) }}">{{ __('account.find_something') }}</a></div>
    @else
        @foreach ($holds->filter(fn ($h) => $h->isReady()) as $in)<x-ready-hold :in="$in" />@endforeach
        <section aria-labelledby="coming-up" class="mb-7"><x-coming-up :chart="$comingUp" :now="$now" /></section>
        @foreach ($holds->reject(fn ($h) => $h->isReady()) as $in)
            @php($title = $in->hold->title)@php($zone = $in->hold->card->library->zone())
            <article class="border-t border-rule py-4 grid grid-cols-[74px_1fr] md:grid-cols-[74px_1fr_auto] gap-x-4 gap-y-3" data-hold="{{ $in->hold->id }}">
                {{ App\View\Cover::html($title, decorative: true) }}
                <div class="min-w-0">
                    <h2 class="text-xl"><a class="no-underline hover:underline" href="{{ route('titles.show', $title, false) }}">{{ $title->name }}</a></h2>
                    <div>{{ TitleText::people($title) }}</div>
                    <div class="meta">{{ TitleText::format($title) }} · {{ __('lending.from', ['library' => $in->hold->card->library->short_name]) }}</div>
                    <div class="mt-1 inline-flex gap-2">{{ App\View\Lamp::Half->html() }}<span><strong>{{ __('lending.in_line', ['place' => Ordinal::of($in->place)]) }}</strong>, {{ trans_choice('lending.of_copies', $in->copies) }} · @if ($in->latest !== null){{ __('lending.latest', ['date' => '']) }} {{ App\View\Dates::html($in->latest, $zone, Dates::day($in->latest, $zone)) }}@else{{ __('lending.no_date') }}@endif</span></div>
                    @if ($in->hold->paused_until !== null)<p class="meta mt-1">{{ __('lending.paused_until', ['date' => Dates::day($in->hold->paused_until, $zone)]) }}</p>@endif
                </div>
                <form method="post" action="{{ route('holds.cancel', $in->hold, false) }}" class="col-span-2 md:col-span-1">@csrf @method('delete')<button class="btn btn-quiet">{{ __('lending.cancel_hold') }}<span class="sr-only">: {{ $title->name }}</span></button></form>
            </article>
        @endforeach
    @endif
</x-layout>
