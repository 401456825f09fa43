{{-- What a loan of a licence may do. $fresh: nobody has filled in the form before. --}}
<fieldset class="flex flex-wrap items-start gap-x-6 gap-y-2"><legend class="font-semibold mb-1">{{ __('titles.rights')
    }}</legend>
    <label class="grid gap-1"><span>{{ __('titles.pages') }}</span><input name="pages" type="number" min="0"
        max="100000" value="{{ $fresh ? (new FigPorch\Core\Lending\Rights)->pages : old('pages') }}"
        class="field py-1.5 min-h-9" aria-describedby="pages-hint"><span id="pages-hint" class="meta">{{
        __('titles.pages_hint') }}</span></label>
    <label class="grid gap-1"><span>{{ __('titles.download') }}</span><select name="download"
        class="field py-1.5 min-h-9">@foreach (FigPorch\Core\Lending\DownloadRight::cases() as $right)<option
        value="{{ $right->value }}" @selected($right->value === ($fresh ? 'none' : old('download')))>{{
        __('titles.downloads')[$right->value] }}</option>@endforeach</select></label>
    @foreach (['pdf' => false, 'offline' => true] as $right => $usual)<label
        class="flex items-center gap-2 min-h-9 sm:mt-7"><input type="checkbox" name="{{ $right }}" value="1"
        @checked($fresh ? $usual : old($right)) class="accent-shutter w-4 h-4">{{ __('titles.may')[$right]
        }}</label>@endforeach
</fieldset>
