@use('App\Account\Almanac\AlmanacDrawing')
@use('App\Shared\View\Covers\Cover')
@use('App\Shared\View\Dates')
@use('App\Shared\View\TitleText')
@php
    $day = fn (string $of): string => Dates::day(new DateTimeImmutable("{$of} 12:00", $zone), $zone);
    $fills = ['var(--color-board)', 'var(--color-haint)', 'var(--color-haint-deep)',
        'color-mix(in oklab, var(--color-haint-deep), var(--color-bar))', 'var(--color-bar)'];
@endphp
<x-layout :title="__('almanac.heading')" on="almanac">
    <h1 class="text-3xl mb-1">{{ __('almanac.heading') }}</h1>
    <p class="meta mb-5">{{ __('almanac.text') }}</p>
    <dl class="grid sm:grid-cols-3 gap-3 mb-7">
        <div class="panel px-4 py-3"><dt class="sr-only">{{ __('almanac.minutes') }}</dt><dd><span
            class="font-serif text-2xl block">{{ trans_choice('almanac.today', $drawing->today)
                }}</span>@if (isset($goals['minutes']))<span class="meta">{{ __('almanac.of_goal', ['goal' =>
                    $goals['minutes']])
            }}</span> <progress class="reading-progress block mt-1" max="{{ $goals['minutes'] }}"
            value="{{ min($goals['minutes'], $drawing->today) }}" aria-hidden="true"></progress>@endif</dd></div>
        <div class="panel px-4 py-3"><dt class="sr-only">{{ __('almanac.day') }}</dt><dd class="font-serif text-2xl">{{
            trans_choice('almanac.row', $drawing->inARow) }}</dd></div>
        <div class="panel px-4 py-3"><dt class="sr-only">{{ __('almanac.titles') }}</dt><dd><span
            class="font-serif text-2xl block">{{ trans_choice('almanac.month_titles', $finishedInMonth)
                }}</span>@if (isset($goals['titles']))<span class="meta">{{ __('almanac.of_goal', ['goal' =>
                    $goals['titles']])
            }}</span> <progress class="reading-progress block mt-1" max="{{ $goals['titles'] }}"
            value="{{ min($goals['titles'], $finishedInMonth) }}" aria-hidden="true"></progress>@endif</dd></div>
    </dl>
    <section aria-labelledby="year" class="mb-8">
        <h2 id="year" class="text-2xl mb-1">{{ __('almanac.year') }}</h2>
        <p class="mb-2">{{ __('almanac.year_text', ['time' => TitleText::duration($drawing->year * 60), 'titles' =>
            trans_choice('almanac.year_titles', $finishedInYear), 'pages' => App\Shared\View\Numbers::of($pages)])
                }}</p>
        <div class="overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('almanac.year') }}"><svg
            viewBox="0 0 {{ 53 * AlmanacDrawing::SQUARE }} {{ 7 * AlmanacDrawing::SQUARE + 18 }}"
            class="w-full min-w-[640px] max-w-4xl h-auto" role="img"
            aria-label="{{ __('almanac.year_hint') }}">
            @foreach ($drawing->months as $month)<text x="{{ $month['x'] }}" y="11" font-size="11"
                fill="var(--color-soft)">{{ Dates::monthShort(new DateTimeImmutable("{$month['month']}-15"))
                    }}</text>@endforeach
            @foreach ($drawing->squares as $square)<rect x="{{ $square['x'] }}" y="{{ $square['y'] + 18 }}" width="11"
                height="11" rx="2" stroke="var(--color-rule)" fill="{{ $fills[$square['step']] }}"><title>{{
                __('almanac.on_day', ['date' => $square['day'], 'minutes' => $square['minutes']])
                }}</title></rect>@endforeach
        </svg></div>
        <p class="meta">{{ __('almanac.year_hint') }}</p>
        <details class="mt-1 text-[15px]"><summary class="link cursor-pointer">{{ __('almanac.as_table')
            }}</summary><table class="desk-table mt-1"><thead><tr><th scope="col">{{ __('almanac.month') }}</th><th
            scope="col" class="num">{{ __('almanac.minutes')
                }}</th></tr></thead><tbody>@foreach ($drawing->minutesByMonth as $month => $minutes)<tr><th scope="row"
                    class="text-left font-normal">{{
            Dates::published($month) }}</th><td class="num">{{ App\Shared\View\Numbers::of($minutes)
                }}</td></tr>@endforeach</tbody></table>
        </details>
    </section>
    <section aria-labelledby="days" class="mb-8">
        <h2 id="days" class="text-2xl mb-2">{{ __('almanac.last_days') }}</h2>
        <svg viewBox="0 0 600 140" class="w-full max-w-3xl h-auto" role="img" aria-label="{{ __('almanac.last_days')
            }}">
            <line x1="0" y1="121" x2="600" y2="121" stroke="var(--color-rule)" />
            @foreach ($drawing->bars as $n => $bar)<rect x="{{ $n * 20 + 2 }}" y="{{ 120 - $bar['height'] }}" width="16"
                height="{{ $bar['height'] }}" rx="2" fill="var(--color-act)"><title>{{ __('almanac.on_day', ['date'
                => $bar['day'], 'minutes' => $bar['minutes']]) }}</title></rect>@if ($n % 7 === 1)<text
                 x="{{ $n * 20 + ($loop->last ? 20 : 0) }}" y="136" text-anchor="{{ $loop->last ? 'end' : 'start' }}"
                     font-size="12" fill="var(--color-soft)">{{ Dates::short(new
                DateTimeImmutable("{$bar['day']} 12:00", $zone), $zone) }}</text>@endif @endforeach
        </svg>
        <details class="mt-1 text-[15px]"><summary class="link cursor-pointer">{{ __('almanac.as_table')
            }}</summary><table class="desk-table mt-1"><thead><tr><th scope="col">{{ __('almanac.day') }}</th><th
            scope="col" class="num">{{ __('almanac.minutes')
                }}</th></tr></thead><tbody>@foreach (array_reverse($drawing->bars) as $bar)<tr><th scope="row"
                    class="text-left font-normal">{{
            $day($bar['day']) }}</th><td class="num">{{ $bar['minutes'] }}</td></tr>@endforeach</tbody></table>
        </details>
    </section>
    <section aria-labelledby="titles" class="mb-8">
        <div class="flex flex-wrap items-end justify-between gap-3 mb-2"><h2 id="titles" class="text-2xl">{{
            __($leftOut ? 'almanac.left_out_titles' : 'almanac.titles') }}</h2>
            <form class="flex gap-2 items-end text-[15px]"><label class="grid gap-1">{{ __('almanac.find') }}<input
                name="find" value="{{ $words }}" maxlength="200" class="field py-1.5 min-h-9"></label><button
                class="btn btn-quiet">{{ __('common.search') }}</button></form></div>
        @if ($titles->isEmpty())<p class="panel p-5">{{ $words !== '' ? __('almanac.none_with', ['words' => $words]) :
            __($leftOut ? 'almanac.none_left_out' : 'almanac.none') }}</p>
        @else
            <ul class="panel divide-y divide-rule">@foreach ($titles as $of)
                @php($title = $of->title)
                <li class="px-4 py-3 flex gap-4"><span class="flex-none">{{ Cover::html($title, 44, decorative: true)
                    }}</span><div class="grow min-w-0"><a class="font-semibold no-underline hover:underline"
                    href="{{ $current->link(route('titles.show', $title, false)) }}">{{
                        App\Shared\View\TitleText::name($title) }}</a><span
                    class="meta block">{{ implode(' · ', array_filter([TitleText::people($title),
                    TitleText::format($title), isset($minutes[$of->title_id]) ?
                    TitleText::duration($minutes[$of->title_id] * 60) : null])) }}</span>
                    @unless ($leftOut)<span class="meta block">{{ implode(' · ', array_filter([
                        __('almanac.begun', ['date' => Dates::day($of->begun_at, $zone)]), $of->finished_at === null ?
                        __('almanac.last', ['date' => Dates::day($of->last_at, $zone)]) :
                        __('almanac.finished', ['date' => Dates::day($of->finished_at, $zone)]), $of->stars === null ?
                        null : __('almanac.stars_of', ['count' => $of->stars])])) }}</span>@endunless
                    @if ($of->word !== '')<p class="mt-1 break-words">{{ $of->word }}</p>@endif
                    <div class="flex flex-wrap gap-x-4 gap-y-1 items-start text-[15px] mt-1">
                        @unless ($leftOut)<a class="link py-1" href="{{ route('borrow.show', $title, false) }}">{{
                            __('almanac.borrow_again') }}<span class="sr-only">: {{ $title->name }}</span></a>
                            <details><summary class="link cursor-pointer py-1">{{ __('almanac.judge') }}<span
                                class="sr-only">: {{ $title->name }}</span></summary><form method="post"
                                action="{{ route('almanac.judge', $title, false) }}" class="grid gap-2 py-2">@csrf<label
                                class="grid gap-1">{{ __('almanac.stars') }}<select name="stars"
                                class="field py-1.5 min-h-9"><option value="">{{ __('almanac.no_stars')
                                }}</option>@foreach (range(1, 5) as $n)<option value="{{ $n }}"
                                @selected($of->stars === $n)>{{ $n }}</option>@endforeach</select></label><label
                                class="grid gap-1">{{ __('almanac.word') }}<textarea name="word" rows="2"
                                maxlength="500" class="field">{{ $of->word }}</textarea></label><div><button
                                class="btn btn-quiet">{{ __('almanac.keep_word') }}</button></div></form></details>
                            <form method="post" action="{{ route('almanac.finish', $title, false) }}">@csrf<input
                                type="hidden" name="finished" value="{{ $of->finished_at === null ? 1 : 0 }}"><button
                                class="btn btn-plain">{{ __($of->finished_at === null ? 'almanac.mark_finished' :
                                'almanac.mark_unfinished') }}<span class="sr-only">: {{ $title->name
                                }}</span></button></form>
                        @endunless
                        <form method="post" action="{{ route('almanac.leave_out', $title, false) }}">@csrf<input
                            type="hidden" name="out" value="{{ $leftOut ? 0 : 1 }}"><button class="btn btn-plain">{{
                            __($leftOut ? 'almanac.take_in' : 'almanac.leave_out') }}<span class="sr-only">: {{
                            $title->name }}</span></button></form>
                    </div></div></li>@endforeach</ul>
            <x-pager :page="$titles" />
        @endif
        <p class="mt-2 flex flex-wrap gap-x-5 text-[15px]"><a class="link py-1" href="{{ route('almanac', $leftOut ? []
            : ['left_out' => 1], false) }}">{{ __($leftOut ? 'almanac.titles' : 'almanac.left_out_titles') }}</a><span
            class="py-1">{{ __('almanac.save_as') }} <a class="link" href="{{ route('almanac.file', 'csv', false)
            }}">CSV</a> <a class="link" href="{{ route('almanac.file', 'json', false) }}">JSON</a></span></p>
    </section>
    <div class="grid md:grid-cols-2 gap-8">
        <section aria-labelledby="goals"><h2 id="goals" class="text-2xl mb-2">{{ __('almanac.goals') }}</h2>
            <form method="post" action="{{ route('almanac.goals', [], false) }}" class="panel p-4 grid gap-3">@csrf
                <div class="grid grid-cols-2 gap-3"><x-desk.field name="minutes" :max="4" inputmode="numeric"
                    :label="__('almanac.goal_minutes')" :needed="false" :usual="$goals['minutes'] ?? ''" /><x-desk.field
                    name="titles" :max="3" inputmode="numeric" :label="__('almanac.goal_titles')" :needed="false"
                    :usual="$goals['titles'] ?? ''" /></div><p class="meta">{{ __('almanac.goal_hint') }}</p>
                <div><button class="btn btn-quiet">{{ __('almanac.keep_goals') }}</button></div></form></section>
        <section aria-labelledby="clear"><h2 id="clear" class="text-2xl mb-2">{{ __('almanac.clear') }}</h2>
            <form method="post" action="{{ route('almanac.clear', [], false) }}" class="panel p-4 grid gap-3">@csrf
                <div class="grid grid-cols-2 gap-3"><x-desk.field name="first_day" type="date"
                    :label="__('almanac.first_day')" :needed="false" /><x-desk.field name="last_day" type="date"
                    :label="__('almanac.last_day')" :needed="false" /></div><p class="meta">{{
                    __('almanac.clear_text') }}</p>
                <div class="flex flex-wrap gap-3"><button class="btn btn-quiet">{{ __('almanac.clear_span')
                    }}</button><button class="btn btn-plain" name="all" value="1">{{ __('almanac.clear_all')
                    }}</button></div></form></section>
    </div>
</x-layout>
