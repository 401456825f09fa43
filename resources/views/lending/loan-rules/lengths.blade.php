<form method="post" action="/settings/lengths" aria-labelledby="lengths" data-autosave>
    @csrf
    <h3 id="lengths" class="text-xl mb-1">{{ __('account.own_lengths') }}</h3>
    <p class="meta mb-2">{{ __('account.own_lengths_text') }}</p>
    <div class="panel px-4 py-2">
        @foreach ($offered as $format => $of)
            <label class="flex items-center justify-between gap-4 py-1.5"><span>{{ __("catalogue.formats.{$format}")
                }}</span>
                <select name="length[{{ $format }}]" class="field py-1.5 min-h-9">
                    <option value="">{{ __('account.as_library') }}</option>
                    @foreach ($of as $code => $length)<option value="{{ $code }}"
                        @selected(($lengths[$format] ?? null) === $code)>{{
                        trans_choice($length->inHours ? 'lending.hours' : 'lending.days', $length->amount)
                        }}</option>@endforeach
                </select>
            </label>
        @endforeach
    </div>
    <button class="btn btn-quiet mt-3">{{ __('account.keep_lengths') }}</button>
</form>
