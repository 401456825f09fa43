@props(['lists'])
@if ($lists !== [])
    <section aria-labelledby="lists">
        <div class="flex items-baseline justify-between gap-4 mb-3"><h2 id="lists" class="text-2xl">{{ __('account.from_librarians') }}</h2><a class="link" href="/rooms">{{ __('common.rooms') }}</a></div>
        <ul class="grid sm:grid-cols-2 lg:grid-cols-3 gap-5">
            @foreach ($lists as $of)
                <li><a href="{{ route('catalogue', ['list' => $of->list->id], false) }}" class="panel flex gap-3.5 p-4 no-underline hover:bg-haint h-full">
                    <span class="flex flex-none" aria-hidden="true">@foreach ($of->first as $i => $title){{ App\View\Cover::html($title, 56, decorative: true, class: ($i > 0 ? '-ml-7' : '').' shadow-[-2px_0_0_var(--color-card)]') }}@endforeach</span>
                    <span>
                        <span class="font-serif font-semibold text-lg leading-tight block">{{ $of->list->name }}</span>
                        <span class="meta block mt-0.5">{{ App\View\ListText::counts($of) }}</span>
                        <span class="block mt-1 text-[15px]">{{ $of->list->note }}</span>
                    </span>
                </a></li>
            @endforeach
        </ul>
    </section>
@endif
