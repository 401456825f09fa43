@use('App\Catalogue\Filters\AgeFilter')
@use('App\Catalogue\Filters\AwardFilter')
@use('App\Catalogue\Filters\ChoiceFilter')
@use('App\Catalogue\Filters\FlagFilter')
@use('App\Catalogue\Filters\OpensHereFilter')
@use('App\Catalogue\Search\AdvancedSearchForm')
@use('FigPorch\Core\Catalogue\AgeRange')
@use('FigPorch\Core\Catalogue\Query\Field')
@use('FigPorch\Core\Catalogue\Query\Joined')
@use('FigPorch\Core\Catalogue\Query\Matching')
@php
    $rows = count($form->clauses);
    $longest = FigPorch\Core\Catalogue\Query\QueryParser::MOST_CHARACTERS;
    $ages = $filters->get(AgeFilter::class);
    $awarded = $filters->get(AwardFilter::class);
    $flags = [...$filters->of(FlagFilter::class), $filters->get(OpensHereFilter::class)];
    // What is set and has no field of its own here is kept, unless it is taken away.
    $here = array_map(fn ($of): string => $of::name(), [$ages, $awarded, ...$flags,
        ...$filters->of(ChoiceFilter::class)]);
    $kept = [];
    foreach ($filters->chips($facets) as $chip) {
        in_array($chip->filter, $here, true) || ($kept[$chip->filter][] = $chip->words);
    }
