{{-- A value of a filter that can be ticked, and how many titles it would leave. --}}
@props(['type', 'name', 'value', 'checked', 'count'])
<label class="flex items-center gap-2.5 py-1.5 cursor-pointer"><input type="{{ $type }}" name="{{ $name }}"
    value="{{ $value }}" data-submit-on-change @checked($checked) class="accent-shutter w-4 h-4">{{ $slot
    }}<span class="ml-auto text-soft tabular-nums">{{ number_format($count) }}</span></label>
