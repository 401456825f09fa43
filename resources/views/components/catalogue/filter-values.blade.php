{{-- Values of a filter that can be ticked: each with name, value, words, how many titles it would leave, whether it is
     chosen. One component for all of them: one for each would take longer than all else in the form. --}}
@props(['heading', 'type', 'rows', 'any' => null])
<fieldset class="pb-3 border-b border-rule mb-3">
    <legend class="font-semibold mb-1">{{ $heading }}</legend>
    @if ($any !== null)<a href="{{ $any[0] }}"
        class="flex justify-between gap-2 py-1.5 no-underline hover:underline"><span class="link">{{ $any[1]
        }}</span><span class="text-soft tabular-nums">{{ App\Shared\View\Numbers::of($any[2])
        }}</span></a>@endif
    @foreach ($rows as [$name, $value, $words, $count, $chosen])
        <label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="{{ $type }}" name="{{ $name }}"
            value="{{ $value }}" data-submit-on-change @checked($chosen) class="accent-shutter w-4 h-4">{{ $words
            }}<span class="ml-auto text-soft tabular-nums">{{ App\Shared\View\Numbers::of($count) }}</span></label>
    @endforeach
</fieldset>
