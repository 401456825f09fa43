@use('App\Shared\View\TitleText')
<x-layout :title="$parts[0]['basket']->name" on="baskets">
    @foreach ($parts as $part)
        @if ($loop->first)<h1 class="text-3xl mb-1">{{ $part['basket']->name }}</h1><p
            class="meta mb-2">{{ __('baskets.shared_with_you') }}</p>@else<h2
            class="text-2xl mt-8 mb-1">{{ $part['basket']->name }}</h2>@endif
        @if ($part['basket']->note !== null)<p class="mb-3 max-w-[70ch]">{{ $part['basket']->note }}</p>@endif
        @forelse ($part['titles'] as $title)
            <article class="border-t border-rule py-3 grid grid-cols-[52px_1fr] md:grid-cols-[52px_1fr_230px] gap-x-4
                gap-y-2" data-title="{{ $title->id }}">
                <a href="{{ $current->link("/titles/{$title->id}") }}" tabindex="-1" aria-hidden="true">{{
                    App\Shared\View\Covers\Cover::html($title, 52, decorative: true) }}</a>
                <div class="min-w-0">
                    <h3 class="text-lg"><a href="{{ $current->link("/titles/{$title->id}") }}"
                        class="no-underline hover:underline">{{ App\Shared\View\TitleText::name($title) }}</a></h3>
                    @if ($people = TitleText::people($title))<div class="text-[15px]">{{ $people }}</div>@endif
                    <div class="meta">{{ TitleText::kind($title) }}</div>
                    @if ($title->pivot->note)<p class="mt-1 max-w-[65ch]">{{ $title->pivot->note }}</p>@endif
                </div>
                <div class="col-span-2 md:col-span-1">@if (isset($standings[$title->id]))
                    @include('lending.borrowing.title-action',
                    ['standing' => $standings[$title->id]])@endif</div>
            </article>
        @empty
            @if (count($parts) === 1)<p class="panel p-6 max-w-2xl">{{ __('baskets.nothing_in_it') }}</p>@endif
        @endforelse
    @endforeach
</x-layout>
