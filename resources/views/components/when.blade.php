@props(['at', 'zone', 'text' => null])
<time datetime="{{ $at->format(DATE_ATOM) }}" title="{{ App\View\Dates::exact($at, $zone) }}">{{ $text ?? App\View\Dates::words($at, $zone) }}</time>
