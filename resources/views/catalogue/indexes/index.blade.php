@use('App\Catalogue\Indexes\IndexKind')
@use('App\Catalogue\Indexes\LibraryIndex')
@use('App\Shared\View\Numbers')
@php
    $link = fn (array $changes): string => $current->link(route('indexes', array_filter(['index' => $kind->value,
        'letter' => $letter, 'order' => $order === 'name' ? null : $order, ...$changes]), false));
@endphp
<x-layout :title="__('indexes.headings.' . $kind->value)" on="catalogue">
    <h1 class="text-3xl mb-3">{{ __("indexes.headings.{$kind->value}") }}</h1>
    <nav aria-label="{{ __('indexes.heading') }}" class="flex flex-wrap gap-x-1 border-b border-rule mb-4">
        @foreach (IndexKind::cases() as $of)<a href="{{ $current->link(route('indexes', ['index' => $of->value], false))
            }}" @class(['px-3 py-2 no-underline border-b-3 -mb-px', 'border-shutter font-semibold' => $of === $kind,
            'border-transparent hover:bg-haint' => $of !== $kind]) @if ($of === $kind) aria-current="page" @endif>{{
            __("indexes.kinds.{$of->value}") }}</a>@endforeach
    </nav>
    @if ($letters === [])
        <p class="panel p-6 max-w-2xl">{{ __('indexes.nothing') }}</p>
    @else
        <nav aria-label="{{ __('indexes.letters') }}" class="flex flex-wrap gap-1 mb-3"><a
            href="{{ $link(['letter' => null]) }}" @class(['px-3 py-1.5 rounded-md no-underline', 'bg-haint
            font-semibold' => $letter === null]) @if ($letter === null) aria-current="true" @endif>{{ __('indexes.all')
            }}</a>@foreach ($letters as $of => $n)<a href="{{ $link(['letter' => $of]) }}" @class(['px-2.5 py-1.5
            rounded-md no-underline min-w-9 text-center', 'bg-haint font-semibold' => $letter === $of])
            @if ($of === '#') aria-label="{{ __('indexes.others') }}" @endif @if ($letter === $of) aria-current="true"
            @endif>{{ $of }}</a>@endforeach</nav>
        <div class="flex flex-wrap gap-x-4 gap-y-1 items-baseline justify-between mb-3 text-[15px]"><p class="meta">{{
            __('indexes.counted') }}</p><nav aria-label="{{ __('indexes.order') }}" class="flex flex-wrap gap-1">
            @foreach (LibraryIndex::ORDERS as $of)<a href="{{ $link(['order' => $of === 'name' ? null : $of]) }}"
                @class(['px-3 py-1.5 rounded-md no-underline', 'bg-haint font-semibold' => $of === $order])
                @if ($of === $order) aria-current="true" @endif>{{ __("indexes.orders.{$of}") }}</a>@endforeach
            </nav></div>
        <ul class="columns-1 sm:columns-2 lg:columns-3 gap-x-8 border-t border-rule pt-3 mb-4">
            @foreach ($page as $entry)<li class="break-inside-avoid"><a class="flex justify-between gap-3 py-1.5
                no-underline hover:underline" href="{{ $current->link(route('catalogue', $kind->search($entry->entry_id,
                $entry->name), false)) }}"><bdi class="min-w-0 break-words">{{ $kind === IndexKind::People ?
                $entry->sort_name : $entry->name }}</bdi><span class="text-soft tabular-nums"
                aria-label="{{ trans_choice('indexes.titles', $entry->titles, ['count' => Numbers::of($entry->titles)])
                }}">{{ Numbers::of($entry->titles) }}</span></a></li>@endforeach
        </ul>
        <x-pager :page="$page" />
    @endif
</x-layout>
