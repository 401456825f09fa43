{{-- One of several words, in a field with its name. --}}
@props(['name', 'label', 'options', 'chosen' => null, 'hint' => null])
<div class="grid gap-1 content-start min-w-0">
    <label for="{{ $name }}" class="font-semibold">{{ $label }}</label>
    @if ($hint !== null)<p id="{{ $name }}-hint" class="meta">{{ $hint }}</p>@endif
    @if ($errors->has($name))<p id="{{ $name }}-error" class="text-clay font-semibold">{{ $errors->first($name) }}</p>
    @endif
    <select id="{{ $name }}" name="{{ $name }}" class="field min-w-0 w-full" @if ($errors->has($name))
        aria-invalid="true" @endif aria-describedby="{{ implode(' ', array_filter([$hint !== null ? "{$name}-hint" :
        null, $errors->has($name) ? "{$name}-error" : null])) }}" {{ $attributes }}>
        @foreach ($options as $value => $words)<option
        value="{{ $value }}" @selected((string) old($name, $chosen) === (string) $value)>{{ $words }}</option>
        @endforeach</select>
</div>
