{{-- For which class, and between which days: $action, $classes, $asked. --}}
<form action="{{ $action }}" class="panel p-5 flex flex-wrap items-end gap-4 mb-5">
    <label class="grid gap-1"><span class="font-semibold">{{ __('classes.class') }}</span><select name="class"
        class="field">@foreach ($classes as $one)<option value="{{ $one->id }}" @selected($one->is($asked->class))>{{
        $one->name }} ({{ trans_choice('classes.pupils', $one->members_count) }})</option>@endforeach</select></label>
    <label class="grid gap-1"><span class="font-semibold">{{ __('classes.first_day') }}</span><input type="date"
        name="first_day" required class="field" value="{{ $asked->first }}"></label>
    <label class="grid gap-1"><span class="font-semibold">{{ __('classes.last_day') }}</span><input type="date"
        name="last_day" required class="field" value="{{ $asked->last }}"></label>
    <button class="btn btn-quiet">{{ __('classes.can_it_hold') }}</button>
</form>
@if ($asked->isWrong)<p class="message bg-card border-clay mb-4" role="alert">{{ __('classes.needs_days') }}</p>@endif
