<x-layout :title="__('reading.marks')" on="loans">
    <div class="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2 mb-4">
        <h1 class="text-3xl">{{ __('reading.marks') }}</h1>
        @if ($marks->isNotEmpty())<p class="text-[15px]">{{ __('marks.save_marks') }} <a class="link"
            href="/marks/marks.md">Markdown</a> · <a class="link" href="/marks/marks.jsonld">W3C Web
            Annotations</a></p>@endif
    </div>
    @if ($marks->isNotEmpty() || $words !== '')
        <form method="get" action="/marks" class="flex flex-wrap gap-2 items-center mb-5" role="search"
            aria-label="{{ __('marks.find_mark') }}"><label
            for="find-mark">{{ __('marks.find_mark') }}</label><input id="find-mark" name="q" value="{{ $words }}"
            maxlength="100" class="field w-72 max-w-full"><button
            class="btn btn-quiet">{{ __('common.search') }}</button></form>
    @endif
    @forelse ($marks as $ofTitle)
        @php($title = $ofTitle->first()->title)
        <section class="border-t border-rule py-4 grid grid-cols-[56px_1fr] gap-x-4"
            aria-labelledby="of-{{ $title->id }}">
            {{ App\Shared\View\Covers\Cover::html($title, 56, decorative: true) }}
            <div class="min-w-0">
                <h2 class="text-xl" id="of-{{ $title->id }}"><a class="no-underline hover:underline"
                    href="{{ $current->link("/titles/{$title->id}") }}">{{ App\Shared\View\TitleText::name($title)
                        }}</a></h2>
                <ul class="mt-1">
                    @foreach ($ofTitle as $mark)
                        <li class="flex gap-4 items-start justify-between border-t border-rule first:border-0 py-2">
                            <div class="min-w-0"><div class="font-semibold">{{ $mark->label
                                }}</div>@if ($mark->colour !== null)<blockquote class="mark-quote"
                                data-colour="{{ $mark->colour }}">{{ $mark->locator['text']['highlight'] ?? ''
                                }}</blockquote>@endif @if ($mark->note !== '')<p
                                class="whitespace-pre-line break-words">{{ $mark->note }}</p>@endif<div
                                class="meta">{{ App\Shared\View\Dates::day($mark->made_at, $current->library?->zone() ??
                                new DateTimeZone('UTC')) }}</div></div>
                            <form method="post" action="/marks/{{ $mark->id }}/remove">@csrf<button
                                class="btn btn-plain">{{ __('reading.remove') }}<span class="sr-only">:
                                {{ $mark->label }}</span></button></form>
                        </li>
                    @endforeach
                </ul>
            </div>
        </section>
    @empty
        <div class="panel p-6"><p>{{ $words === '' ? __('marks.no_marks') :
            __('marks.no_mark_with', ['words' => $words]) }}</p></div>
    @endforelse
</x-layout>
