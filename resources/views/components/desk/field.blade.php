{{-- A field with its name, a hint, and what is wrong with it. --}}
@props(['name', 'label', 'type' => 'text', 'max' => 120, 'hint' => null, 'needed' => true, 'usual' => null])
<div class="grid gap-1 content-start min-w-0">
    <label for="{{ $name }}" class="font-semibold">{{ $label }}</label>
    @if ($hint !== null)<p id="{{ $name }}-hint" class="meta">{{ $hint }}</p>@endif
    @if ($errors->has($name))<p id="{{ $name }}-error" class="text-clay font-semibold">{{ $errors->first($name) }}</p>
    @endif
    <input id="{{ $name }}" name="{{ $name }}" type="{{ $type }}" maxlength="{{ $max }}" class="field min-w-0 w-full"
        @if ($type !== 'password') value="{{ old($name, $usual) }}" @endif @required($needed)
        @if ($errors->has($name)) aria-invalid="true" @endif
        aria-describedby="{{ implode(' ', array_filter([$hint !== null ? "{$name}-hint" : null,
            $errors->has($name) ? "{$name}-error" : null])) }}" {{ $attributes }}>
</div>
