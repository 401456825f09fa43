@use('App\Desk\Titles\OffersInput')
@use('App\Shared\View\Dates')
@use('App\Desk\Figures\DeskText')
@use('App\Shared\View\TitleText')
@use('FigPorch\Core\Lending\LicenceModel')
@php
    $zone = $staff->library->zone();
    $day = fn (string $at): string => Dates::day(new DateTimeImmutable($at), $zone);
    $price = fn (int $cents): string => DeskText::price($cents, $staff->library->currency);
    $alive = $licences->where('alive', true);
    $copies = (int) $alive->sum('copies');
    $waiting = count($line['waiting']);
    $sharedCopies = array_sum(array_map(fn ($l): int => $l->licence->libraryId === $staff->library_id || !
        $l->licence->canFillHolds($now) ? 0 : (int) $l->licence->copies, $line['licences']));
    $facts = [
        ['on-loan', App\Shared\View\Numbers::of($copies), trans_choice('titles.fact_copies', $copies)],
        ['on-loan', App\Shared\View\Numbers::of($alive->sum('on_loan')), __('titles.fact.on_loan')],
        ['line', App\Shared\View\Numbers::of($alive->sum('kept')), __('titles.fact.kept')],
        ['line', App\Shared\View\Numbers::of($waiting), __('titles.fact.holds')],
        ['line', $copies === 0 ? '–' : App\Shared\View\Numbers::of($waiting / $copies, 1), __('titles.fact.per_copy')],
        ['line', DeskText::wait($pressure['wait']), __('titles.fact.wait')],
        ['compare', App\Shared\View\Numbers::of($pressure['extra']), __('titles.fact.extra', ['days' => $target])],
    ];
    $most = max(1, ...array_values($turnaways), ...array_values($begun), ...[0]);
