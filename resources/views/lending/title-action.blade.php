@use('App\View\{AvailabilityText, Dates, Lamp}')
@use('FigPorch\Core\Lending\Availability')
@php
    $loan = $own->loan($title->id);
    $hold = $own->hold($title->id);
    $ready = $own->readyHold($title->id, now());
    $signedIn = $current->card() !== null;
    $canBorrow = $ready !== null || $standing->availability->canBorrow() && ! $standing->aboveCard;
@endphp
<div id="action-{{ $title->id }}" class="flex flex-wrap md:flex-col gap-x-4 gap-y-2 items-start justify-between">
    @if ($loan !== null)
        <span class="text-[15px]">{{ __('lending.on_loan_until', ['date' => '']) }} <strong>{{ Dates::html($loan->due_at, $standing->zone) }}</strong></span>
        @if ($title->format === FigPorch\Core\Catalogue\Format::Ebook)
            <a class="btn" href="/loans/{{ $loan->id }}/read">{{ __('lending.read') }}<span class="sr-only">: {{ $title->name }}</span></a>
        @endif
    @else
        @if ($ready !== null)
            <span class="inline-flex gap-2 text-[15px]">{{ Lamp::Lit->html() }}<span>{{ __('lending.ready_until', ['date' => Dates::words($ready->kept_until, $standing->zone)]) }}</span></span>
        @else
            <span class="inline-flex items-start gap-2 font-semibold text-[15px]">{{ Lamp::of($standing->availability)->html() }}<span>{{ AvailabilityText::of($standing) }}</span></span>
        @endif
        @if ($canBorrow)
            <a id="borrow-{{ $title->id }}" class="btn {{ $quiet ?? false ? 'btn-quiet' : '' }}" href="/titles/{{ $title->id }}/borrow" @if ($signedIn) hx-get="/titles/{{ $title->id }}/borrow" hx-target="#panel-{{ $title->id }}" @endif>{{ __('lending.borrow') }}<span class="sr-only">: {{ $title->name }}</span></a>
        @elseif ($standing->aboveCard)
            <span class="meta">{{ __('lending.above_card') }}</span>
        @elseif ($hold !== null)
            <a class="btn btn-quiet" href="/holds">{{ __('common.holds') }}</a>
        @elseif ($standing->availability === Availability::Wait)
            <form method="post" action="/titles/{{ $title->id }}/hold" @if ($signedIn) hx-post="/titles/{{ $title->id }}/hold" hx-target="#action-{{ $title->id }}" hx-swap="outerHTML" hx-disabled-elt="find button" @endif>
                @csrf
                <button class="btn btn-quiet">{{ __('lending.place_hold') }}<span class="sr-only">: {{ $title->name }}</span></button>
            </form>
        @endif
    @endif
    <div id="panel-{{ $title->id }}" data-opener="borrow-{{ $title->id }}" class="w-full empty:hidden"></div>
</div>
