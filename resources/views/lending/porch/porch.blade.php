@php use App\Shared\View\Dates; use App\Shared\View\TitleText; @endphp
<x-layout :title="__('common.porch')" on="porch">
    <h1 class="sr-only">{{ __('common.porch') }}</h1>
    @unless ($current->person->toured)<section aria-labelledby="tour" class="panel p-5 mb-6"><h2 id="tour"
        class="text-2xl mb-1">{{ __('help.tour') }}</h2><p class="mb-3">{{ __('help.tour_text') }}</p><x-account.tour
        /><form method="post" action="{{ route('help.tour.done', [], false) }}">@csrf<button class="btn">{{
        __('help.understood') }}</button></form></section>@endunless
    <x-account.messages />
    <x-lending.card-states :cards="$current->person->cards" />
    <div class="grid lg:grid-cols-[380px_1fr] gap-6 mb-9">
        <section aria-labelledby="pick-up" class="min-w-0">
            <h2 id="pick-up" class="text-2xl mb-3">{{ __('account.pick_up') }}</h2>
            @if ($pickUp->isEmpty())
                <div class="panel p-5"><p class="mb-3">{{ __('account.nothing_on_loan') }}</p><a class="btn"
                    href="{{ $current->link(route('catalogue', ['ready' => 1], false)) }}">{{
                        __('account.find_something') }}</a></div>
            @else
                <div class="panel overflow-hidden">
                    @foreach ($pickUp as $i => $on)
                        @php($title = $on->loan->title)
                        <div @class(['flex gap-4 p-4', 'border-t border-rule items-center' => $i > 0])>
                            {{ App\Shared\View\Covers\Cover::html($title, $i === 0 ? 92 : 44, decorative: true) }}
                            <div class="flex-1 min-w-0">
                                <h3 class="{{ $i === 0 ? 'text-xl' : 'text-base font-sans font-bold' }}"><a
                                    class="no-underline hover:underline" href="{{ $current->link(route('titles.show',
                                        $title, false)) }}">{{ App\Shared\View\TitleText::name($title) }}</a></h3>
                                <div class="meta">{{ $i === 0 ?
                                    TitleText::people($title).' · '.TitleText::kind($title) :
                                    TitleText::kind($title) }}</div>
                                @if ($on->hasFile && $on->place !== null && $i === 0)
                                    <progress class="reading-progress my-2" max="1" value="{{
                                        round($on->place->fraction(), 3) }}" aria-label="{{
                                        App\Lending\Loans\Opening::reached($on) }}"></progress>
                                @endif
                                @if ($on->hasFile)<div class="meta">{{ App\Lending\Loans\Opening::reached($on)
                                    }}</div>@endif
                                @if ($i === 0)<div class="flex gap-2 mt-2.5"><x-lending.loan-acts :on="$on"
                                    /></div>@endif
                            </div>
                            @if ($i > 0 && $on->hasFile)<a class="btn btn-quiet"
                                href="{{ App\Lending\Loans\Opening::of($on->loan) }}">{{
                                App\Lending\Loans\Opening::verb($title->format) }}<span class="sr-only">:
                                {{ $title->name }}</span></a>@endif
                        </div>
                    @endforeach
                    <div class="border-t border-rule px-4 py-2.5"><a class="link"
                        href="{{ route('loans.index', [], false) }}">{{ __('account.all_loans') }}</a></div>
                </div>
            @endif
        </section>
        <section aria-labelledby="coming-up" class="min-w-0">
            @foreach ($ready as $in)
                <x-lending.ready-hold :in="$in" />
            @endforeach
            <x-lending.pile-up :found="$pileUp" />
            <x-lending.coming-up :drawing="$comingUp" />
        </section>
    </div>
    @if ($forClass->isNotEmpty())<section aria-labelledby="for-class" class="mb-9"><div class="flex items-baseline
        justify-between gap-4 mb-3"><h2 id="for-class" class="text-2xl">{{ __('classes.for_you') }}</h2><a class="link"
        href="{{ route('classes.index', absolute: false) }}">{{ __('classes.heading') }}</a></div>
        @include('lending.classes.sets', ['sets' => $forClass])</section>@endif
    <x-catalogue.staff-lists />
</x-layout>
