{{-- Lines of text, with their name, a hint, and what is wrong with them. --}}
@props(['name', 'label', 'hint' => null, 'usual' => ''])
<div class="grid gap-1 content-start min-w-0">
    <label for="{{ $name }}" class="font-semibold">{{ $label }}</label>
    @if ($hint !== null)<p id="{{ $name }}-hint" class="meta">{{ $hint }}</p>@endif
    @if ($errors->has($name))<p class="text-clay font-semibold">{{ $errors->first($name) }}</p>@endif
    <textarea id="{{ $name }}" name="{{ $name }}" rows="4" class="field min-w-0 w-full" aria-describedby="{{ $name
        }}-hint">{{ old($name, $usual) }}</textarea>
</div>
