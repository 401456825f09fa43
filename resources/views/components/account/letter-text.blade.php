@props(['label'])
<div class="grid gap-1"><label for="text" class="font-semibold">{{ $label }}</label>@if ($errors->has('text'))<p
    id="text-error" class="text-clay font-semibold">{{ $errors->first('text') }}</p>@endif<textarea id="text"
    name="text" rows="8" required maxlength="4000" class="field" @if ($errors->has('text')) aria-invalid="true"
    aria-describedby="text-error" @endif>{{ old('text') }}</textarea></div>
