@use('FigPorch\Core\Reading\Colour')
<x-layout :title="__('reading.marks')" on="loans">
    <div class="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2 mb-4">
        <h1 class="text-3xl">{{ __('reading.marks') }}</h1>
        @if ($marks->isNotEmpty())<p class="text-[15px]">{{ __('marks.save_marks') }} <a class="link"
            href="/marks/marks.md">Markdown</a> · <a class="link" href="/marks/marks.jsonld">W3C Web
            Annotations</a></p>@endif
    </div>
    @if ($marks->isNotEmpty() || $words !== '' || $colour !== null)
        <form method="get" action="/marks" class="flex flex-wrap gap-2 items-center mb-3" role="search"
            aria-label="{{ __('marks.find_mark') }}"><label
            for="find-mark">{{ __('marks.find_mark') }}</label><input id="find-mark" name="q" value="{{ $words }}"
            maxlength="100" class="field w-72 max-w-full">@if ($colour !== null)<input type="hidden" name="colour"
            value="{{ $colour->value }}">@endif<button
            class="btn btn-quiet">{{ __('common.search') }}</button></form>
        <nav class="mark-filters flex flex-wrap gap-x-4 gap-y-1 items-center mb-3 text-[15px]"
            aria-label="{{ __('marks.colours_names') }}"><a class="link" @if ($colour === null) aria-current="true"
            @endif href="{{ route('marks.index', array_filter(['q' => $words]), false) }}">{{ __('marks.all_colours')
            }}</a>@foreach (Colour::cases() as $one)<a class="link inline-flex items-center gap-1.5 min-h-6"
            @if ($colour === $one) aria-current="true" @endif href="{{ route('marks.index', array_filter(['colour' =>
            $one->value, 'q' => $words]), false) }}"><span class="pen pen-small" data-colour="{{ $one->value }}"
            aria-hidden="true"></span>{{ $colours[$one->value] }}</a>@endforeach</nav>
        <details class="mb-5" @if ($errors->any()) open @endif><summary class="cursor-pointer text-[15px]">{{
            __('marks.colours_names') }}</summary>
            <form method="post" action="{{ route('marks.colours', [], false) }}" class="grid gap-3 mt-2">@csrf
                <p class="meta max-w-[60ch]">{{ __('marks.colours_text') }}</p>
                <div class="flex flex-wrap gap-x-5 gap-y-2">@foreach (Colour::cases() as $one)<label
                    class="flex items-center gap-2"><span class="pen" data-colour="{{ $one->value }}"
                    aria-hidden="true"></span><span class="sr-only">{{ __('reader.colours')[$one->value]
                    }}</span><input name="{{ $one->value }}" class="field w-44"
                    maxlength="{{ App\Reading\Marks\ColourNames::LONGEST }}"
                    value="{{ old($one->value, $colours[$one->value]) }}"></label>@endforeach</div>
                @if ($errors->any())<p role="alert" class="text-clay">{{ $errors->first() }}</p>@endif
                <div><button class="btn btn-quiet">{{ __('reading.keep_note') }}</button></div>
            </form></details>
    @endif
    @forelse ($marks as $ofTitle)
        @php($title = $ofTitle->first()->title)
        <section class="border-t border-rule py-4 grid grid-cols-[56px_1fr] gap-x-4"
            aria-labelledby="of-{{ $title->id }}">
            {{ App\Shared\View\Covers\Cover::html($title, 56, decorative: true) }}
            <div class="min-w-0">
                <div class="flex flex-wrap items-baseline justify-between gap-x-6"><h2 class="text-xl"
                    id="of-{{ $title->id }}"><a class="no-underline hover:underline"
                    href="{{ $current->link("/titles/{$title->id}") }}">{{ App\Shared\View\TitleText::name($title)
                        }}</a></h2><a class="link text-[15px]" href="{{ route('marks.work', $title, false) }}">{{
                        __('marks.to_print') }}<span class="sr-only">: {{ $title->name }}</span></a></div>
                <div class="meta">{{ App\Shared\View\TitleText::kind($title) }}</div>
                <ul class="mt-1">
                    @foreach ($ofTitle as $mark)
                        <li class="flex gap-4 items-start justify-between border-t border-rule first:border-0 py-2">
                            @include('reading.marks.mark')
                            <form method="post" action="/marks/{{ $mark->id }}/remove">@csrf<button
                                class="btn btn-plain">{{ __('reading.remove') }}<span class="sr-only">:
                                {{ $mark->label }}</span></button></form>
                        </li>
                    @endforeach
                </ul>
            </div>
        </section>
    @empty
        <div class="panel p-6"><p>{{ match (true) {
            $words !== '' => __('marks.no_mark_with', ['words' => $words]),
            $colour !== null => __('marks.no_mark_of', ['colour' => $colours[$colour->value]]),
            default => __('marks.no_marks'),
        } }}</p></div>
    @endforelse
</x-layout>
