{{-- What was meant against what came: a line for each length of line, on the diagonal where promises hold. --}}
@php
    $meant = [10, 50, 90];
    $lines = array_filter(array_chunk(array_map(fn ($row) => $row->now, $series->rows), 3), fn (array $of): bool =>
        $of[0] !== null);
    $cells = FigPorch\Core\Lending\Forecast\Correction::cells();
    $dashes = ['none', '6 3', '2 3', '8 3 2 3'];
@endphp
@if ($lines !== [])
    <svg viewBox="0 0 240 200" class="w-full max-w-sm mb-2" aria-hidden="true" font-size="10" fill="currentColor">
        <g stroke="var(--color-rule)" fill="none"><path d="M30 10V170H230"/><path d="M30 170L230 10"
            stroke="var(--color-soft)" stroke-dasharray="1 3"/></g>
        @foreach ([0, 50, 100] as $of)<text x="{{ 30 + 2 * $of }}" y="183" text-anchor="middle">{{ $of }}</text><text
            x="25" y="{{ 173 - 1.6 * $of }}" text-anchor="end">{{ $of }}</text>@endforeach
        <text x="230" y="196" text-anchor="end">{{ __('figures.meant') }} %</text><text x="34" y="18">{{
            __('figures.came') }} %</text>
        @foreach ($lines as $n => $line)<g fill="var(--color-bar)" stroke="var(--color-bar)"><path fill="none"
            stroke-width="1.5" stroke-dasharray="{{ $dashes[$n] ?? 'none' }}" d="M{{ implode('L', array_map(fn (int
            $x, int $y): string => (30 + 2 * $x).' '.(170 - 1.6 * $y), $meant, $line)) }}"/>
            @foreach ($meant as $k => $x)<circle cx="{{ 30 + 2 * $x }}" cy="{{ 170 - 1.6 * $line[$k] }}" r="2.5"/>
            @endforeach</g>
        @endforeach
    </svg>
    <p class="flex flex-wrap gap-x-4 gap-y-1 text-[14px] mb-2">@foreach (array_keys($lines) as $n)<span
        class="inline-flex items-center gap-1.5"><svg width="26" height="8" aria-hidden="true"><path d="M0 4H26"
        stroke="var(--color-bar)" stroke-width="2" stroke-dasharray="{{ $dashes[$n] ?? 'none' }}"/></svg>{{
        __("figures.ahead_short.{$cells[$n]}") }}</span>@endforeach</p>
@endif
