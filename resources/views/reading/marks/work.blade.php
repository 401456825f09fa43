@use('App\Shared\View\TitleText')
<x-layout :title="__('marks.of_work', ['name' => $title->name])" on="loans">
    <div class="no-print flex flex-wrap gap-3 items-center mb-6">
        @if ($marks->isNotEmpty())<button type="button" class="btn" data-print>{{
            __('marks.print_all') }}</button>@endif
        <a class="btn btn-quiet" href="{{ route('marks.index', [], false) }}">{{ __('marks.all_colours') }}</a></div>
    <article class="printed">
        <h1 class="text-3xl mb-1">{{ TitleText::name($title) }}</h1>
        <p class="mb-5">{{ TitleText::people($title) }}</p>
        @forelse ($marks as $ofTitle)
            @if ($marks->count() > 1)<h2 class="text-xl mt-6 mb-1">{{
                Illuminate\Support\Str::ucfirst(TitleText::kind($ofTitle->first()->title)) }}</h2>@endif
            @foreach ($ofTitle as $mark)
                <section class="border-t border-rule py-3 break-inside-avoid">@include('reading.marks.mark')</section>
            @endforeach
        @empty
            <p>{{ __('marks.nothing_in_work') }}</p>
        @endforelse
    </article>
</x-layout>
