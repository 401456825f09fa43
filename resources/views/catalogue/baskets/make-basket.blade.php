<form method="post" action="/baskets" class="flex flex-wrap gap-2 items-end">@csrf
    @if ($into !== null)<input type="hidden" name="into" value="{{ $into->id }}">@endif
    <label class="grid gap-1 grow text-[15px]"><span>{{
        __($into === null ? 'baskets.new' : 'baskets.new_inside', ['name' => $into?->name]) }}</span><input name="name"
        required maxlength="120" class="field py-1.5 min-h-9 w-full"></label>
    <button class="btn btn-quiet">{{ __('baskets.make') }}</button>
</form>
