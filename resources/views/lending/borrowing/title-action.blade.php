@use('App\Lending\Availability\AvailabilityText')
@use('App\Shared\View\Dates')
@use('App\Lending\Availability\AvailabilityIcon')
@use('FigPorch\Core\Lending\Availability')
@if ($standing->elsewhere !== null)
@include('lending.holdings.elsewhere')
@else
@php
    // With several cards the library is named: each way has an act of its own.
    $way ??= null;
    $card = $way === null ? $current->card() : $current->person?->cardAt($way);
    $at = $way === null ? '' : "?library={$way->slug}";
    $key = $way === null ? $title->id : "{$title->id}-{$way->slug}";
    $loan = $own->loan($title->id);
    $hold = $own->hold($title->id);
    $ready = $own->readyHold($title->id, now());
    if ($way !== null) {
        [$loan, $hold, $ready] = array_map(fn ($item) => $item?->card_id === $card?->id ? $item : null,
            [$loan, $hold, $ready]);
    }
    $canBorrow = $ready !== null || $standing->availability->canBorrow() && ! $standing->aboveCard;
@endphp
<div id="action-{{ $key }}" class="flex flex-wrap md:flex-col gap-x-4 gap-y-2 items-start justify-between">
    @if ($loan !== null)
        <span class="text-[15px]">{{ __('borrowing.on_loan_until', ['date' => '']) }} <strong
            class="inline-block">{{ Dates::html($loan->due_at, $standing->zone) }}</strong></span>
        @if ($title->opens())
            <a class="btn" href="{{ App\Lending\Loans\Opening::address($loan->id, $title->format) }}">{{
                App\Lending\Loans\Opening::verb($title->format) }}<span class="sr-only">: {{ $title->name }}</span></a>
        @endif
    @else
        @if ($ready !== null)
            <span class="inline-flex gap-2 text-[15px]">{{ AvailabilityIcon::Lit->html() }}<span>{{
                __('borrowing.ready_until', ['date' => Dates::words($ready->kept_until, $standing->zone)])
                }}</span></span>
        @else
            <span class="inline-flex items-start gap-2 font-semibold text-[15px]">{{
                AvailabilityIcon::of($standing)->html() }}<span>{{ AvailabilityText::of($standing)
                }}</span></span>
        @endif
        @if ($canBorrow)
            @php($full = $standing->atLimit !== null)
            @if ($full)<span class="meta md:text-right">{{ __('borrowing.at_limit', ['limit' => $standing->atLimit])
                }}</span>@endif
            <div class="to-borrow flex flex-wrap gap-2 items-center">
            <a id="borrow-{{ $key }}" class="btn {{ $full || ($quiet ?? false) ? 'btn-quiet' : '' }}"
                href="/titles/{{ $title->id }}/borrow{{ $at }}" @if ($card !== null)
                hx-get="/titles/{{ $title->id }}/borrow{{ $at }}" hx-target="#panel-{{ $key }}"
                @endif>{{ __($full ? 'borrowing.return_one' : 'lending.borrow') }}<span class="sr-only">:
                {{ $title->name }}</span></a>
            @if (($detailed ?? false) && ! $full && $ready === null && $standing->short !== null)
                <form method="post" action="/titles/{{ $title->id }}/borrow{{ $at }}"
                    hx-post="/titles/{{ $title->id }}/borrow{{ $at }}" hx-target="#action-{{ $key }}"
                    hx-swap="outerHTML" hx-disabled-elt="find button">@csrf<button class="btn btn-plain" name="length"
                    value="{{ $standing->short->code() }}">{{ trans_choice('borrowing.short_look',
                    $standing->short->amount) }}<span class="sr-only">: {{ $title->name }}</span></button></form>
            @endif
            </div>
        @elseif ($hold !== null)
            <a class="btn btn-quiet" href="/holds">{{ __('common.holds') }}</a>
        @elseif ($standing->availability === Availability::NotHere && ! $standing->aboveCard)
            @if ($own->asked($title->id))<a class="btn btn-quiet" href="/requests">{{ __('borrowing.asked_for') }}<span
                class="sr-only">: {{ $title->name }}</span></a>
            @else<a class="btn btn-quiet" href="/titles/{{ $title->id }}/ask{{ $at }}">{{ __('lending.ask') }}<span
                class="sr-only">: {{ $title->name }}</span></a>@endif
        @elseif ($standing->takesHolds && ! $standing->aboveCard && in_array($standing->availability,
            [Availability::Wait,
            Availability::OnOrder], true))
            <form method="post" action="/titles/{{ $title->id }}/hold{{ $at }}" @if ($card !== null)
                hx-post="/titles/{{ $title->id }}/hold{{ $at }}" hx-target="#action-{{ $key }}" hx-swap="outerHTML"
                hx-disabled-elt="find button" @endif @if ($detailed ?? false) class="md:text-right" @endif>
                @csrf
                <button class="btn btn-quiet">{{ __('borrowing.place_hold') }}<span class="sr-only">:
                    {{ $title->name }}</span></button>
                @if ($detailed ?? false)<label class="flex items-center md:justify-end gap-2 mt-2 text-[15px]"><input
                    type="checkbox" name="at_once" value="1" class="accent-shutter w-4 h-4"><span>{{
                    __('borrowing.at_once') }} <span class="text-soft">{{ __('borrowing.at_once_text')
                    }}</span></span></label>@endif
            </form>
        @endif
    @endif
    <div id="panel-{{ $key }}" data-opener="borrow-{{ $key }}" class="w-full empty:hidden"></div>
</div>
@endif
