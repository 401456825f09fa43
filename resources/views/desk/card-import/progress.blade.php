{{-- A file of patrons as it stands; asked for anew while it is worked on. --}}
@use('App\Desk\CardImport\ImportText')
@use('App\Shared\View\Dates')
@php($zone = $staff->library->zone())
@if ($import->isAtWork())
    <div class="panel p-5" hx-get="{{ route('desk.patrons.file', $import) }}" hx-trigger="every 1s" hx-target="#file"
        role="status">
        <p class="mb-2">{{ __("card_import.at_work.{$import->stage}") }}</p>
        @if ($import->stage !== 'reading')
            @php($count = $import->stage === 'undoing' ? $progress['of'] - $progress['done'] : $progress['done'])
            <progress class="reading-progress" max="{{ max(1, $progress['of']) }}" value="{{ $count }}"
                aria-label="{{ __("card_import.at_work.{$import->stage}") }}"></progress><p class="meta">{{
                __('card_import.so_many', ['count' => App\Shared\View\Numbers::of($count), 'of' =>
                    App\Shared\View\Numbers::of($progress['of'])])
                }}</p>
        @endif
        <p class="meta">{{ __('card_import.may_close') }}</p>
    </div>
@elseif ($import->stage === 'unreadable')
    <p class="message bg-card border-clay mb-4">{{ __("card_import.problems.{$import->problem}",
        $import->problem_facts ?? []) }}</p>
    <form method="post" action="{{ route('desk.patrons.file.discard', $import) }}">@csrf<button
        class="btn btn-quiet">{{ __('card_import.discard') }}</button></form>
@else
    <div class="flex flex-wrap items-center gap-3 mb-4">
        @if ($import->stage === 'read')
            @if ($progress['of'] > 0)<form method="post" action="{{ route('desk.patrons.file.apply', $import)
                }}">@csrf<button class="btn">{{ trans_choice('card_import.apply', $progress['of'],
                ['count' => App\Shared\View\Numbers::of($progress['of'])]) }}</button></form>@endif
            <form method="post" action="{{ route('desk.patrons.file.discard', $import) }}">@csrf<button
                class="btn btn-quiet">{{ __('card_import.discard') }}</button></form>
            <p class="meta">{{ $progress['of'] > 0 ? __('card_import.nothing_changed_yet') :
                __('card_import.nothing_to_change') }}</p>
        @elseif ($import->stage === 'applied')
            <p class="grow">{{ __('card_import.applied_on', ['date' => Dates::exact($import->applied_at, $zone),
                'name' => $import->member->name]) }}</p>
            <form method="post" action="{{ route('desk.patrons.file.undo', $import) }}">@csrf<button
                class="btn btn-quiet">{{ __('card_import.undo') }}</button></form>
        @else
            <p>{{ __('card_import.undone_on', ['date' => Dates::exact($import->undone_at, $zone),
                'name' => $import->member->name]) }} @if ($progress['kept'] > 0){{ trans_choice('card_import.kept',
                $progress['kept'], ['count' => App\Shared\View\Numbers::of($progress['kept'])]) }}@endif</p>
        @endif
    </div>
    @if ($progress['pins'] > 0 && $import->stage === 'applied')
        <div class="message bg-lamp-wash border-lamp-line mb-4 flex flex-wrap items-center gap-3"><p class="grow">{{
            trans_choice('card_import.pins', $progress['pins'], ['count' =>
                App\Shared\View\Numbers::of($progress['pins'])]) }}</p><a
            class="btn" href="{{ route('desk.patrons.file.pins', $import) }}">{{ __('card_import.pins_file') }}</a>
            <form method="post" action="{{ route('desk.patrons.file.forget_pins', $import) }}">@csrf<button
                class="btn btn-plain">{{ __('card_import.pins_forget') }}</button></form></div>
    @endif
    @if (($import->settings['unused'] ?? []) !== [])<p class="meta mb-3">{{ __('card_import.unused',
        ['columns' => implode(', ', $import->settings['unused'])]) }}</p>@endif
    <nav aria-label="{{ __('card_import.outcomes_of') }}" class="flex flex-wrap gap-2 mb-3">@foreach ($counts as $of =>
        $count)<a href="{{ route('desk.patrons.file', $import) }}?outcome={{ $of }}" @class(['chip', 'font-semibold
        ring-2 ring-shutter' => $outcome === $of]) @if ($outcome === $of) aria-current="true" @endif>{{
        __("card_import.outcomes.{$of}") }} <b class="tabular-nums">{{ App\Shared\View\Numbers::of($count)
            }}</b></a>@endforeach</nav>
    @if ($page->isEmpty())
        <p class="panel p-5">{{ __('card_import.none_of_these') }}</p>
    @else
        <div class="panel overflow-x-auto mb-4" tabindex="0" role="group"
            aria-label="{{ __("card_import.outcomes.{$outcome}") }}"><table class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col" class="num">{{ __('card_import.line') }}</th><th scope="col">{{
                __('patrons.name') }}</th><th scope="col">{{ __('patrons.number') }}</th><th scope="col">{{
                $outcome === 'refused' ? __('card_import.why') : __('card_import.what') }}</th></tr></thead>
            <tbody>@foreach ($page as $row)<tr><td class="num">{{ $row->line ?? '–' }}</td><th scope="row"
                class="text-left font-normal"><bdi>{{ $row->given['name'] ?? '–' }}</bdi></th><td><bdi>{{
                $row->given['number'] ?? '–' }}</bdi></td><td>@if ($row->why !== null)<span class="text-clay">{{
                __("card_import.refused.{$row->why}") }}</span>@elseif ($row->changes !== null)
                @foreach (ImportText::changes($row, $zone) as $change)<span class="block">{{ $change
                }}</span>@endforeach @else{{ implode(' · ', array_filter([$row->given['group'] ?? null,
                $row->given['class'] ?? null, $row->given['email'] ?? null])) ?: '–' }}@endif
                @if ($row->kept !== null)<span class="block text-clay">{{ __("card_import.kept_why.{$row->kept}")
                }}</span>@endif</td></tr>@endforeach</tbody>
        </table></div>
        <x-pager :page="$page" />
    @endif
@endif
