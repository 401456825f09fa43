@use('App\Desk\Figures\DeskText')
@use('App\Shared\View\Dates')
@use('App\Shared\View\Numbers')
@php
    $may = Gate::forUser($staff)->allows('desk.library');
    $columns = ['searches', 'investigations', 'unique_investigations', 'requests', 'unique_requests', 'limit_exceeded',
        'no_licence'];
    $days = array_reverse(array_keys($months));
@endphp
<x-desk.layout :title="__('usage.heading')" on="figures" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('usage.heading') }}</h1>
    @include('desk.figures.tabs', ['here' => 'usage'])
    <p class="max-w-[85ch] mb-5">{{ __('usage.text') }}</p>
    <section class="mb-7" aria-labelledby="by-month">
        <h2 id="by-month" class="text-xl mb-2">{{ __('usage.by_month') }}</h2>
        <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('usage.by_month') }}"><table
            class="w-full text-[15px] desk-table">
            <thead><tr><th scope="col">{{ __('usage.month') }}</th>@foreach ($columns as $of)<th scope="col"
                class="num">@if (str_starts_with($of, 'unique_'))<span class="sr-only">{{
                __('usage.' . substr($of, 7)) }}, </span>@endif{{ __("usage.{$of}") }}</th>@endforeach</tr></thead>
            <tbody>@foreach ($days as $n => $month)<tr><th scope="row" class="text-left font-normal">{{
                DeskText::month($month) }}@if ($n === 0) <span class="meta">({{ __('usage.so_far') }})</span>@endif
                </th>@foreach ($columns as $of)<td @class(['num', 'text-soft' => $months[$month][$of] === 0])>{{
                    Numbers::of($months[$month][$of]) }}</td>@endforeach</tr>@endforeach</tbody></table></div>
        <p class="meta mt-2 max-w-[85ch]">{{ __('usage.unique_text') }}</p>
    </section>
    <section class="mb-7" aria-labelledby="take">
        <h2 id="take" class="text-xl mb-2">{{ __('usage.take') }}</h2>
        <form class="panel p-4 flex flex-wrap items-end gap-x-4 gap-y-3 text-[15px]">
            <label class="grid gap-1"><span>{{ __('usage.report') }}</span><select name="report"
                class="field py-1.5 min-h-9">@foreach ($reports as $report)<option value="{{ $report->value }}"
                @selected($report->value === 'TR')>{{ $report->value }} · {{ $report->name() }}</option>@endforeach
                </select></label>
            @foreach (['begin_date' => ['from', $days[count($days) - 1]], 'end_date' => ['until', $days[0]]] as $name =>
                [$words, $chosen])<label class="grid gap-1"><span>{{ __("usage.{$words}") }}</span><select
                name="{{ $name }}" class="field py-1.5 min-h-9">@foreach ($choice as $month)<option
                value="{{ $month }}" @selected($month === $chosen)>{{ DeskText::month($month) }}</option>@endforeach
                </select></label>@endforeach
            @foreach (['tsv', 'json'] as $kind)<button class="btn btn-quiet"
                formaction="{{ route('desk.usage.report', $kind, false) }}">{{ __("usage.as_{$kind}") }}</button>
            @endforeach
        </form>
    </section>
    <section aria-labelledby="programs">
        <h2 id="programs" class="text-xl mb-1">{{ __('usage.programs') }}</h2>
        <p class="max-w-[85ch] mb-3">{{ __('usage.programs_text') }}</p>
        <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 mb-4 text-[15px]"><dt class="text-soft">{{
            __('usage.address') }}</dt><dd><code class="break-all">{{ $address }}</code></dd><dt
            class="text-soft">{{ __('usage.customer') }}</dt><dd><code>{{ $staff->library->slug }}</code></dd></dl>
        @if (session('given'))<div class="message bg-card border-haint-deep mb-4" role="status"><p class="mb-1">{{
            __('usage.given') }}</p><dl class="grid grid-cols-[auto_1fr] gap-x-4"><dt>{{ __('usage.requestor')
            }}</dt><dd><code class="break-all">{{ session('given')['requestor'] }}</code></dd><dt>{{ __('usage.key')
            }}</dt><dd><code class="break-all">{{ session('given')['key'] }}</code></dd></dl></div>@endif
        @if ($keys->isEmpty())<p class="panel p-4 mb-3">{{ __('usage.no_keys') }}</p>
        @else<div class="panel overflow-x-auto mb-3" tabindex="0" role="group" aria-label="{{ __('usage.keys') }}">
            <table class="w-full text-[15px] desk-table">
            <thead><tr>@foreach (['name', 'requestor', 'given_by', 'used'] as $of)<th scope="col">{{ __("usage.{$of}")
                }}</th>@endforeach @if ($may)<th scope="col"><span class="sr-only">{{ __('usage.take_back')
                }}</span></th>@endif</tr></thead>
            <tbody>@foreach ($keys as $key)<tr><th scope="row" class="text-left font-semibold"><bdi>{{ $key->name
                }}</bdi></th><td><code>{{ $key->requestor_id }}</code></td><td>{{ $key->staffMember->name }}, {{
                Dates::day($key->made_at, $staff->library->zone()) }}</td><td>{{ $key->used_at === null ?
                __('usage.never') : Dates::exact($key->used_at, $staff->library->zone()) }}</td>
                @if ($may)<td class="text-right"><details class="inline-block text-left"><summary
                    class="link cursor-pointer text-clay">{{ __('usage.take_back') }}<span class="sr-only">: {{
                    $key->name }}</span></summary><form method="post" class="my-2"
                    action="{{ route('desk.usage.take_back', $key, false) }}">@csrf<p
                    class="mb-2 max-w-60 whitespace-normal">{{ __('usage.take_back_sure') }}</p><button
                    class="btn btn-quiet">{{ __('usage.take_back') }}</button></form></details></td>@endif</tr>
            @endforeach</tbody></table></div>@endif
        @if ($may)<form method="post" action="{{ route('desk.usage.give', absolute: false) }}"
            class="flex flex-wrap items-end gap-3 text-[15px]">@csrf<label class="grid gap-1"><span>{{ __('usage.name')
            }}</span><input name="name" required maxlength="100" class="field py-1.5 min-h-9 w-72"
            value="{{ old('name') }}"></label><button class="btn btn-quiet">{{ __('usage.give') }}</button></form>@endif
    </section>
</x-desk.layout>
