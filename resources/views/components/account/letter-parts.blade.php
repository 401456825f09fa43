{{-- What each side wrote, in order. --}}
@use('App\Shared\View\Dates')
@props(['letter', 'staff' => null])
<ol class="grid gap-4 mb-6 max-w-3xl">@foreach ($letter->parts as $part)<li @class(['panel p-4', 'bg-board' =>
    $part->by_staff])><p class="meta mb-1"><b class="text-ink">{{ $part->by_staff ? __('letters.from_library',
    ['library' => $letter->library->name]) : ($staff === null ? __('letters.from_you') : ($letter->name ?:
    __('letters.nameless'))) }}</b> · {{ Dates::html($part->written_at, $letter->library->zone()) }}</p><p
    class="whitespace-pre-line break-words">{{ $part->text }}</p></li>@endforeach</ol>
