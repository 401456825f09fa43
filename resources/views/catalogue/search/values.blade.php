@use('App\Catalogue\Search\FoundValues')
@use('App\Shared\View\Numbers')
@php
    $back = route('catalogue', [...$current->inAddress(), ...$search->with([])], false);
    $titles = trans_choice($search->words === '' ? 'catalogue.titles' : 'catalogue.titles_for', $total,
        ['count' => Numbers::of($total), 'words' => $search->words]);
    $link = fn (array $changes): string => route('catalogue.values', array_filter(['filter' => $filter::name(),
        ...$current->inAddress(), ...$search->with([]), 'find' => $find, 'by' => $order, ...$changes]), false);
@endphp
<x-layout :title="$filter->heading()" on="catalogue">
    <p class="mb-2"><a class="link" href="{{ $back }}"><span aria-hidden="true">←</span> {{ __('search.back_to_results')
        }}</a></p>
    <h1 class="text-3xl">{{ $filter->heading() }}</h1>
    <p class="text-soft mb-4">{{ $list === null ? $titles : "{$list->name} · {$titles}" }}</p>
    <div class="flex flex-wrap gap-x-6 gap-y-3 items-end justify-between border-b border-rule pb-4 mb-3">
        <form action="{{ route('catalogue.values', $filter::name(), false) }}" class="flex flex-wrap gap-2 items-end">
            <x-library-field />
            @foreach ([...$search->with([]), 'by' => $order] as $name => $value)<input type="hidden" name="{{ $name }}"
                value="{{ $value }}">@endforeach
            <label class="grid gap-1"><span class="font-semibold">{{ __('search.find_value') }}</span><input
                name="find" type="search" value="{{ $find }}" maxlength="100" class="field"></label>
            <button class="btn btn-quiet">{{ __('search.find_it') }}</button>
            @if ($find !== '')<a class="btn btn-plain" href="{{ $link(['find' => null]) }}">{{ __('search.all_values')
                }}</a>@endif
        </form>
        @if ($page->total() > 1)<nav aria-label="{{ __('indexes.order') }}" class="flex flex-wrap gap-1 text-[15px]">
            @foreach (FoundValues::ORDERS as $of)<a href="{{ $link(['by' => $of]) }}" @class(['px-3 py-1.5 rounded-md
                no-underline', 'bg-haint font-semibold' => $of === $order]) @if ($of === $order) aria-current="true"
                @endif>{{ __("indexes.orders.{$of}") }}</a>@endforeach</nav>@endif
    </div>
    @if (! $filter->takesMore())
        <p class="panel p-6 max-w-2xl">{{ __('search.enough_chosen') }}</p>
    @elseif ($page->isEmpty())
        <p class="panel p-6 max-w-2xl">{{ __($find === '' ? 'search.no_values' : 'search.no_value_called', ['words' =>
            $find]) }}</p>
    @else
        <ul class="columns-1 sm:columns-2 lg:columns-3 gap-x-8 mb-4">
            @foreach ($page as $of)<li class="break-inside-avoid"><a class="flex justify-between gap-3 py-1.5
                no-underline hover:underline" href="{{ route('catalogue', [...$current->inAddress(),
                ...$search->with([$filter::name() => $filter->with($of->value)])], false) }}"><bdi class="min-w-0
                break-words">{{ $filter->label($of->name) }}</bdi><span class="text-soft tabular-nums"
                aria-label="{{ trans_choice('indexes.titles', $of->titles, ['count' => Numbers::of($of->titles)])
                }}">{{ Numbers::of($of->titles) }}</span></a></li>@endforeach
        </ul>
        <x-pager :page="$page" />
    @endif
</x-layout>
