@props(['standing', 'detail' => false])
@php
    use FigPorch\Core\Lending\Availability;
    [$lamp, $words] = match ($standing->availability) {
        Availability::AlwaysReady => ['lit', __('catalogue.availability.always_ready')],
        Availability::ReadyNow => ['lit', __('catalogue.availability.ready_now').($standing->copiesFree > 1 ? ' · '.trans_choice('catalogue.copies_free', $standing->copiesFree) : '')],
        Availability::Wait => ['half', $standing->latest === null ? __('catalogue.wait_open') : __('catalogue.wait_latest', ['date' => App\View\Dates::day($standing->latest, $standing->zone)])],
        Availability::NotHere => ['dark', __('catalogue.availability.not_here')],
    };
@endphp
<span class="inline-flex items-start gap-2 font-semibold text-[15px]"><x-lamp :state="$lamp" /><span>{{ $words }}@if ($detail && $standing->availability === Availability::Wait) <span class="font-normal text-soft whitespace-nowrap">· {{ __('catalogue.line', ['place' => App\View\Ordinal::of($standing->nextPlace), 'copies' => trans_choice('catalogue.copies_free', $standing->copies)]) }}</span>@endif</span></span>
