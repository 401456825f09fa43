@props(['in'])
@php($title = $in->hold->title)@php($key = $title->id.'-'.$in->hold->card->library->slug)
<div class="bg-lamp-wash border border-lamp-line rounded-panel px-4 py-3 mb-4" data-ready-hold="{{ $in->hold->id }}">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
        {{ App\Lending\Availability\AvailabilityIcon::Lit->html() }}
        <p class="flex-1 min-w-52"><strong>{{ __('account.ready_for_you', ['name' => $title->name]) }}</strong> <span
            class="text-soft">{{ App\Shared\View\TitleText::format($title) }} ·</span> <span
            class="text-soft">{{ __('account.kept_until', ['date' => App\Shared\View\Dates::words($in->hold->kept_until,
            $in->hold->card->library->zone())]) }}</span></p>
        <div class="flex gap-2">
            <a id="borrow-{{ $key }}" class="btn" href="{{ route('borrow.show', ['title' => $title, 'library' =>
                $in->hold->card->library->slug], false) }}" hx-get="{{ route('borrow.show', ['title' => $title,
                'library' => $in->hold->card->library->slug], false) }}"
                hx-target="#panel-{{ $key }}">{{ __('lending.borrow') }}<span class="sr-only">:
                {{ $title->name }}</span></a>
            <form method="post" action="/holds/{{ $in->hold->id }}/pause" class="flex gap-1 items-center">@csrf<input
                type="hidden" name="until" value="{{
                now()->addDays(14)->setTimezone($in->hold->card->library->zone())->format('Y-m-d') }}"><button
                class="btn btn-quiet">{{ __('lending.put_off') }}<span class="sr-only">:
                {{ $title->name }}</span></button></form>
            <form method="post" action="{{ route('holds.cancel', $in->hold, false) }}">@csrf @method('delete')<button
                class="btn btn-plain">{{ __('lending.cancel_hold') }}</button></form>
        </div>
    </div>
    <div id="action-{{ $key }}"><div id="panel-{{ $key }}" data-opener="borrow-{{ $key }}"
        class="empty:hidden"></div></div>
</div>
