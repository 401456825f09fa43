{{-- An address names a library that is none here, or one where the person has no card: what differs, and their own.
    --}}
@php
    $own = $current->person?->cards->first()?->library;
    $isElsewhere = $own !== null && $current->card() === null && request()->query('library') !== null;
@endphp
@if ($current->unknownLibrary !== null && $current->library !== null)
    <p class="panel px-4 py-2.5 mb-4 text-[15px]">{{ __('common.unknown_library', ['asked' =>
        mb_substr($current->unknownLibrary, 0, 60), 'library' => $current->library->name]) }}</p>
@elseif ($isElsewhere)
    <p class="panel px-4 py-2.5 mb-4 text-[15px] flex flex-wrap gap-x-3">{{ __('common.other_library', ['library' =>
        $current->library->name]) }} <a class="link" href="{{ request()->fullUrlWithQuery(['library' => $own->slug])
        }}">{{ __('common.look_at_own', ['library' => $own->name]) }}</a></p>
@endif