@endphp
<x-layout :title="__('search.advanced')" on="catalogue">
    <h1 class="text-3xl mb-2">{{ __('search.advanced') }}</h1>
    <p class="mb-5 max-w-[75ch]">{{ __('search.advanced_text') }}</p>
    <form action="{{ route('catalogue.advanced', [], false) }}" class="grid gap-6">
        <x-library-field />
        <input type="hidden" name="rows" value="{{ $rows }}">
        @foreach ($reach as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
        {{-- What Enter in a field does. --}}
        <button name="go" value="1" class="sr-only" tabindex="-1" aria-hidden="true">{{ __('search.show_results')
            }}</button>
        <div class="grid gap-3">
            @foreach ($form->clauses as $clause)
                @php($n = $loop->iteration)
                <div role="group" aria-label="{{ __('search.row', ['number' => $n]) }}"
                    class="grid grid-cols-2 md:grid-cols-[7.5rem_12rem_12rem_1fr] gap-2 max-md:border-b border-rule
                    max-md:pb-3">
                    <select name="joined_{{ $n }}" aria-label="{{ __('search.joined') }}" class="field">
                        @foreach ($n === 1 ? [Joined::And, Joined::Not] : Joined::cases() as $of)<option
                            value="{{ $of->value }}" @selected($clause->joined === $of)>{{ __($n === 1 ?
                            "search.first_joins.{$of->value}" : "search.joins.{$of->value}") }}</option>@endforeach
                    </select>
                    <select name="field_{{ $n }}" aria-label="{{ __('search.where') }}" class="field"><option
                        value="">{{ __('search.anywhere') }}</option>
                        {{-- Languages are chosen below, several at once. --}}
                        @foreach (Field::cases() as $of)
                            @if (! $of->isRange() && $of !== Field::Language || $clause->field === $of)<option
                                value="{{ $of->value }}" @selected($clause->field === $of)>{{
                                __("search.fields.{$of->value}") }}</option>@endif
                        @endforeach
                    </select>
                    <select name="matching_{{ $n }}" aria-label="{{ __('search.matching') }}"
                        class="field max-md:col-span-2">
                        @foreach (Matching::cases() as $of)<option value="{{ $of->value }}"
                            @selected($clause->matching === $of)>{{ __("search.matchings.{$of->value}")
                            }}</option>@endforeach
                    </select>
                    <input name="words_{{ $n }}" value="{{ $clause->words }}" maxlength="{{ $longest }}" class="field
                        max-md:col-span-2" aria-label="{{ __('search.words') }}">
                </div>
            @endforeach
            <div class="flex flex-wrap gap-x-4 gap-y-1 items-baseline">
                @if ($rows < AdvancedSearchForm::MOST_ROWS)<button class="btn btn-quiet" name="rows"
                    value="{{ $rows + 1 }}">{{ __('search.add_row') }}</button>@endif
                <p class="meta">{{ __('search.rows_text') }}</p></div>
            @if ($form->rest !== '')<label class="grid gap-1 max-w-2xl"><span class="font-semibold">{{
                __('search.as_text') }}</span><input name="rest" value="{{ $form->rest }}" maxlength="{{ $longest }}"
                class="field"></label>@endif
        </div>
        <div class="grid sm:grid-cols-2 lg:grid-cols-3 gap-x-8 gap-y-5">
            <fieldset><legend class="font-semibold mb-1">{{ __('catalogue.when') }}</legend>
                @foreach ($flags as $flag)<label class="flex items-center gap-2 py-1"><input type="checkbox"
                name="{{ $flag::name() }}"
                value="1" @checked($flag->chosen) class="accent-shutter w-4 h-4">{{ $flag->heading()
                }}</label>@endforeach</fieldset>
            @foreach ($filters->of(ChoiceFilter::class) as $filter)
                <fieldset><legend class="font-semibold mb-1">{{ $filter->heading() }}</legend><div
                    class="flex flex-wrap gap-x-4 max-h-44 overflow-y-auto">
                    @foreach ($filter->values($filter::name() === 'language' ? $languages : []) as $of => $words)<label
                    class="flex items-center gap-2 py-1"><input type="checkbox" name="{{ $filter::boxes() }}[]"
                    value="{{ $of }}" @checked(in_array($of, $filter->chosen, true)) class="accent-shutter w-4 h-4">{{
                    $words }}</label>@endforeach</div></fieldset>
            @endforeach
            <label class="grid gap-1 content-start"><span class="font-semibold">{{ $ages->heading() }}</span><select
                name="{{ $ages::name() }}" class="field w-full"><option value="">{{ __('search.any_age') }}</option>
                @foreach (AgeRange::BANDS as $of)<option value="{{ $of }}" @selected($ages->chosen === [$of])>{{
                    $ages->label($of) }}</option>@endforeach</select></label>
            @if ($awards !== [])<label class="grid gap-1 content-start"><span class="font-semibold">{{
                $awarded->heading() }}</span><select name="{{ $awarded::name() }}" class="field w-full"><option
                value="">{{ __('search.any_award') }}</option>
                @foreach (count($awarded->chosen) > 1 ? [$awarded->written(), ...$awards] : $awards as $of)<option
                    value="{{ $of }}" @selected($awarded->written() === $of)>{{ $of }}</option>@endforeach
                </select></label>@endif
            @foreach (['year' => ['year_of', 'numeric'], 'level' => ['level_of', 'decimal']] as $name => $of)
                @php([$words, $mode] = $of)
                @php($wrong = in_array(Field::from($name), $unreadable, true))
                <fieldset class="grid gap-1 content-start"><legend class="font-semibold mb-1">{{ __("search.{$words}")
                    }}</legend>
                    <div class="flex items-center gap-2">@foreach (['from', 'to'] as $end)<label
                        class="flex items-center gap-2">{{ __("search.{$end}") }}<input name="{{ $name }}_{{ $end }}"
                        value="{{ $form->ranges["{$name}_{$end}"] ?? '' }}" inputmode="{{ $mode }}" maxlength="6"
                        @if ($wrong) aria-invalid="true" aria-describedby="{{ $name }}-wrong" @endif
                        class="field w-24"></label>@endforeach</div>
                    @if ($wrong)<p id="{{ $name }}-wrong" class="text-clay text-[15px]">{{
                        __("search.unreadable_{$name}") }}</p>@endif</fieldset>
            @endforeach
            @if ($kept !== [])<fieldset><legend class="font-semibold mb-1">{{ __('search.kept') }}</legend>
                @foreach ($kept as $name => $words)<label class="flex items-center gap-2 py-1"><input type="checkbox"
                name="{{ $name }}" value="{{ $filters->written()[$name] }}" checked
                class="accent-shutter w-4 h-4"><span>{{ implode(', ', $words) }}</span></label>@endforeach</fieldset>
            @endif
        </div>
        @if ($pinned !== [])<p class="panel px-4 py-2.5 text-[15px] max-w-[75ch]">{{ __('search.pins_filled_in', ['what'
            => implode(', ', array_column(App\Catalogue\Filters\Filters::read($pinned)->chips($facets), 'words'))])
            }}</p>@endif
        <div><button class="btn" name="go" value="1">{{ __('search.show_results') }}</button></div>
    </form>
    <section class="bg-board rounded-panel p-4 mt-8 max-w-[80ch]" aria-labelledby="how"><h2 id="how"
        class="text-xl mb-1">{{ __('search.how') }}</h2><p>{{ __('search.how_text') }}</p></section>
</x-layout>
