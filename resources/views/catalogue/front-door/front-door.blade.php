<x-layout>
    <section class="grid md:grid-cols-[1fr_auto] gap-6 items-end mt-4 mb-8">
        <div>
            <h1 class="text-4xl mb-2">{{ __('account.welcome') }}</h1>
            <p class="text-[17px] max-w-[60ch] text-soft">{{ __('account.welcome_text') }}</p>
        </div>
        <a class="btn" href="{{ route('sign-in', [], false) }}">{{
            __('account.sign_in_to', ['library' => $current->library->short_name]) }}</a>
    </section>

    <section aria-labelledby="here" class="mb-9">
        <h2 id="here" class="text-2xl mb-3">{{ __('account.here', ['library' => $current->library->name]) }}</h2>
        <ul class="grid grid-cols-2 sm:grid-cols-3 lg:grid-cols-5 gap-3">
            @foreach (FigPorch\Core\Catalogue\Format::cases() as $format)
                <li><a href="{{ route('catalogue', ['format' => $format->value], false) }}"
                    class="panel block px-4 py-3 no-underline hover:bg-haint">
                    <span class="font-serif font-semibold text-2xl block">{{ number_format($counts[$format->value] ?? 0)
                        }}</span>
                    <span>{{ __("catalogue.formats.{$format->value}") }}</span>
                </a></li>
            @endforeach
        </ul>
    </section>

    <section aria-labelledby="ready" class="mb-9">
        <div class="flex items-baseline justify-between gap-4 mb-3">
            <h2 id="ready" class="text-2xl inline-flex items-center gap-2.5">{{
                App\Lending\Availability\AvailabilityIcon::Lit->html() }}{{ __('account.ready_now') }}</h2>
            <a class="link" href="{{ route('catalogue', ['ready' => 1], false) }}">{{ __('account.see_all_ready') }}</a>
        </div>
        <ul class="grid grid-cols-3 sm:grid-cols-4 lg:grid-cols-6 gap-5">
            @foreach ($readyNow as $title)
                <li><a href="{{ route('titles.show', $title, false) }}" class="no-underline block group">
                    {{ App\Shared\View\Cover::html($title, 150, decorative: true, class: 'w-full h-auto') }}
                    <span class="font-semibold block mt-2 leading-tight group-hover:underline">{{ $title->name }}</span>
                    <span class="meta block">{{ App\Shared\View\TitleText::people($title) }}</span>
                </a></li>
            @endforeach
        </ul>
    </section>

    <x-catalogue.staff-lists :lists="$lists" />
</x-layout>
