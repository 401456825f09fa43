{{-- How text looks on every device that has nothing of its own. --}}
@use('App\Reading\Appearance\KeepAppearance')
@php
    $names = [
        'size' => ['reader.text_size', fn (string $of): string => "{$of} %"],
        'typeface' => ['reading.typeface', fn (string $of): string => __("reader.typefaces.{$of}")],
        'spacing' => ['reader.line_spacing', fn (string $of): string => __(['1.35' => 'reader.tight', '1.55' =>
            'reading.medium', '1.85' => 'reader.loose'][$of])],
        'margins' => ['reading.margins', fn (string $of): string => __(['3' => 'reader.narrow', '7' =>
            'reading.medium', '14' => 'reader.wide'][$of])],
        'align' => ['reader.align', fn (string $of): string => __("reader.aligns.{$of}")],
        'letters' => ['reader.letters', fn (string $of): string => __("reader.letter_spacings.{$of}")],
        'styles' => ['reader.styles', fn (string $of): string => __("reader.style_sources.{$of}")],
        'background' => ['reading.background', fn (string $of): string => __("reader.backgrounds.{$of}")],
        'layout' => ['reading.layout', fn (string $of): string => __("reader.layouts.{$of}")],
    ];
    $chosen = $current->person->reading ?? [];
@endphp
<form method="post" action="{{ route('settings.reading', [], false) }}" aria-labelledby="reading" data-autosave>
    @csrf
    <p class="meta mb-2">{{ __('reading.defaults_text') }}</p>
    <div class="panel px-4 py-2">
        @foreach ($names as $name => [$words, $of])<label class="flex items-center justify-between gap-4
            py-1.5"><span>{{
            __($words) }}</span><select name="{{ $name }}" class="field py-1.5 min-h-9"><option value="">{{
            __('reading.as_device') }}</option>@foreach (KeepAppearance::CHOICES[$name] as $value)<option
            value="{{ $value }}" @selected(($chosen[$name] ?? null) === $value)>{{ $of($value) }}</option>@endforeach
            </select></label>@endforeach
    </div>
    <button class="btn btn-quiet mt-3">{{ __('reading.keep_defaults') }}</button>
</form>
