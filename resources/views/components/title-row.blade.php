@props(['title', 'standing', 'own'])
<article class="border-t border-rule py-4 grid grid-cols-[74px_1fr] md:grid-cols-[74px_1fr_230px] gap-x-4 gap-y-3" data-title="{{ $title->id }}">
    <a href="{{ route('titles.show', $title, false) }}" tabindex="-1" aria-hidden="true"><x-cover :title="$title" decorative /></a>
    <div class="min-w-0">
        <h2 class="text-xl"><a href="{{ route('titles.show', $title, false) }}" class="no-underline hover:underline">{{ $title->name }}</a></h2>
        @if ($people = App\View\TitleText::people($title))<div>{{ $people }}</div>@endif
        <div class="meta">{{ implode(' · ', array_filter([App\View\TitleText::format($title), $title->year()])) }}</div>
        <div class="meta">{{ implode(' · ', array_filter([App\View\TitleText::series($title), ...$title->subjects->take(3)->pluck('name')->all()])) }}</div>
    </div>
    <div class="col-span-2 md:col-span-1"><x-title-action :title="$title" :standing="$standing" :own="$own" /></div>
</article>
