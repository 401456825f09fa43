{{-- A batch as it stands; asked for anew while it is worked on. --}}
@use('App\Desk\Batches\BatchText')
@use('App\Desk\Figures\DeskText')
@use('App\Shared\View\Dates')
@use('App\Shared\View\Numbers')
@php($zone = $staff->library->zone())
@if ($batch->isAtWork())
    <div class="panel p-5" hx-get="{{ route('desk.batch', $batch) }}" hx-trigger="every 1s" hx-target="#batch"
        role="status">
        <p class="mb-2">{{ __("batches.at_work.{$batch->stage}") }}</p>
        <progress class="reading-progress" max="{{ max(1, $progress['of']) }}" value="{{ $progress['done'] }}"
            aria-label="{{ __("batches.at_work.{$batch->stage}") }}"></progress>
        <p class="meta">{{ __('card_import.so_many', ['count' => Numbers::of($progress['done']), 'of' =>
            Numbers::of($progress['of'])]) }}</p>
        <p class="meta">{{ __('card_import.may_close') }}</p>
    </div>
@else
    <div class="flex flex-wrap items-center gap-3 mb-4">
        @if ($batch->stage === 'looked')
            @if ($counts['ready'] > 0)<form method="post" action="{{ route('desk.batch.apply', $batch) }}"
                data-send-once>@csrf<button class="btn">{{ trans_choice('batches.apply', $counts['ready'], ['count' =>
                Numbers::of($counts['ready'])]) }}</button></form>@endif
            <form method="post" action="{{ route('desk.batch.discard', $batch) }}">@csrf<button
                class="btn btn-quiet">{{ __('card_import.discard') }}</button></form>
            <p>@if ($costs !== null && $counts['ready'] > 0)<b>{{ __('batches.costs', ['money' =>
                DeskText::price($costs, $staff->library->currency)]) }}</b> @endif<span
                class="meta">{{ $counts['ready'] > 0 ? __('card_import.nothing_changed_yet') :
                __('card_import.nothing_to_change') }}</span></p>
        @elseif ($batch->stage === 'applied')
            <p class="grow">{{ __('batches.applied_on', ['date' => Dates::exact($batch->applied_at, $zone),
                'name' => $batch->member->name]) }}</p>
            @if ($progress['done'] > 0)<form method="post" action="{{ route('desk.batch.undo', $batch) }}"
                data-send-once>@csrf<button class="btn btn-quiet">{{ __('card_import.undo') }}</button></form>@endif
        @else
            <p>{{ __('card_import.undone_on', ['date' => Dates::exact($batch->undone_at, $zone),
                'name' => $batch->member->name]) }} @if ($progress['kept'] > 0){{ trans_choice('batches.kept',
                $progress['kept'], ['count' => Numbers::of($progress['kept'])]) }}@endif</p>
        @endif
    </div>
    <nav aria-label="{{ __('batches.outcomes_of') }}" class="flex flex-wrap gap-2 mb-3">@foreach ($counts as $of =>
        $count)<a href="{{ route('desk.batch', $batch) }}?outcome={{ $of }}" @class(['chip', 'font-semibold ring-2
        ring-shutter' => $outcome === $of]) @if ($outcome === $of) aria-current="true" @endif>{{
        __('batches.outcomes.'.($of === 'ready' && $batch->stage !== 'looked' ? 'done' : $of)) }} <b
        class="tabular-nums">{{ Numbers::of($count) }}</b></a>@endforeach</nav>
    @if ($page->isEmpty())
        <p class="panel p-5">{{ __('batches.none_of_these') }}</p>
    @else
        <ul class="panel divide-y divide-rule mb-4">@foreach ($page as $row)<li class="px-4 py-2.5 flex flex-wrap
            items-baseline gap-x-4"><span class="grow min-w-0">@if ($row->title !== null)<a class="font-semibold
            no-underline hover:underline" href="{{ route('desk.title', $row->title) }}">{{
            App\Shared\View\TitleText::name($row->title) }}</a><span class="meta block">{{ implode(' · ',
            array_filter([App\Shared\View\TitleText::people($row->title), App\Shared\View\TitleText::format(
            $row->title)])) }}</span>@else<bdi>{{ $row->given }}</bdi>@endif</span><span @class(['text-[15px]',
            'text-clay' => $row->outcome === 'refused' || $row->kept !== null])>{{ implode(' · ',
            BatchText::notes($row)) }}</span></li>@endforeach</ul>
        <x-pager :page="$page" />
    @endif
@endif
