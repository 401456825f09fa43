{{-- How a website was found when it was looked at. --}}
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Exchange\Links\Trouble')
@php
    $day = fn (?DateTimeInterface $at): string => $at === null ? '' :
        Dates::day(DateTimeImmutable::createFromInterface($at), $staff->library->zone());
    $trouble = $link->trouble === null ? '' : __("holdings_desk.troubles.{$link->trouble}");
@endphp
<span @class(['text-clay' => $link->dead_at !== null])>{{ match (true) {
    $link->asked_at === null => __('holdings_desk.states.new'),
    $link->trouble === Trouble::Inside->value => __('holdings_desk.states.inside'),
    $link->dead_at !== null => __('holdings_desk.states.dead', ['date' => $day($link->dead_at),
        'trouble' => $trouble]),
    $link->tries > 0 => trans_choice('holdings_desk.states.tries', $link->tries, ['date' => $day($link->asked_at),
        'trouble' => $trouble]),
    default => __('holdings_desk.states.there', ['date' => $day($link->asked_at)]),
} }}</span>@if ($link->moved_to !== null)<span class="block break-all">{{ __('holdings_desk.states.moved') }} {{
    $link->moved_to }}</span>@endif
