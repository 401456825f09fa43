@props(['title', 'width' => 74, 'decorative' => false, 'class' => ''])
@php
    use FigPorch\Core\Catalogue\Format;
    $square = $title->format === Format::Music;
    $height = $square ? $width : (int) round($width * 1.5);
    $alt = $decorative ? '' : __('catalogue.cover_of', ['name' => $title->name]);
@endphp
@if ($title->cover_file !== null)
    <img src="{{ route('titles.cover', ['title' => $title, 'v' => substr($title->cover_file, 0, 8)], false) }}" width="{{ $width }}" height="{{ $height }}" alt="{{ $alt }}" loading="lazy" class="rounded-[5px] flex-none self-start object-cover block {{ $class }}">
@else
    @php
        $seed = crc32($title->name.'|'.$title->work_id);
        $palettes = [['#1f4b56', '#9cc5c9', '#e2a32b'], ['#6a2c4f', '#e9cdb0', '#fbf8f1'], ['#2f4a2a', '#c9d99a', '#e2a32b'], ['#7a4d22', '#f3e2c0', '#1f4b56'], ['#3b3f6b', '#b9c0e6', '#ee9b6b'], ['#a8431f', '#f6d9c4', '#1f4b56'], ['#20303c', '#9fb6c0', '#f3e9cf']];
        [$ground, $line, $light] = $palettes[$seed % 7];
        $bottom = $square ? 120 : 180;
        $lines = array_slice(explode("\n", wordwrap($title->name, 14, "\n", true)), 0, $square ? 3 : 4);
        $by = $title->contributors->first()->name ?? ($title->edition ?? '');
        $motif = intdiv($seed, 7) % 4;
    @endphp
    <svg width="{{ $width }}" height="{{ $height }}" viewBox="0 0 120 {{ $bottom }}" class="rounded-[5px] flex-none self-start block {{ $class }}" @if ($decorative) aria-hidden="true" @else role="img" aria-label="{{ $alt }}" @endif>
        <rect width="120" height="{{ $bottom }}" fill="{{ $ground }}"/>
        @if ($motif === 0)
            @for ($i = 0; $i < 9; $i++)
                @php($x = 6 + $i * 13.5)@php($y = $bottom - 68 - 24 * sin(M_PI * $i / 8))
                <path d="M60 {{ $bottom }}Q{{ round($x + (60 - $x) * .35, 1) }} {{ $bottom - 50 }} {{ $x }} {{ round($y) }}" stroke="{{ $line }}" stroke-width="2.5" fill="none"/><ellipse cx="{{ $x }}" cy="{{ round($y) }}" rx="5.5" ry="10" fill="{{ ($seed >> $i) & 1 ? $light : $line }}"/>
            @endfor
        @elseif ($motif === 1)
            <circle cx="{{ 26 + $seed % 66 }}" cy="{{ $bottom - 74 }}" r="15" fill="{{ $light }}"/>
            @for ($i = 0; $i < 6; $i++)
                @php($y = $bottom - 84 + $i * 14)
                <path d="M0 {{ $y }}Q30 {{ $y - 14 }} 60 {{ $y }}T120 {{ $y }}V{{ $bottom }}H0z" fill="{{ $line }}" opacity="{{ .2 + $i * .1 }}"/>
            @endfor
        @elseif ($motif === 2)
            @for ($i = 0; $i < 20; $i++)
                <rect x="{{ 10 + $i % 5 * 21 }}" y="{{ $bottom - 86 + intdiv($i, 5) * 20 }}" width="16" height="15" rx="2" fill="{{ ($seed >> $i) & 1 ? $line : $light }}" opacity="{{ .5 + (($seed >> ($i % 13)) % 5) / 10 }}"/>
            @endfor
        @else
            @for ($i = 1; $i < 7; $i++)
                <circle cx="{{ 46 + $seed % 28 }}" cy="{{ $bottom - 42 }}" r="{{ $i * 10 }}" fill="none" stroke="{{ $i % 3 ? $line : $light }}" stroke-width="{{ $i % 2 ? 4 : 2 }}"/>
            @endfor
        @endif
        @if ($width >= 60)
            <rect width="120" height="{{ 14 + count($lines) * 16 + 12 }}" fill="{{ $ground }}"/>
            @foreach ($lines as $i => $words)<text x="9" y="{{ 23 + $i * 16 }}" font-family="Fraunces, Georgia, serif" font-weight="600" font-size="14" fill="#fff">{{ $words }}</text>@endforeach
            <text x="9" y="{{ 23 + count($lines) * 16 }}" font-family="Atkinson, sans-serif" font-size="8.5" fill="{{ $line }}">{{ mb_strimwidth($by, 0, 26, '…') }}</text>
        @endif
    </svg>
@endif