@endphp
<x-desk.layout :title="$title->name" on="licences" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/licences?target={{ $target }}">{{
        __('titles.back_to_licences') }}</a></p>
    <div class="flex flex-wrap items-baseline gap-x-4 mb-1"><h1 class="text-3xl">{{ $title->name }}</h1><a
        class="link text-[15px]" href="/titles/{{ $title->id }}?library={{ $staff->library->slug }}">{{
        __('desk.title_page') }}</a>@can('desk.licences')<a class="link text-[15px]"
        href="{{ route('desk.order', $title, false) }}">{{ __('orders.order') }}</a>@endcan
        @can('desk.titles')<a class="link text-[15px]" href="{{ route('desk.record', $title) }}">{{
            __('records.edit') }}</a>@endcan</div>
    <p class="meta mb-4">{{ implode(' · ', array_filter([TitleText::people($title), TitleText::format($title),
        $title->year()])) }}</p>
    @if (! $title->opens() && $alive->isNotEmpty())
        <p class="panel px-4 py-3 mb-4 text-[15px] flex flex-wrap gap-x-4 gap-y-1 items-baseline"><span>{{
            __('records.no_file_text') }}</span> @can('desk.titles')<a class="link" href="{{ route('desk.title.file',
            $title) }}">{{ __('records.send_file') }}</a>@endcan</p>
    @endif
    <ul class="border border-rule rounded-panel overflow-hidden grid grid-cols-2 md:grid-cols-7 gap-px bg-rule">
        @foreach ($facts as [$to, $figure, $words])
            <li class="bg-card max-md:last:col-span-2"><a href="#{{ $to }}"
                class="block px-4 py-3 no-underline hover:bg-haint h-full"><b
                class="block font-serif text-2xl leading-tight tabular-nums">{{ $figure }}</b><span
                class="text-[15px] leading-snug block">{{ $words }}</span></a></li>
        @endforeach
    </ul>
    @include('desk.licences.basis')

    <section id="licences" aria-labelledby="h-licences" class="mb-8 scroll-mt-4">
        <div class="flex items-baseline justify-between gap-4 mb-2"><h2 id="h-licences"
            class="text-2xl">{{ __('desk.licences') }}</h2><a class="link text-[15px] font-normal"
            href="/desk/titles/{{ $title->id }}/licences.csv"
            aria-label="{{ __('desk.csv_of', ['what' => __('desk.licences')]) }}">CSV</a></div>
        @if ($licences->isEmpty())
            <p class="panel p-5 mb-3">{{ __('titles.no_licences') }}</p>
        @else
            <div class="panel overflow-x-auto mb-3" tabindex="0" role="group" aria-label="{{ __('desk.licences') }}">
                <table class="w-full text-[15px] desk-table">
                    <thead><tr><th scope="col">{{ __('desk.model') }}</th><th scope="col"
                        class="num">{{ __('desk.columns.copies') }}</th><th scope="col"
                        class="num">{{ __('desk.columns.loans_left') }}</th><th
                        scope="col">{{ __('titles.starts') }}</th><th scope="col">{{ __('titles.ends') }}</th><th
                        scope="col" class="num">{{ __('titles.price') }}</th><th scope="col"
                        class="num">{{ __('titles.lent') }}</th><th scope="col"><span
                        class="sr-only">{{ __('titles.change') }}</span></th></tr></thead>
                    <tbody>
                        @foreach ($licences as $licence)
                            @php $model = LicenceModel::from($licence->model); @endphp
                            <tr @class(['text-soft' => ! $licence->alive])>
                                <th scope="row" class="text-left font-normal"><b class="font-semibold">{{
                                    __("desk.models.{$licence->model}") }}</b> <span
                                    class="text-soft">#{{ $licence->id }}@if ($licence->shared) ·
                                    {{ __('titles.shared_short') }}@endif</span><div
                                    class="meta">{{ DeskText::rights($licence) }}</div></th>
                                <td class="num">@if ($model->hasCopies()){{ $licence->copies }} <span
                                    class="text-soft">({{ __('desk.free', ['count' => $licence->copies_free])
                                    }})</span>@else – @endif</td>
                                <td class="num">@if ($model->countsLoans()){{ __('desk.loans_left_of', ['left' =>
                                    $licence->loans_left, 'bought' => $licence->loans_bought]) }}@else – @endif</td>
                                <td>{{ $day($licence->starts_at) }}</td>
                                <td>@if ($licence->alive){{ $licence->ends_at === null ? __('desk.no_end') :
                                    $day($licence->ends_at) }}@elseif ($licence->ends_at !== null && $licence->ends_at
                                    <= $now->format('Y-m-d H:i:sP')){{ __('titles.ended_on', ['date' =>
                                    $day($licence->ends_at)]) }}@else{{ __('titles.used_up') }}@endif</td>
                                <td class="num">@if ($licence->price_cents === 0) –
                                    @elseif ($model === LicenceModel::PayPerLoan){{
                                    __('desk.price_each', ['price' => $price($licence->price_cents)]) }}@else{{
                                    $price($licence->price_cents) }}@endif</td>
                                <td class="num">{{ App\Shared\View\Numbers::of($licence->lent) }}</td>
                                <td class="text-right">@if ($licence->alive)
                                    <a class="link" href="{{ route('desk.title', ['title' => $title, 'target' =>
                                        $target, 'licence' => $opened === $licence->id ? null : $licence->id], false)
                                        }}#licences" aria-expanded="{{ $opened === $licence->id ? 'true' : 'false' }}"
                                        aria-label="{{ __('titles.change_licence', ['id' => $licence->id]) }}">{{
                                        __('titles.change') }}</a>@endif</td>
                            </tr>
                            @if ($licence->alive && $opened === $licence->id)
                                <tr><td colspan="8" class="bg-board"><div class="flex flex-wrap items-start gap-x-10
                                    gap-y-4 py-2">
                                    @if ($model->hasCopies())
                                        <form action="{{ route('desk.preview', $title, false) }}"
                                            class="flex flex-wrap items-center gap-3"><input type="hidden" name="do"
                                            value="copies"><input type="hidden" name="licence"
                                            value="{{ $licence->id }}">
                                            <label class="flex items-center gap-3"><span>{{ __('titles.copies_to')
                                                }}</span><input name="copies" type="number" min="1" max="100000"
                                                value="{{ old('copies', $licence->copies) }}" required
                                                class="field py-1.5 min-h-9 w-24 text-right"></label><button
                                                class="btn btn-quiet">{{ __('titles.show_raise') }}</button></form>
                                    @endif
                                    <form action="{{ route('desk.preview', $title, false) }}"
                                        class="flex flex-wrap items-center gap-3"><input type="hidden" name="do"
                                        value="end"><input type="hidden" name="licence" value="{{ $licence->id }}">
                                        <label class="flex items-center gap-3"><span>{{ __('titles.end_on')
                                            }}</span><input name="ends" type="date" min="{{
                                            $now->setTimezone($zone)->format('Y-m-d') }}" value="{{ old('ends') }}"
                                            class="field py-1.5 min-h-9" aria-describedby="end-hint"></label><button
                                            class="btn btn-quiet">{{ __('titles.show_end') }}</button><span
                                                id="end-hint"
                                            class="meta">{{ __('titles.end_hint') }}</span></form>
                                </div></td></tr>
                            @endif
                        @endforeach
                    </tbody>
                </table>
            </div>
        @endif
        @if ($sharedCopies > 0)<p class="meta mb-3">{{ trans_choice('titles.shared_by_others', $sharedCopies)
            }}</p>@endif
        <details id="add" class="panel px-4 py-3" @if ($errors->any() && old('do') === 'add' || request()->has('add'))
            open @endif>
            <summary class="font-semibold cursor-pointer">{{ __('desk.add_licence') }}</summary>
            <form action="{{ route('desk.preview', $title, false) }}"
                class="mt-3 grid sm:grid-cols-2 lg:grid-cols-4 gap-x-4 gap-y-3 items-start text-[15px]">
                <input type="hidden" name="do" value="add">
                <label class="grid gap-1"><span>{{ __('desk.model') }}</span><select name="model"
                    class="field py-1.5 min-h-9">@foreach (LicenceModel::cases() as $model)<option
                    value="{{ $model->value }}" @selected(old('model') === $model->value)>{{
                    __("desk.models.{$model->value}") }}</option>@endforeach</select></label>
                <label class="grid gap-1"><span>{{ __('titles.number_of_copies') }}</span><input name="copies"
                    type="number" min="1" max="100000" value="{{ old('copies', 1) }}"
                    class="field py-1.5 min-h-9"></label>
                <label class="grid gap-1"><span>{{ __('titles.number_of_loans') }}</span><input name="loans"
                    type="number"
                    min="1" max="100000" value="{{ old('loans') }}" class="field py-1.5 min-h-9"></label>
                <label class="grid gap-1"><span>{{ __('titles.price') }}</span><input name="price" inputmode="decimal"
                    value="{{ old('price') }}" class="field py-1.5 min-h-9" aria-describedby="price-hint"><span
                    id="price-hint" class="meta leading-snug">{{ __('titles.price_hint') }}</span></label>
                <label class="grid gap-1"><span>{{ __('desk.first_day') }}</span><input name="starts" type="date"
                    value="{{ old('starts') }}" class="field py-1.5 min-h-9" aria-describedby="starts-hint"><span
                    id="starts-hint" class="meta">{{ __('titles.first_day_hint') }}</span></label>
                <label class="grid gap-1"><span>{{ __('desk.last_day') }}</span><input name="ends" type="date"
                    value="{{ old('ends') }}" class="field py-1.5 min-h-9" aria-describedby="ends-hint"><span
                    id="ends-hint" class="meta">{{ __('titles.last_day_hint') }}</span></label>
                <label class="flex items-center gap-2 lg:mt-7"><input type="checkbox" name="shared" value="1"
                    @checked(old('do') === null ? $staff->library->shares : old('shared')) class="accent-shutter w-4
                        h-4">{{ __('desk.shared') }}</label>
                <div class="sm:col-span-2 lg:col-span-4">@include('desk.titles.rights',
                    ['fresh' => old('do') === null])</div>
                <button class="btn lg:mt-6">{{ __('titles.add_show') }}</button>
            </form>
        </details>
    </section>

    <section id="compare" aria-labelledby="h-compare" class="mb-8 scroll-mt-4">
        <h2 id="h-compare" class="text-2xl mb-1">{{ __('titles.compare') }}</h2>
        <p class="meta mb-3 max-w-[90ch]">{{ __('titles.compare_text', ['demand' =>
            App\Shared\View\Numbers::of($demand->perDay *
            30.4,
            1), 'years' => trans_choice('titles.years', $offers->years)]) }}</p>
        <form action="{{ route('desk.title', $title, false) }}#compare">
            <input type="hidden" name="target" value="{{ $target }}">
            <div class="flex flex-wrap items-center gap-x-5 gap-y-2 mb-3 text-[15px]">
                <label class="flex items-center gap-2"><span>{{ __('titles.money') }}</span><input name="money"
                    inputmode="decimal" value="{{ DeskText::money($offers->moneyCents) }}"
                    class="field py-1.5 min-h-9 w-28 text-right"></label>
                <label class="flex items-center gap-2"><span>{{ __('titles.over') }}</span><input name="years"
                    type="number" min="1" max="10" value="{{ $offers->years }}"
                    class="field py-1.5 min-h-9 w-20 text-right"><span>{{ __('titles.over_years') }}</span></label>
                <button class="btn btn-quiet">{{ __('titles.reckon') }}</button>
            </div>
            <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('titles.compare') }}">
                <table class="w-full text-[15px] desk-table desk-figures">
                    <thead><tr><th scope="col">{{ __('desk.model') }}</th><th scope="col">{{ __('titles.price')
                        }}</th><th
                        scope="col">{{ __('desk.columns.copies') }}</th><th scope="col">{{ __('titles.loans') }}</th><th
                        scope="col">{{ __('titles.months_each') }}</th><th scope="col">{{ __('titles.bought') }}</th><th
                        scope="col">{{ __('titles.expected_loans') }}</th><th
                        scope="col">{{ __('titles.per_loan') }}</th><th scope="col">{{ __('titles.wait_then')
                        }}</th></tr></thead>
                    <tbody>
                        @php $values = collect($compared)->keyBy(fn (array $c): string =>
                            $c['value']->offer->model->value); @endphp
                        @foreach ($values->keys()->merge(array_column(LicenceModel::cases(),
                            'value'))->unique() as $name)
                            @php
                                $model = LicenceModel::from($name);
                                $offer = $offers->offers[$name] ?? null;
                                $row = $values[$name] ?? null;
                                $label = fn (string $what): string => __("desk.models.{$name}").', '.$what;
                            @endphp
                            <tr>
                                <th scope="row" class="text-left font-normal"><b class="font-semibold">{{
                                    __("desk.models.{$name}") }}</b>@if ($loop->first && $row !== null &&
                                    $row['value']->centsPerLoan !== null) <span class="chip ml-1">{{
                                        __('titles.cheapest')
                                    }}</span>@endif</th>
                                <td><input name="offer[{{ $name }}][price]" inputmode="decimal"
                                    value="{{ $offer === null ? '' : DeskText::money($offer->priceCents) }}"
                                    aria-label="{{ $label(__('titles.price')) }}" class="field py-1 min-h-8 w-24
                                    text-right"></td>
                                <td>@if ($model->hasCopies())<input name="offer[{{ $name }}][copies]"
                                    inputmode="numeric" value="{{ $offer->copies ?? 1 }}"
                                    aria-label="{{ $label(__('desk.columns.copies')) }}"
                                    class="field py-1 min-h-8 w-16 text-right">@else – @endif</td>
                                <td>@if ($model->countsLoans())<input name="offer[{{ $name }}][loans]"
                                    inputmode="numeric" value="{{ $offer?->loans }}"
                                    aria-label="{{ $label(__('titles.loans')) }}" class="field py-1 min-h-8 w-20
                                    text-right">@else – @endif</td>
                                <td>@if ($model !== LicenceModel::PayPerLoan && $model !==
                                    LicenceModel::OneCopyOneUser)<input name="offer[{{ $name }}][months]"
                                    inputmode="numeric" value="{{ OffersInput::months($offer?->days) }}"
                                    aria-label="{{ $label(__('titles.months_each')) }}"
                                    class="field py-1 min-h-8 w-16 text-right">@else – @endif</td>
                                @if ($row === null)
                                    <td colspan="4" class="text-soft">{{ __('titles.no_offer') }}</td>
                                @elseif ($row['value']->centsPerLoan === null)
                                    <td colspan="4" class="text-soft">{{ __($row['value']->units === 0 &&
                                        $row['value']->offer->priceCents > $offers->moneyCents ? 'desk.too_dear' :
                                        'desk.no_gain') }}</td>
                                @else
                                    <td>{{ App\Shared\View\Numbers::of($row['value']->units) }}</td><td>{{
                                        App\Shared\View\Numbers::of($row['value']->loans, 1) }}</td><td
                                        class="font-semibold">{{ $price((int)
                                        round($row['value']->centsPerLoan)) }}</td><td>{{ DeskText::wait($row['wait'])
                                        }}@if ($model !== LicenceModel::PayPerLoan && Gate::allows('desk.licences')) <a
                                        class="link" href="{{ route('desk.order', ['title' => $title, 'model' => $name,
                                        'quantity' => $row['value']->units, 'copies' => $offer->copies, 'loans' =>
                                        $offer->loans, 'months' => OffersInput::months($offer->days), 'cents' =>
                                        $offer->priceCents], false) }}">{{ __('orders.order') }}<span class="sr-only">:
                                        {{ __("desk.models.{$name}") }}</span></a>@endif</td>
                                @endif
                            </tr>
                        @endforeach
                    </tbody>
                </table>
            </div>
        </form>
    </section>

    <div class="grid grid-cols-1 lg:grid-cols-[3fr_2fr] gap-x-8">
        <section id="line" aria-labelledby="h-line" class="mb-8 scroll-mt-4 min-w-0">
            <div class="flex items-baseline justify-between gap-4 mb-2"><h2 id="h-line"
                class="text-2xl">{{ __('titles.line') }}</h2><a class="link text-[15px] font-normal"
                href="/desk/titles/{{ $title->id }}/line.csv" aria-label="{{ __('desk.csv_of', ['what' =>
                __('titles.line')]) }}">CSV</a></div>
            @if ($holds->isEmpty())
                <p class="panel p-5">{{ __('titles.line_empty') }}</p>
            @else
                <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('titles.line') }}">
                    <table class="w-full text-[15px] desk-table">
                        <thead><tr><th scope="col" class="num">{{ __('titles.place') }}</th><th
                            scope="col">{{ __('titles.placed') }}</th><th scope="col">{{ __('desk.group') }}</th><th
                            scope="col">{{ __('desk.state') }}</th><th scope="col">{{ __('titles.expected')
                            }}</th></tr></thead>
                        <tbody>
                            @php $place = 0; @endphp
                            @foreach ($holds as $hold)
                                @php $place += $hold->state === 'ready' ? 0 : 1; @endphp
                                <tr><td class="num">{{ $hold->state === 'ready' ? '' : $place }}</td><td
                                    class="whitespace-nowrap">{{ Dates::short(new DateTimeImmutable($hold->placed_at),
                                    $zone) }}</td><td>{{ $hold->patron_group }}</td>
                                    <td class="whitespace-nowrap">{{ __("desk.states.{$hold->state}", ['date' =>
                                        $hold->state === 'ready' ? $day($hold->kept_until) :
                                        ($hold->paused_until === null ? '' : $day($hold->paused_until))])
                                        }}@if ($hold->borrow_at_once), {{ __('titles.at_once') }}@endif</td>
                                    <td>@if ($hold->state !== 'ready' && isset($turns[$place])){{
                                        DeskText::turn($turns[$place], $staff->library, $now) }}@endif</td></tr>
                            @endforeach
                        </tbody>
                    </table>
                </div>
            @endif
        </section>
        <section id="on-loan" aria-labelledby="h-loans" class="mb-8 scroll-mt-4 min-w-0">
            <div class="flex items-baseline justify-between gap-4 mb-2"><h2 id="h-loans"
                class="text-2xl">{{ __('titles.on_loan') }}</h2><a class="link text-[15px] font-normal"
                href="/desk/titles/{{ $title->id }}/loans.csv"
                aria-label="{{ __('desk.csv_of', ['what' => __('titles.on_loan')]) }}">CSV</a></div>
            @if ($loans->isEmpty())
                <p class="panel p-5">{{ __('titles.nothing_on_loan') }}</p>
            @else
                <div class="panel overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('titles.on_loan') }}">
                    <table class="w-full text-[15px] desk-table">
                        <thead><tr><th scope="col">{{ __('titles.licence') }}</th><th
                            scope="col">{{ __('titles.since') }}</th><th scope="col">{{ __('desk.due') }}</th><th
                            scope="col">{{ __('desk.group') }}</th><th scope="col"
                            class="num">{{ __('titles.renewals') }}</th></tr></thead>
                        <tbody>@foreach ($loans as $loan)<tr><td>#{{ $loan->licence_id }}</td><td>{{
                            $day($loan->started_at) }}</td><td>{{ $day($loan->due_at) }}</td><td>{{ $loan->elsewhere ?
                            __('titles.elsewhere') : $loan->patron_group }}</td><td
                            class="num">{{ $loan->renewals }}</td></tr>@endforeach</tbody>
                    </table>
                </div>
            @endif
        </section>
    </div>

    <section aria-labelledby="h-wanted" class="mb-8">
        <div class="flex items-baseline justify-between gap-4 mb-2"><h2 id="h-wanted"
            class="text-2xl">{{ __('titles.wanted') }}</h2><a class="link text-[15px] font-normal"
            href="/desk/titles/{{ $title->id }}/months.csv"
            aria-label="{{ __('desk.csv_of', ['what' => __('titles.wanted')]) }}">CSV</a></div>
        <div class="panel px-4 py-3">
            <svg viewBox="0 0 760 130" class="w-full max-w-[860px] h-auto coming-up" aria-hidden="true">
                <line x1="0" x2="760" y1="100.500" y2="100.500" stroke="var(--color-rule)"/>
                @foreach ($months as $n => $month)
                    @php [$x, $lent, $away] = [$n * 62 + 12, 88 * ($begun[$month] ?? 0) / $most, 88 *
                        ($turnaways[$month] ?? 0) / $most]; @endphp
                    <rect x="{{ $x }}" y="{{ 100 - $lent }}" width="20" height="{{ $lent }}"
                        fill="var(--color-bar)"/>
                    <rect x="{{ $x + 22 }}" y="{{ 100 - $away }}" width="20" height="{{ $away }}"
                        fill="var(--color-lamp)" stroke="#b67b0d" stroke-width="{{ $away > 0 ? 1 : 0 }}"/>
                    <text x="{{ $x + 21 }}" y="118" text-anchor="middle"
                        fill="var(--color-soft)">{{ DeskText::month($month, 'LLL') }}</text>
                @endforeach
            </svg>
            <div class="overflow-x-auto" tabindex="0" role="group" aria-label="{{ __('titles.wanted') }}">
                <table class="w-full text-[14px] desk-table">
                    <thead><tr><th scope="col"><span class="sr-only">{{ __('desk.month')
                        }}</span></th>@foreach ($months as $month)<th scope="col"
                        class="num">{{ DeskText::month($month, 'LLL yy') }}</th>@endforeach</tr></thead>
                    <tbody>
                        <tr><th scope="row" class="text-left font-normal whitespace-nowrap"><svg width="12" height="12"
                            class="inline mr-1.5" aria-hidden="true"><rect width="12" height="12"
                            fill="var(--color-bar)"/></svg>{{ __('titles.lent_in_month')
                            }}</th>@foreach ($months as $month)<td class="num">{{ $begun[$month] ?? 0
                            }}</td>@endforeach</tr>
                        <tr><th scope="row" class="text-left font-normal whitespace-nowrap"><svg width="12" height="12"
                            class="inline mr-1.5" aria-hidden="true"><rect width="12" height="12"
                            fill="var(--color-lamp)" stroke="#b67b0d"/></svg>{{ __('titles.turned_away')
                            }}</th>@foreach ($months as $month)<td class="num">@if (($turnaways[$month] ?? 0) > 0)<a
                            href="/desk/turnaways/{{ $title->id }}?month={{ $month }}">{{ $turnaways[$month] }}</a>@else
                            0 @endif</td>@endforeach</tr>
                    </tbody>
                </table>
            </div>
        </div>
    </section>

    @if ($changes->isNotEmpty())
        <section aria-labelledby="h-changes">
            <h2 id="h-changes" class="text-2xl mb-2">{{ __('titles.history') }}</h2>
            <ul class="panel divide-y divide-rule text-[15px]">
                @foreach ($changes as $change)<li class="px-4 py-2 flex flex-wrap justify-between gap-x-4"><span>{{
                    __("titles.did.{$change->what}", ['name' => $change->name, 'licence' => '#'.$change->licence_id,
                    'from' => $change->facts['from'] ?? '', 'to' => $change->facts['to'] ?? '', 'date' =>
                    isset($change->facts['at']) ? $day($change->facts['at']) : ''])
                    }}@isset ($change->facts['model'])<span class="meta block">{{ DeskText::terms($change->facts,
                    $staff->library) }}</span>@endisset</span><span
                    class="meta">{{ Dates::html(new DateTimeImmutable($change->changed_at), $zone,
                    $day($change->changed_at)) }}</span></li>@endforeach
            </ul>
        </section>
    @endif
</x-desk.layout>
