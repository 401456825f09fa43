{{-- A filter of which one value is chosen, or none: $all titles are left then. --}}
@props(['name', 'heading', 'any', 'all', 'values', 'counts', 'chosen'])
@php
    $rows = [[$name, '', $any, $all, $chosen === null]];
    foreach ($values as $value => $words) {
        $rows[] = [$name, $value, $words, $counts[$value] ?? 0, $chosen === $value];
    }
@endphp
@if (count($counts) > 1 || $chosen !== null)
    <x-catalogue.filter-values type="radio" :heading="$heading" :rows="$rows" />
@endif
