@props(['title', 'standing', 'own', 'quiet' => false])
@php
    use App\View\Dates;
    $now = now();
    $loan = $own->loan($title->id);
    $hold = $own->hold($title->id);
    $ready = $own->readyHold($title->id, $now);
@endphp
<div id="action-{{ $title->id }}" class="flex flex-wrap md:flex-col gap-x-4 gap-y-2 items-start justify-between">
    @if ($loan !== null)
        <span class="text-[15px]">{{ __('lending.on_loan_until', ['date' => '']) }} <strong><x-when :at="$loan->due_at" :zone="$standing->zone" /></strong></span>
        @if ($title->format === FigPorch\Core\Catalogue\Format::Ebook)
            <a class="btn" href="{{ route('read.show', $loan, false) }}">{{ __('lending.read') }}<span class="sr-only">: {{ $title->name }}</span></a>
        @endif
    @elseif ($ready !== null)
        <span class="inline-flex gap-2 text-[15px]"><x-lamp state="lit" /><span>{{ __('lending.ready_until', ['date' => Dates::words($ready->kept_until, $standing->zone)]) }}</span></span>
        <x-borrow-button :title="$title" />
    @else
        <x-availability :standing="$standing" />
        @if ($standing->aboveCard)
            <span class="meta">{{ __('lending.above_card') }}</span>
        @elseif ($standing->availability->canBorrow())
            <x-borrow-button :title="$title" :quiet="$quiet" />
        @elseif ($hold !== null)
            <a class="btn btn-quiet" href="{{ route('holds.index', [], false) }}">{{ __('common.holds') }}</a>
        @elseif ($standing->availability === FigPorch\Core\Lending\Availability::Wait)
            <form method="post" action="{{ route('holds.place', $title, false) }}" @if ($current->card() !== null) hx-post="{{ route('holds.place', $title, false) }}" hx-target="#action-{{ $title->id }}" hx-swap="outerHTML" hx-disabled-elt="find button" @endif>
                @csrf
                <button class="btn btn-quiet">{{ __('lending.place_hold') }}<span class="sr-only">: {{ $title->name }}</span></button>
            </form>
        @endif
    @endif
    <div id="panel-{{ $title->id }}" data-opener="borrow-{{ $title->id }}" class="w-full empty:hidden"></div>
</div>
