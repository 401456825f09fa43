@props(['drawing'])
@use('App\Lending\Porch\ComingDate')
@use('App\Shared\View\Dates')
@php
    $fill = ['loan' => 'var(--color-bar)', 'due_soon' => 'var(--color-clay)'];
    $apart = App\Shared\View\ToldApart::of(array_map(fn (array $row) => $row['date']->title, $drawing->rows));
    // What each row says beside its bar and in the table.
    $says = fn (ComingDate $date): string => match (true) {
        $date->to === null => __('account.no_promise'),
        $date->kind === 'hold' => Dates::shortRange($date->from, $date->to, $date->zone),
        $date->kind === 'ready' => __('account.kept_short', ['date' => Dates::short($date->to, $date->zone)]),
        default => __('account.due_on', ['date' => Dates::short($date->to, $date->zone)]),
    };
    $what = fn (ComingDate $date): string => __(match ($date->kind) {
        'hold' => 'account.chart_hold', 'ready' => 'account.chart_ready', default => 'account.on_loan',
    });
@endphp
<div class="flex flex-wrap items-baseline justify-between gap-x-4 mb-3">
    <h2 id="coming-up" class="text-2xl">{{ __('account.coming_up') }}</h2>
    <span class="meta hidden sm:inline-flex flex-wrap gap-x-4" aria-hidden="true">
        <span class="inline-flex items-center gap-1.5"><svg width="14" height="10"><rect width="14" height="10" rx="2"
            fill="var(--color-bar)"/></svg>{{ __('account.on_loan') }}</span>
        <span class="inline-flex items-center gap-1.5"><svg width="14" height="10"><rect width="14" height="10" rx="2"
            fill="var(--color-clay)"/></svg>{{ __('account.due_soon') }}</span>
        <span class="inline-flex items-center gap-1.5"><svg width="22" height="12"><rect x=".5" y="1.500" width="21"
            height="9" rx="4.500" fill="var(--color-lamp-wash)" stroke="#b67b0d"/><path d="M9 0v12" stroke="#7a4f00"
            stroke-width="3"/></svg>{{ __('account.hold_range') }}</span>
    </span>
</div>
<div class="panel px-4 py-3">
    @if ($drawing->rows === [])
        <p class="py-4 text-soft">{{ __('account.nothing_coming') }}</p>
    @else
        <svg viewBox="0 0 {{ $drawing->width }} {{ $drawing->height }}" width="{{ $drawing->width + 40 }}"
            class="coming-up hidden sm:block max-w-full h-auto text-ink" aria-hidden="true">
            <line x1="{{ $drawing->left }}" y1="20" x2="{{ $drawing->left }}" y2="{{ $drawing->height }}"
                stroke="var(--color-rule)" stroke-width="2"/>
            <text x="{{ $drawing->left }}" y="13" fill="var(--color-soft)">{{ __('account.today') }}</text>
            @foreach ($drawing->lines as $line)
                <line x1="{{ $line['x'] }}" y1="20" x2="{{ $line['x'] }}" y2="{{ $drawing->height }}"
                    stroke="var(--color-rule)" stroke-dasharray="2 4"/>
                <text x="{{ $line['x'] }}" y="13" text-anchor="middle"
                    fill="var(--color-soft)">{{ Dates::short($line['at'], $drawing->rows[0]['date']->zone) }}</text>
            @endforeach
            @foreach ($drawing->rows as ['date' => $date, 'y' => $y, 'from' => $from, 'to' => $to, 'middle' => $middle])
                <text x="{{ $drawing->left - 10 }}" y="{{ $y + 13 }}" text-anchor="end" fill="currentColor">{{
                    mb_strimwidth($date->title->name, 0, isset($apart[$date->title->id]) ? 17 : 27, '…')
                    }}@isset($apart[$date->title->id])<tspan fill="var(--color-soft)">, {{
                    mb_strimwidth($apart[$date->title->id], 0, 14, '…') }}</tspan>@endisset</text>
                @if ($date->kind === 'hold')
                    <rect x="{{ $from }}" y="{{ $y + 2 }}" width="{{ max(14, $to - $from) }}" height="13" rx="6.500"
                        fill="var(--color-lamp-wash)" stroke="#b67b0d" @if ($date->to === null) stroke-dasharray="4 3"
                            @endif/>
                    @if ($middle !== null)<path d="M{{ $middle }} {{ $y }}v17" stroke="#7a4f00" stroke-width="3"/>@endif
                @elseif ($date->kind === 'ready')
                    <rect x="{{ $drawing->left }}" y="{{ $y }}" width="{{ max(6, $to - $drawing->left) }}" height="17"
                        rx="4" fill="var(--color-lamp)" stroke="#b67b0d"/>
                @else
                    <rect x="{{ $drawing->left }}" y="{{ $y }}" width="{{ max(4, $to - $drawing->left) }}" height="17"
                        rx="4" fill="{{ $fill[$date->kind] }}"/>
                @endif
                <text x="{{ max($to, $from + 14) + 8 }}" y="{{ $y + 13 }}" fill="currentColor">{{
                    ($date->kind === 'ready' ? $what($date).', ' : '').$says($date)
                }}</text>
            @endforeach
        </svg>
        <table class="w-full sm:sr-only text-[15px]">
            <thead class="sr-only"><tr><th scope="col">{{ __('account.chart_title') }}</th><th
                scope="col">{{ __('account.chart_what') }}</th><th
                scope="col">{{ __('account.chart_when') }}</th></tr></thead>
            <tbody>
                @foreach ($drawing->rows as ['date' => $date])
                    <tr class="border-b border-rule last:border-0">
                        <th scope="row" class="text-left font-semibold py-2 pr-3">{{
                            App\Shared\View\TitleText::name($date->title) }}@isset($apart[$date->title->id])<span
                            class="font-normal text-soft">, {{ $apart[$date->title->id] }}</span>@endisset</th>
                        <td class="py-2 pr-3 whitespace-nowrap text-soft">{{ $what($date) }}</td>
                        <td class="py-2 whitespace-nowrap text-right">{{ $says($date)
                            }}@if ($date->latest !== null)<span
                            class="sr-only">; {{ __('catalogue.latest_of', [
                                'date' => Dates::day($date->latest, $date->zone),
                            ]) }}</span>@endif</td>
                    </tr>
                @endforeach
            </tbody>
        </table>
    @endif
</div>
