{{-- One mark as it is read: its text, note, place and day, and the way there while it is on loan. --}}
@php($loan = $loans[$mark->title_id] ?? null)
<div class="min-w-0">
    @if ($mark->colour !== null)<blockquote class="mark-quote" data-colour="{{ $mark->colour }}"
        @if ($mark->title->language) lang="{{ $mark->title->language }}" @endif dir="auto">{{
        $mark->locator['text']['highlight'] ?? '' }}</blockquote>@endif
    @if ($mark->note !== '')<p class="whitespace-pre-line break-words">{{ $mark->note }}</p>@endif
    <div class="meta">@if ($loan !== null)<a class="link no-print"
        href="{{ App\Lending\Loans\Opening::address($loan->id, $mark->title->format) }}?mark={{ $mark->id }}">{{
        $mark->label }}</a><span
        class="print-only">{{ $mark->label }}</span>@else{{ $mark->label }}@endif @if ($mark->colour !== null)·
        {{ $colours[$mark->colour] }}@endif · {{ App\Shared\View\Dates::day($mark->made_at,
        $current->library?->zone() ?? new DateTimeZone('UTC')) }}</div>
</div>
