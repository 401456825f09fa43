@use('App\Catalogue\Filters\ChoiceFilter')
@use('FigPorch\Core\Catalogue\Query\Field')
@php($value = fn (string $name): string => $form->values[$name] ?? '')
<x-layout :title="__('search.advanced')" on="catalogue">
    <h1 class="text-3xl mb-2">{{ __('search.advanced') }}</h1>
    <p class="mb-5 max-w-[75ch]">{{ __('search.advanced_text') }}</p>
    <form action="{{ route('catalogue.advanced', [], false) }}" class="grid gap-6">
        <x-library-field />
        <div class="grid sm:grid-cols-2 lg:grid-cols-3 gap-x-8 gap-y-4">
            @foreach (['all' => 'all_words', 'phrase' => 'phrase', 'any' => 'any_words', 'none' => 'no_words'] as $name
                => $words)
                <label class="grid gap-1"><span class="font-semibold">{{ __("search.{$words}") }}</span><input
                    name="{{ $name }}" value="{{ $value($name) }}" maxlength="200" class="field"></label>
            @endforeach
            @foreach (Field::cases() as $field)
                {{-- Languages are chosen below, several at once. --}}
                @if ($field !== Field::Language && ! $field->isRange())<label class="grid gap-1"><span
                    class="font-semibold">{{ __("search.fields.{$field->value}") }}</span><input
                    name="{{ $field->value }}" value="{{ $value($field->value) }}" maxlength="200"
                    class="field"></label>@endif
            @endforeach
            @foreach (['year' => 'year_of', 'level' => 'level_of'] as $name => $words)
                <fieldset class="grid gap-1"><legend class="font-semibold mb-1">{{ __("search.{$words}") }}</legend>
                    <div class="flex items-center gap-2"><label class="flex items-center gap-2">{{ __('search.from')
                        }}<input name="{{ $name }}_from" value="{{ $value("{$name}_from") }}" inputmode="decimal"
                        maxlength="6" class="field w-24"></label><label
                        class="flex items-center gap-2">{{ __('search.to') }}<input name="{{ $name }}_to"
                        value="{{ $value("{$name}_to") }}" inputmode="decimal" maxlength="6"
                        class="field w-24"></label></div></fieldset>
            @endforeach
            @foreach ($filters->of(ChoiceFilter::class) as $filter)
                @php($isLanguage = $filter::name() === 'language')
                @if ($isLanguage || in_array($filter::name(), ['format', 'audience'], true))<fieldset><legend
                    class="font-semibold mb-1">{{ $filter->heading() }}</legend><div
                    class="flex flex-wrap gap-x-4 max-h-44 overflow-y-auto">@foreach ($filter->values($isLanguage ?
                    $languages : []) as $of => $words)<label
                    class="flex items-center gap-2 py-1"><input type="checkbox" name="{{ $filter::boxes() }}[]"
                    value="{{ $of }}" @checked(in_array($of, $filter->chosen, true)) class="accent-shutter w-4 h-4">{{
                    $words }}</label>@endforeach</div></fieldset>@endif
            @endforeach
            @if ($form->rest !== '')<label class="grid gap-1"><span
                class="font-semibold">{{ __('search.as_text') }}</span><input name="rest" value="{{ $form->rest }}"
                maxlength="200" class="field"></label>@endif
        </div>
        <div><button class="btn" name="go" value="1">{{ __('search.show_results') }}</button></div>
    </form>
    <section class="bg-board rounded-panel p-4 mt-8 max-w-[80ch]" aria-labelledby="how"><h2 id="how"
        class="text-xl mb-1">{{ __('search.how') }}</h2><p>{{ __('search.how_text') }}</p></section>
</x-layout>
