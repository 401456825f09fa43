@props(['chart', 'now', 'heading' => true])
@use('App\Shared\View\Dates')
@php
    $fill = ['loan' => 'var(--color-shutter)', 'due_soon' => 'var(--color-clay)'];
    // What each row says beside its bar and in the table.
    $says = fn (array $row): string => match (true) {
        $row['end'] === null => __('account.no_promise'),
        $row['kind'] === 'hold' => Dates::shortRange($row['start'], $row['end'], $row['zone']),
        $row['kind'] === 'ready' => __('account.kept_short', ['date' => Dates::short($row['end'], $row['zone'])]),
        default => __('account.due_on', ['date' => Dates::short($row['end'], $row['zone'])]),
    };
@endphp
<div class="flex flex-wrap items-baseline justify-between gap-x-4 mb-3">
    <h2 id="coming-up" class="text-2xl">{{ __('account.coming_up') }}</h2>
    <span class="meta hidden sm:inline-flex flex-wrap gap-x-4" aria-hidden="true">
        <span class="inline-flex items-center gap-1.5"><svg width="14" height="10"><rect width="14" height="10" rx="2" fill="var(--color-shutter)"/></svg>{{ __('account.on_loan') }}</span>
        <span class="inline-flex items-center gap-1.5"><svg width="14" height="10"><rect width="14" height="10" rx="2" fill="var(--color-clay)"/></svg>{{ __('account.due_soon') }}</span>
        <span class="inline-flex items-center gap-1.5"><svg width="22" height="12"><rect x=".5" y="1.500" width="21" height="9" rx="4.500" fill="var(--color-lamp-wash)" stroke="#b67b0d"/><path d="M9 0v12" stroke="#7a4f00" stroke-width="3"/></svg>{{ __('account.hold_range') }}</span>
    </span>
</div>
<div class="panel px-4 py-3">
    @if ($chart['rows'] === [])
        <p class="py-4 text-soft">{{ __('account.nothing_coming') }}</p>
    @else
        <svg viewBox="0 0 {{ $chart['width'] }} {{ $chart['height'] }}" width="{{ $chart['width'] + 40 }}" class="coming-up hidden sm:block max-w-full h-auto text-ink" aria-hidden="true">
            <line x1="{{ $chart['left'] }}" y1="20" x2="{{ $chart['left'] }}" y2="{{ $chart['height'] }}" stroke="var(--color-rule)" stroke-width="2"/>
            <text x="{{ $chart['left'] }}" y="13" fill="var(--color-soft)">{{ __('account.today') }}</text>
            @foreach ($chart['weeks'] as $week)
                <line x1="{{ $week['x'] }}" y1="20" x2="{{ $week['x'] }}" y2="{{ $chart['height'] }}" stroke="var(--color-rule)" stroke-dasharray="2 4"/>
                <text x="{{ $week['x'] }}" y="13" text-anchor="middle" fill="var(--color-soft)">{{ Dates::short($week['at'], $chart['rows'][0]['zone']) }}</text>
            @endforeach
            @foreach ($chart['rows'] as $row)
                <text x="{{ $chart['left'] - 10 }}" y="{{ $row['y'] + 13 }}" text-anchor="end" fill="currentColor">{{ mb_strimwidth($row['name'], 0, 27, '…') }}</text>
                @if ($row['kind'] === 'hold')
                    <rect x="{{ $row['from'] }}" y="{{ $row['y'] + 2 }}" width="{{ max(14, $row['to'] - $row['from']) }}" height="13" rx="6.500" fill="var(--color-lamp-wash)" stroke="#b67b0d" @if ($row['end'] === null) stroke-dasharray="4 3" @endif/>
                    @if ($row['middle'] !== null)<path d="M{{ $row['middle'] }} {{ $row['y'] }}v17" stroke="#7a4f00" stroke-width="3"/>@endif
                @elseif ($row['kind'] === 'ready')
                    <rect x="{{ $chart['left'] }}" y="{{ $row['y'] }}" width="{{ max(6, $row['to'] - $chart['left']) }}" height="17" rx="4" fill="var(--color-lamp)" stroke="#b67b0d"/>
                @else
                    <rect x="{{ $chart['left'] }}" y="{{ $row['y'] }}" width="{{ max(4, $row['to'] - $chart['left']) }}" height="17" rx="4" fill="{{ $fill[$row['kind']] }}"/>
                @endif
                <text x="{{ max($row['to'], $row['from'] + 14) + 8 }}" y="{{ $row['y'] + 13 }}" fill="currentColor">{{ ($row['kind'] === 'ready' ? __('account.chart_ready').', ' : '').$says($row) }}</text>
            @endforeach
        </svg>
        <table class="w-full sm:sr-only text-[15px]">
            <thead class="sr-only"><tr><th scope="col">{{ __('account.chart_title') }}</th><th scope="col">{{ __('account.chart_what') }}</th><th scope="col">{{ __('account.chart_when') }}</th></tr></thead>
            <tbody>
                @foreach ($chart['rows'] as $row)
                    <tr class="border-b border-rule last:border-0"><th scope="row" class="text-left font-semibold py-2 pr-3">{{ $row['name'] }}</th><td class="py-2 pr-3 whitespace-nowrap text-soft">{{ __(match ($row['kind']) { 'hold' => 'account.chart_hold', 'ready' => 'account.chart_ready', default => 'account.on_loan' }) }}</td><td class="py-2 whitespace-nowrap text-right">{{ $says($row) }}@if ($row['latest'] !== null)<span class="sr-only">; {{ __('catalogue.latest_of', ['date' => Dates::day($row['latest'], $row['zone'])]) }}</span>@endif</td></tr>
                @endforeach
            </tbody>
        </table>
    @endif
</div>
