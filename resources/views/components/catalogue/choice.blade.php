{{-- A filter of which one value is chosen, or none: $all titles are left then. --}}
@props(['name', 'heading', 'any', 'all', 'values', 'counts', 'chosen'])
@if (count($counts) > 1 || $chosen !== null)
    <fieldset class="pb-3 border-b border-rule mb-3">
        <legend class="font-semibold mb-1">{{ $heading }}</legend>
        <x-catalogue.filter-value type="radio" :name="$name" value="" :checked="$chosen === null" :count="$all">{{ $any
            }}</x-catalogue.filter-value>
        @foreach ($values as $value => $words)
            <x-catalogue.filter-value type="radio" :name="$name" :value="$value" :checked="$chosen === $value"
                :count="$counts[$value] ?? 0">{{ $words }}</x-catalogue.filter-value>
        @endforeach
    </fieldset>
@endif
