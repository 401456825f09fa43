{{-- A file of records as it stands; asked for anew while it is worked on. --}}
@use('App\Exchange\Records\FaultText')
@use('App\Models\RecordImportRow')
@use('App\Shared\View\Dates')
@use('App\Shared\View\Numbers')
@use('FigPorch\Core\Exchange\RecordFault')
@use('Illuminate\Support\Str')
@php($zone = $staff->library->zone())
@if ($import->isAtWork())
    <div class="panel p-5" hx-get="{{ route('desk.records.file', $import, false) }}" hx-trigger="every 1s"
        hx-target="#file" role="status">
        <p class="mb-2">{{ __("record_import.at_work.{$import->stage}") }}</p>
        @if ($import->stage === 'applying')
            <progress class="reading-progress" max="{{ max(1, $progress['of']) }}" value="{{ $progress['done'] }}"
                aria-label="{{ __('record_import.at_work.applying') }}"></progress><p class="meta">{{
                __('card_import.so_many', ['count' => Numbers::of($progress['done']), 'of' =>
                    Numbers::of($progress['of'])]) }}</p>
        @endif
        <p class="meta">{{ __('card_import.may_close') }}</p>
    </div>
@elseif ($import->stage === 'unreadable')
    <p class="message bg-card border-clay mb-4">{{ __('record_import.unreadable') }}
        @if ($import->problem !== null)<span>{{ FaultText::of(RecordFault::read($import->problem)) }}</span>@endif
        {{ __('record_import.unreadable_do') }}</p>
    <form method="post" action="{{ route('desk.records.file.discard', $import, false) }}">@csrf<button
        class="btn btn-quiet">{{ __('card_import.discard') }}</button></form>
@else
    <div class="flex flex-wrap items-center gap-3 mb-4">
        @if ($import->stage === 'read')
            @if ($progress['of'] > 0)<form method="post" action="{{ route('desk.records.file.apply', $import, false)
                }}">@csrf<button class="btn">{{ trans_choice('record_import.apply', $progress['of'],
                ['count' => Numbers::of($progress['of'])]) }}</button></form>@endif
            <form method="post" action="{{ route('desk.records.file.discard', $import, false) }}">@csrf<button
                class="btn btn-quiet">{{ __('card_import.discard') }}</button></form>
            <p class="meta">{{ $progress['of'] > 0 ? __('card_import.nothing_changed_yet') :
                __('card_import.nothing_to_change') }}</p>
        @else
            <p class="grow">{{ __('card_import.applied_on', ['date' => Dates::exact($import->applied_at, $zone),
                'name' => $import->member->name]) }}</p>
        @endif
    </div>
    <nav aria-label="{{ __('record_import.outcomes_of') }}" class="flex flex-wrap gap-2 mb-3">
        @foreach ($counts as $of => $count)<a href="{{ route('desk.records.file', $import, false) }}?outcome={{ $of }}"
        @class(['chip', 'font-semibold ring-2 ring-shutter' => $outcome === $of])
        @if ($outcome === $of) aria-current="true" @endif>{{
        __("record_import.outcomes.{$of}") }} <b class="tabular-nums">{{ Numbers::of($count) }}</b></a>@endforeach</nav>
    @if ($page->isEmpty())
        <p class="panel p-5">{{ __('card_import.none_of_these') }}</p>
    @else
        <div class="panel overflow-x-auto mb-4" tabindex="0" role="group"
            aria-label="{{ __("record_import.outcomes.{$outcome}") }}"><table class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col" class="num w-24">{{ __('record_import.number') }}</th><th scope="col">{{
                __('record_import.record') }}</th><th scope="col">{{ __('record_import.what') }}</th><th
                scope="col"><span class="sr-only">{{ __('record_import.choice') }}</span></th></tr></thead>
            <tbody>@foreach ($page as $row)<tr><td class="num">{{ $row->number }}</td><th scope="row"
                class="text-left font-normal">@if ($row->title !== null && $outcome !== 'doubtful')<a
                href="{{ route('desk.title', $row->title_id, false) }}"><bdi>{{ $row->name }}</bdi></a>@else<bdi>{{
                $row->name ?? '–' }}</bdi>@endif @if (isset($about[$row->id]))<span class="meta block">{{
                $about[$row->id] }}</span>@endif</th><td>
                @if ($row->fields !== null){{ implode(', ', array_map(fn (string $of): string =>
                    __("record_import.fields.{$of}"), $row->fields)) }}@endif
                @if (in_array($row->why, RecordImportRow::OWN_WORDS, true))<span class="text-clay">{{
                    __($row->why === RecordImportRow::OF_OTHERS ? 'records.of_others' : "record_import.{$row->why}")
                    }}</span>
                @elseif ($row->why !== null)<span @class(['text-clay' => $row->outcome === 'refused'])>{{
                    Str::ucfirst(FaultText::of(RecordFault::read($row->why))) }}</span>@endif
                @if ($row->as_title)<span class="block">{{ __('record_import.is_that') }}</span>@endif
                @if ($row->title !== null && $outcome === 'doubtful')<a class="link block" href="{{
                    route('desk.title', $row->title_id, false) }}"><bdi>{{ $row->title->name }}</bdi></a>@endif</td><td
                class="text-right">
                @if ($row->done)<span class="text-soft">{{ __('record_import.done') }}</span>
                @elseif ($import->stage === 'read' && $row->marc !== null)<form method="post"
                    action="{{ route('desk.records.file.choose', $import, false) }}">@csrf<input type="hidden"
                    name="row" value="{{ $row->id }}"><input type="hidden" name="outcome" value="{{ $outcome }}"><input
                    type="hidden" name="page" value="{{ $page->currentPage() }}">
                    @if ($row->chosen)<button class="btn btn-plain" name="chosen" value="0">{{
                    __('record_import.leave_out') }}<span class="sr-only">: {{ $row->name }}</span></button>@else<button
                    class="btn btn-plain" name="chosen" value="1">{{ __($outcome === 'doubtful' ?
                    'record_import.take_as_own' : 'record_import.take_in') }}<span class="sr-only">: {{ $row->name
                    }}</span></button>@if ($outcome === 'doubtful' && $row->title !== null)<button
                    class="btn btn-plain" name="chosen"
                    value="as_title">{{ __('record_import.take_as_title') }}<span class="sr-only">: {{ $row->name
                    }}</span></button>@endif @endif</form>
                @elseif (!$row->chosen && $row->marc !== null)<span class="text-soft">{{ __('record_import.left_out')
                    }}</span>@endif</td></tr>@endforeach</tbody>
        </table></div>
        <x-pager :page="$page" />
    @endif
@endif
