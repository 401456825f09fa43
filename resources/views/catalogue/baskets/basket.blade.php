@php
    use App\Catalogue\Baskets\Baskets;
    use App\Shared\View\TitleText;
    $others = array_filter($tree, fn (array $of): bool => ! $of['basket']->is($basket));
    $inside = array_filter($tree, fn (array $of): bool => $of['basket']->parent_id === $basket->id);
    $indent = fn (int $depth): string => str_repeat("\u{2003}", $depth);
@endphp
<x-layout :title="$basket->name" on="baskets">
    <div class="grid lg:grid-cols-[236px_1fr] gap-7">
        <nav aria-labelledby="tree">
            <h2 id="tree" class="text-lg border-b border-rule pb-2 mb-2">{{ __('common.baskets') }}</h2>
            <ul class="mb-4">
                @foreach ($tree as $of)
                    <li><a href="/baskets/{{ $of['basket']->id }}"
                        @class(['flex justify-between gap-2 px-2 py-1.5 rounded-md no-underline hover:bg-haint',
                        'bg-haint font-semibold' => $of['basket']->is($basket)]) @if ($of['basket']->is($basket))
                        aria-current="page" @endif><span class="min-w-0">{{ $indent($of['depth']) }}{{
                        $of['basket']->name }}</span><span class="text-soft tabular-nums">{{ $of['titles']
                        }}</span></a></li>
                @endforeach
            </ul>
            @include('catalogue.baskets.make-basket', ['into' => null])
        </nav>
        <section aria-labelledby="basket" class="min-w-0">
            <h1 id="basket" class="text-3xl">{{ $basket->name }}</h1>
            @if ($basket->note !== null)<p class="mt-1 max-w-[70ch]">{{ $basket->note }}</p>@endif
            @if ($current->person === null)<p class="message bg-haint border-haint-deep mt-3">{{ __('baskets.here_only')
                }} <a class="link" href="/sign-in">{{ __('common.sign_in') }}</a></p>@endif
            <div class="flex flex-wrap items-start gap-x-6 gap-y-2 mt-3 mb-4 text-[15px]">
                <details><summary class="link cursor-pointer py-1">{{ __('baskets.change') }}</summary>
                    <div class="panel p-4 mt-2 max-w-xl grid gap-4">
                        <form method="post" action="/baskets/{{ $basket->id }}" class="grid gap-3">@csrf
                            <label class="grid gap-1">{{ __('baskets.name') }}<input name="name"
                                value="{{ $basket->name }}" required maxlength="120" class="field"></label>
                            <label class="grid gap-1">{{ __('baskets.note') }}<textarea name="note" rows="2"
                                maxlength="1000" class="field">{{ $basket->note }}</textarea></label>
                            <label class="grid gap-1">{{ __('baskets.lies_in') }}<select name="into"
                                class="field"><option value="">{{ __('baskets.nowhere')
                                }}</option>@foreach ($others as $of)<option value="{{ $of['basket']->id }}"
                                @selected($basket->parent_id === $of['basket']->id)>{{ $indent($of['depth']) }}{{
                                $of['basket']->name }}</option>@endforeach</select></label>
                            <div><button class="btn">{{ __('baskets.keep') }}</button></div>
                        </form>
                        @include('catalogue.baskets.make-basket', ['into' => $basket])
                        <div class="flex flex-wrap gap-2">
                            @foreach (['up', 'down'] as $by)<form method="post"
                                action="/baskets/{{ $basket->id }}/shift">@csrf<button name="by" value="{{ $by }}"
                                class="btn btn-quiet">{{ __("baskets.shift_basket.{$by}") }}</button></form>@endforeach
                            <details><summary class="btn btn-plain list-none text-clay">{{ __('baskets.remove')
                                }}</summary><form method="post" action="/baskets/{{ $basket->id }}/remove"
                                class="mt-2">@csrf<p class="mb-2">{{ trans_choice('baskets.remove_sure', $page->total())
                                }}</p><button class="btn btn-quiet">{{ __('baskets.remove_yes')
                                }}</button></form></details>
                        </div>
                    </div>
                </details>
                <details @if ($basket->share_key !== null) open @endif><summary
                    class="link cursor-pointer py-1">{{ __('baskets.share') }}</summary>
                    <div class="panel p-4 mt-2 max-w-xl">
                        <p class="mb-2">{{ __($basket->share_key === null ? 'baskets.share_text' : 'baskets.shared_at')
                            }}</p>
                        @if ($basket->share_key !== null)<p class="mb-3 break-all"><a class="link"
                            href="{{ route('baskets.shared', $basket->share_key) }}">{{
                            route('baskets.shared', $basket->share_key) }}</a></p>@endif
                        <form method="post" action="/baskets/{{ $basket->id }}/share">@csrf
                            @if ($basket->share_key === null)<button class="btn btn-quiet">{{ __('baskets.share_make')
                                }}</button>@else<button name="withdraw" value="1"
                                class="btn btn-quiet">{{ __('baskets.share_withdraw') }}</button>@endif</form>
                    </div>
                </details>
                @if ($page->total() > 0 || $inside !== [])
                    <details><summary class="link cursor-pointer py-1">{{ __('baskets.cite') }}</summary>
                        <ul class="panel p-4 mt-2 grid gap-2">
                            <li><a class="link" href="/baskets/{{ $basket->id }}/bibliography">{{
                                __('baskets.bibliography') }}</a></li>
                            @foreach (['csv', 'ris', 'bib', 'json'] as $kind)<li><a class="link"
                                href="/baskets/{{ $basket->id }}/basket.{{ $kind }}">{{ __("baskets.files.{$kind}")
                                }}</a></li>@endforeach
                        </ul>
                    </details>
                    @if (App\Lending\Classes\Teachers::cards($current->person) !== [])<a class="link py-1"
                        href="{{ route('baskets.for_class', $basket, false) }}">{{ __('classes.for_a_class')
                        }}</a>@endif
                    <form action="/baskets/{{ $basket->id }}" class="flex items-center gap-2 ml-auto"><label for="order"
                        class="meta">{{ __('catalogue.order') }}</label><select id="order" name="order"
                        data-submit-on-change class="field py-1 min-h-9">@foreach (Baskets::ORDERS as $of)<option
                        value="{{ $of }}" @selected($order === $of)>{{ __("baskets.orders.{$of}")
                        }}</option>@endforeach</select><noscript><button
                        class="btn btn-quiet">{{ __('catalogue.apply') }}</button></noscript></form>
                @endif
            </div>
            @if ($inside !== [])<ul class="flex flex-wrap gap-3 mb-4">@foreach ($inside as $of)<li><a
                href="/baskets/{{ $of['basket']->id }}" class="panel block px-4 py-2.5 no-underline
                hover:bg-haint"><span class="font-semibold">{{ $of['basket']->name }}</span> <span
                class="meta">{{ trans_choice('account.list_counts', $of['titles'])
                }}</span></a></li>@endforeach</ul>@endif
            @if ($page->total() > 0)
                <form id="arrange" method="post" action="/baskets/{{ $basket->id }}/titles"
                    class="flex flex-wrap items-center gap-2 pb-3 text-[15px]">@csrf
                    <span class="meta">{{ __('baskets.ticked') }}</span>
                    @if ($others !== [])<label class="sr-only" for="to">{{ __('baskets.move_to') }}</label><select
                        id="to" name="to" class="field py-1 min-h-9">@foreach ($others as $of)<option
                        value="{{ $of['basket']->id }}">{{ $indent($of['depth']) }}{{ $of['basket']->name
                        }}</option>@endforeach</select><button name="do" value="move"
                        class="btn btn-quiet">{{ __('baskets.move') }}</button>@endif
                    <button name="do" value="take-out" class="btn btn-quiet">{{ __('baskets.take_out') }}</button>
                    <button name="do" value="notes" class="btn btn-plain ml-auto">{{ __('baskets.keep_notes')
                        }}</button>
                </form>
            @endif
            @forelse ($page as $title)
                <article class="border-t border-rule py-3 grid grid-cols-[auto_52px_1fr]
                    md:grid-cols-[auto_52px_1fr_210px_auto] gap-x-4 gap-y-2" data-title="{{ $title->id }}">
                    <input type="checkbox" form="arrange" name="titles[]" value="{{ $title->id }}"
                        aria-label="{{ $title->name }}" class="accent-shutter w-4.5 h-4.5 mt-1">
                    <a href="{{ $current->link("/titles/{$title->id}") }}" tabindex="-1" aria-hidden="true">{{
                        App\Shared\View\Covers\Cover::html($title, 52, decorative: true) }}</a>
                    <div class="min-w-0">
                        <h2 class="text-lg"><a href="{{ $current->link("/titles/{$title->id}") }}"
                            class="no-underline hover:underline">{{ App\Shared\View\TitleText::name($title) }}</a></h2>
                        @if ($people = TitleText::people($title))<div class="text-[15px]">{{ $people }}</div>@endif
                        <div class="meta">{{ TitleText::kind($title) }}</div>
                        <input form="arrange" name="note[{{ $title->id }}]" value="{{ $title->pivot->note }}"
                            maxlength="500" placeholder="{{ __('baskets.note') }}"
                            aria-label="{{ __('baskets.note_on', ['name' => $title->name]) }}"
                            class="field py-1 min-h-8 w-full max-w-md mt-1.5 text-[15px]">
                    </div>
                    <div class="col-start-3 md:col-start-auto">@include('lending.borrowing.title-action',
                        ['standing' => $standings[$title->id], 'quiet' => true])</div>
                    @if ($order === 'hand')<div class="col-start-3 md:col-start-auto flex md:flex-col
                        gap-1"><x-catalogue.shift form="arrange" :what="':'.$title->id" words="baskets.shift_title"
                        :of="$title->name" :first="$loop->first && $page->onFirstPage()"
                        :last="$loop->last && ! $page->hasMorePages()" /></div>@endif
                </article>
            @empty
                <p class="panel p-6 max-w-2xl">{{ __('baskets.empty') }} <a class="link"
                    href="{{ $current->link('/catalogue') }}">{{ __('catalogue.browse_all') }}</a></p>
            @endforelse
            <x-pager :page="$page" />
        </section>
    </div>
</x-layout>
