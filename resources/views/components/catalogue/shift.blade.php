{{-- Two buttons that move something up and down in an order by hand; what each sends begins with "up" or "down". --}}
@props(['field' => 'do', 'what' => '', 'words', 'of', 'first', 'last'])
@foreach (['up' => '↑', 'down' => '↓'] as $by => $sign)<button name="{{ $field }}" value="{{ $by.$what }}"
    @disabled($by === 'up' ? $first : $last) aria-label="{{ __("{$words}.{$by}", ['name' => $of]) }}"
    {{ $attributes->class('btn btn-quiet px-2.5') }}><span aria-hidden="true">{{ $sign }}</span></button>@endforeach
