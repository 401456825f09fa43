@props(['lists'])
@if ($lists !== [])
    <section aria-labelledby="lists">
        <h2 id="lists" class="text-2xl mb-3">{{ __('account.from_librarians') }}</h2>
        <ul class="grid sm:grid-cols-2 lg:grid-cols-3 gap-5">
            @foreach ($lists as $row)
                <li><a href="{{ route('catalogue', ['list' => $row['list']->id], false) }}" class="panel flex gap-3.5 p-4 no-underline hover:bg-haint h-full">
                    <span class="flex flex-none" aria-hidden="true">@foreach ($row['first'] as $i => $title){{ App\View\Cover::html($title, 56, decorative: true, class: ($i > 0 ? '-ml-7' : '').' shadow-[-2px_0_0_var(--color-card)]') }}@endforeach</span>
                    <span>
                        <span class="font-serif font-semibold text-lg leading-tight block">{{ $row['list']->name }}</span>
                        <span class="meta block mt-0.5">{{ trans_choice('account.list_counts', $row['titles']) }} · {{ $row['ready'] === $row['titles'] && $row['titles'] > 0 ? __('account.list_all_ready') : trans_choice('account.list_ready', $row['ready']) }}</span>
                        <span class="block mt-1 text-[15px]">{{ $row['list']->note }}</span>
                    </span>
                </a></li>
            @endforeach
        </ul>
    </section>
@endif
