{{-- A filter of which some values may be chosen, or none: $all titles are left then, at $clear. --}}
@props(['boxes', 'heading', 'any', 'all', 'values', 'counts', 'chosen', 'clear'])
@php
    $rows = [];
    foreach ($values as $value => $words) {
        $rows[] = ["{$boxes}[]", $value, $words, $counts[$value] ?? 0, in_array((string) $value, $chosen, true)];
    }
@endphp
@if (count($counts) > 1 || $chosen !== [])
    <x-catalogue.filter-values type="checkbox" :heading="$heading" :rows="$rows" :any="$chosen === [] ? null : [$clear,
        $any, $all]" />
@endif
