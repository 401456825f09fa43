@use('App\Shared\View\Dates')
@php
    use App\Desk\Licences\PressureSearch;
    use FigPorch\Core\Desk\HoldPressure;
    $link = fn (array $changes): string => route('desk.licences', $search->with($changes), false);
    $facts = ['high' => HoldPressure::HIGH, 'days' => PressureSearch::ENDING_DAYS, 'few' => PressureSearch::FEW_LOANS];
    $columns = ['copies', 'loans_left', 'ends', 'holds', 'pressure'];
@endphp
<x-desk.layout :title="__('licences.licences_heading')" on="licences" :staff="$staff">
    <h1 class="text-3xl mb-2">{{ __('licences.licences_heading') }}</h1>
    @include('desk.licences.tabs', ['here' => 'licences'])
    <ul class="grid grid-cols-2 sm:grid-cols-3 lg:grid-cols-6 gap-3 mb-6">
        @foreach ($figures as $show => $count)
            <li><a href="{{ route('desk.licences', ['show' => $show, 'target' => $search->target], false) }}"
                @class(['panel block h-full px-4 py-3 no-underline hover:bg-haint', 'bg-haint border-haint-deep' =>
                $search->show === $show]) @if ($search->show === $show) aria-current="true" @endif>
                <b class="block font-serif text-3xl leading-tight tabular-nums">{{ App\Shared\View\Numbers::of($count)
                    }}</b><span
                    class="text-[15px] leading-snug block">{{ trans_choice("desk.figures.{$show}", $count, $facts)
                    }}</span></a></li>
        @endforeach
        <li><a href="/desk/turnaways" class="panel block h-full px-4 py-3 no-underline hover:bg-haint"><b
            class="block font-serif text-3xl leading-tight tabular-nums">{{ App\Shared\View\Numbers::of($turnaways)
                }}</b><span
            class="text-[15px] leading-snug block">{{ trans_choice('desk.figures.turnaways', $turnaways)
            }}</span></a></li>
    </ul>
    <form action="/desk/licences" class="flex flex-wrap items-end gap-x-4 gap-y-2 mb-4 text-[15px]">
        <input type="hidden" name="order" value="{{ $search->order }}">
        <label class="grid gap-1"><span>{{ __('licences.show') }}</span><select name="show"
            class="field py-1.5 min-h-9">@foreach (PressureSearch::SHOWS as $show)<option value="{{ $show }}"
            @selected($search->show === $show)>{{ __("licences.shows.{$show}", $facts)
            }}</option>@endforeach</select></label>
        <label class="grid gap-1"><span>{{ __('common.format') }}</span><select name="format"
            class="field py-1.5 min-h-9"><option value="">{{ __('common.all_formats')
            }}</option>@foreach (FigPorch\Core\Catalogue\Format::lent() as $format)<option value="{{ $format->value }}"
            @selected($search->format === $format)>{{ __("catalogue.formats.{$format->value}")
            }}</option>@endforeach</select></label>
        <label class="grid gap-1"><span>{{ __('licences.find') }}</span><input name="q" value="{{ $search->words }}"
            class="field py-1.5 min-h-9 w-52" maxlength="400"></label>
        <label class="grid gap-1"><span>{{ __('licences.target') }}</span><select name="target"
            class="field py-1.5 min-h-9">@foreach (PressureSearch::TARGETS as $days)<option value="{{ $days }}"
            @selected($search->target === $days)>{{ __('licences.target_days', ['days' => $days])
            }}</option>@endforeach</select></label>
        <button class="btn btn-quiet">{{ __('desk.find_button') }}</button>
    </form>
    <div class="flex flex-wrap items-baseline justify-between gap-x-4 mb-2">
        <h2 class="text-xl">{{ __("licences.shows.{$search->show}", $facts) }} <span
            class="font-sans font-normal text-base text-soft tabular-nums">{{
                App\Shared\View\Numbers::of($page->total())
            }}</span></h2>
        @if ($page->total() > 0)<a class="link text-[15px]"
            href="{{ route('desk.licences.csv', $search->with([]), false) }}">{{ __('desk.csv_file') }}</a>@endif
    </div>
    @if ($page->isEmpty())
        <div class="panel p-6"><p>{{ __($hasTitles ? 'desk.nothing' : 'desk.no_titles') }}</p>@if (!$hasTitles)<p
            class="mt-2 overflow-x-auto"><code>bin/artisan catalogue:import book.epub --library={{
            $staff->library->slug }}</code></p>@endif</div>
    @else
        <div class="panel overflow-x-auto" tabindex="0" role="group"
            aria-label="{{ __("licences.shows.{$search->show}", $facts) }}">
            <table class="w-full text-[15px] desk-table desk-figures">
                <thead><tr>
                    <th scope="col" @if ($search->order === 'name') aria-sort="ascending" @endif><a
                        href="{{ $link(['order' => 'name']) }}" class="no-underline hover:underline">{{
                        __('desk.columns.name') }}@if ($search->order === 'name')<span aria-hidden="true">
                        ↓</span>@endif</a></th>
                    @foreach ($columns as $column)
                        <th scope="col" @if ($search->order === $column) aria-sort="{{ in_array($column, ['ends',
                            'loans_left'], true) ? 'ascending' : 'descending' }}" @endif><a
                            href="{{ $link(['order' => $column]) }}" class="no-underline hover:underline">{{
                            __("desk.columns.{$column}") }}@if ($search->order === $column)<span aria-hidden="true">
                            ↓</span>@endif</a></th>
                    @endforeach
                    <th scope="col">{{ __('desk.columns.wait') }}<br><span
                        class="font-normal text-soft">{{ __('licences.wait_note') }}</span></th>
                    <th scope="col">{{ __('desk.columns.extra') }}<br><span
                        class="font-normal text-soft">{{ __('licences.extra_note', ['days' => $search->target])
                        }}</span></th>
                </tr></thead>
                <tbody>
                    @foreach ($page as $of)
                        @php($to = fn (string $part): string =>
                            "/desk/titles/{$of->title->id}?target={$search->target}#{$part}")
                        <tr>
                            <th scope="row" class="text-left font-normal"><a class="font-semibold no-underline
                                hover:underline" href="{{ $to('licences') }}">{{ $of->title->name }}</a> <span
                                class="text-soft whitespace-nowrap">{{
                                __("catalogue.format.{$of->title->format->value}") }}</span></th>
                            <td><a href="{{ $to('on-loan') }}">@if ($of->copies === 0)<span
                                class="text-clay">{{ __('licences.no_copies') }}</span>@else{{
                                    App\Shared\View\Numbers::of($of->copies)
                                }}@if ($of->copiesFree > 0) <span class="text-soft">({{ __('desk.free', ['count' =>
                                $of->copiesFree]) }})</span>@endif @endif</a></td>
                            <td>@if ($of->loansLeft === null)<span class="text-soft">–</span>@else<a
                                href="{{ $to('licences') }}">{{ App\Shared\View\Numbers::of($of->loansLeft)
                                    }}</a>@endif</td>
                            <td>@if ($of->endsAt === null)<span class="text-soft">–</span>@else<a
                                href="{{ $to('licences') }}">{{ Dates::day($of->endsAt, $staff->library->zone())
                                }}</a>@endif</td>
                            <td>@if ($of->holds === 0)0 @else<a href="{{ $to('line') }}">{{
                                App\Shared\View\Numbers::of($of->holds)
                                }}</a>@endif</td>
                            <td>@if ($of->holdsPerCopy() === null)<span class="text-soft">–</span>@else<a
                                href="{{ $to('line') }}" @class(['font-semibold text-clay' => $of->holdsPerCopy() >=
                                HoldPressure::HIGH])>{{ App\Shared\View\Numbers::of($of->holdsPerCopy(), 1)
                                    }}</a>@endif</td>
                            <td><a href="{{ $to('line') }}" id="wait-{{ $of->title->id }}">…</a></td>
                            <td><span id="more-{{ $of->title->id }}">…</span></td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        <div hx-get="{{ route('desk.licences.waits', ['titles' => $page->pluck('title.id')->join(','), 'target' =>
            $search->target], false) }}" hx-trigger="load" hx-swap="none"></div>
        <x-pager :page="$page" />
        @include('desk.licences.basis', ['target' => $search->target])
    @endif
</x-desk.layout>
