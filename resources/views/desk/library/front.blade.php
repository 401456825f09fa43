@use('App\Desk\Library\FrontController')
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Catalogue\FrontRowKind')
@php
    $zone = $staff->library->zone();
    $name = fn ($row): string => $row->list === null ? __("library.row.{$row->kind->value}") :
        __('library.row.list', ['name' => $lists->find($row->list)?->name ?? __('library.list_gone')]);
    $day = fn (string $of): string => Dates::day(new DateTimeImmutable("{$of} 12:00", $zone), $zone);
    $when = fn ($row): string => match (true) {
        $row->from === null && $row->until === null => __('library.always'),
        $row->until === null => __('library.from_day', ['date' => $day($row->from)]),
        $row->from === null => __('library.until_day', ['date' => $day($row->until)]),
        default => $day($row->from).' – '.$day($row->until),
    };
@endphp
<x-desk.layout :title="__('library.front')" on="library" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('library.front') }}</h1>
    @include('desk.library.tabs', ['here' => 'front'])
    <p class="mb-4 max-w-[90ch]">{{ __('library.front_text') }}</p>
    <div class="grid grid-cols-1 lg:grid-cols-[1fr_380px] gap-8 items-start">
        <div>
            @if ($rows === [])<p class="panel p-5">{{ __('library.no_rows') }}</p>
            @else<ol class="panel divide-y divide-rule">@foreach ($rows as $at => $row)<li class="px-4 py-3 flex
                flex-wrap items-center gap-3"><span class="grow min-w-0"><b class="font-semibold"><bdi>{{ $name($row)
                }}</bdi></b> <span @class(['meta block', 'text-clay' => $row->until !== null && $row->until <
                $today])>{{ $when($row) }}</span></span>
                <form method="post" action="{{ route('desk.front.shift', absolute: false) }}" class="flex gap-1">@csrf
                    <input type="hidden" name="at" value="{{ $at }}"><input type="hidden" name="seen" value="{{
                    FrontController::seen($rows) }}">
                    @foreach (['up' => '↑', 'down' => '↓'] as $to => $sign)<button name="to" value="{{ $to }}"
                        class="btn btn-quiet px-3" @disabled($to === 'up' ? $loop->parent->first : $loop->parent->last)
                        aria-label="{{ __("library.to.{$to}") }}: {{ $name($row) }}">{{ $sign }}</button>@endforeach
                    <button name="to" value="away" class="btn btn-plain">{{ __('library.remove') }}<span
                        class="sr-only">: {{ $name($row) }}</span></button></form></li>@endforeach</ol>@endif
        </div>
        <div class="grid gap-6">
            <form method="post" action="{{ route('desk.front.add', absolute: false) }}" class="panel p-5 grid
                gap-3">@csrf<h2 class="text-xl">{{ __('library.add_row') }}</h2>
                <label class="grid gap-1"><span class="font-semibold">{{ __('library.shows') }}</span><select name="row"
                    class="field">@foreach (FrontRowKind::cases() as $kind)
                    @if ($kind !== FrontRowKind::List)<option value="{{ $kind->value }}" @selected(old('row') ===
                        $kind->value)>{{ __("library.row.{$kind->value}") }}</option>@endif @endforeach
                    @foreach ($lists as $list)<option value="list {{ $list->id }}" @selected(old('row') ===
                        "list {$list->id}")>{{ __('library.row.list', ['name' => $list->name])
                        }}</option>@endforeach</select></label>
                <div class="grid grid-cols-2 gap-3"><x-desk.field name="from" type="date"
                    :label="__('library.from_when')" :needed="false" /><x-desk.field name="until" type="date"
                    :label="__('library.until_when')" :needed="false" /></div>
                <div><button class="btn">{{ __('library.add_row') }}</button></div></form>
            <form action="{{ route('desk.front.preview', absolute: false) }}" class="panel p-5 grid gap-3"><h2
                class="text-xl">{{ __('library.preview') }}</h2><x-desk.field name="on" type="date"
                :label="__('library.preview_on')" :usual="$today" /><div><button class="btn btn-quiet">{{
                __('library.preview_show') }}</button></div></form>
        </div>
    </div>
</x-desk.layout>
