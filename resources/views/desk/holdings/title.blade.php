@use('App\Shared\View\TitleText')
@use('FigPorch\Core\Catalogue\Format')
@php
    $isPaper = $title->format === Format::Paper;
    $all = $isPaper ? $elsewhere->holdings : $elsewhere->links;
    [$own, $others] = collect($all)->partition(fn ($of): bool => $of->library_id === $staff->library_id);
    $fields = $isPaper ? 'desk.holdings.shelf-fields' : 'desk.holdings.link-fields';
@endphp
<x-desk.layout :title="$title->name" on="titles" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/titles">{{ __('desk.titles') }}</a> › <a class="link"
        href="{{ route('desk.holdings', ['show' => $isPaper ? 'paper' : 'websites'], false) }}">{{
        __('holdings_desk.title') }}</a></p>
    <div class="flex flex-wrap items-baseline gap-x-4 mb-1"><h1 class="text-3xl"><bdi>{{ $title->name }}</bdi></h1><a
        class="link text-[15px]" href="/titles/{{ $title->id }}?library={{ $staff->library->slug }}">{{
        __('desk.title_page') }}</a>@can('desk.titles') @can('edit', $title)<a class="link text-[15px]"
        href="{{ route('desk.record', $title, false) }}">{{ __('records.edit') }}</a>@endcan @endcan</div>
    <p class="meta mb-5">{{ implode(' · ', array_filter([TitleText::people($title), TitleText::format($title),
        $title->year()])) }}</p>
    <div class="grid lg:grid-cols-[1fr_400px] gap-8">
        <div class="grid gap-5 content-start min-w-0">
            <section aria-labelledby="own"><h2 id="own" class="text-xl mb-2">{{ __($isPaper ? 'holdings_desk.shelf' :
                'holdings_desk.website') }}</h2>
                @if ($own->isEmpty())<p class="panel p-5">{{ __('holdings_desk.nothing_here') }}</p>@endif
                <ul class="grid gap-3">@foreach ($own as $of)<li class="panel px-5 py-4 grid gap-2">
                    @if ($isPaper)<span><b>{{ implode(', ', array_filter([$of->place, $of->call_number])) }}</b> · {{
                        trans_choice('holdings.copies', $of->copies) }}</span>
                        @if ($of->numbers !== [])<span class="meta break-all">{{ implode(' ', $of->numbers) }}</span>
                        @endif
                    @else<span class="break-all"><b>{{ $of->address }}</b></span><span>{{ implode(' · ',
                        array_filter([$of->about, __("holdings_desk.for.{$of->open_to->value}")])) }}</span>
                        <span class="text-[15px]">@include('desk.holdings.state', ['link' => $of])</span>@endif
                    @can('desk.titles')
                        <div class="flex flex-wrap gap-3 items-start text-[15px]">
                            @if (! $isPaper && $of->moved_to !== null)<form method="post" action="{{
                                route('desk.link.follow', $of, false) }}">@csrf<button class="btn btn-quiet">{{
                                __('holdings_desk.follow') }}</button></form>@endif
                            @if (! $isPaper && $of->trouble !== null)<form method="post" action="{{
                                route('desk.link.look', $of, false) }}">@csrf<button class="btn btn-quiet">{{
                                __('holdings_desk.look') }}</button></form>@endif
                            <a class="btn btn-quiet" href="{{ route('desk.elsewhere', [$title, 'change' => $of->id],
                                false) }}#change">{{ __('holdings_desk.change') }}<span class="sr-only">: {{
                                $isPaper ? $of->place : $of->address }}</span></a>
                            <form method="post" action="{{ route($isPaper ? 'desk.holding.remove' :
                                'desk.link.remove', $of, false) }}">@csrf<button class="btn btn-plain">{{
                                __('holdings_desk.remove') }}<span class="sr-only">: {{ $isPaper ? $of->place :
                                $of->address }}</span></button></form></div>
                    @endcan</li>@endforeach</ul></section>
            @if ($others->isNotEmpty())<section aria-labelledby="others"><h2 id="others" class="text-xl mb-2">{{
                __('holdings_desk.in_others') }}</h2><ul class="panel divide-y divide-rule text-[15px]">
                @foreach ($others as $of)<li class="px-5 py-2.5">{{ $of->library->name }}: <span
                class="break-all">{{ $isPaper ? implode(', ', array_filter([$of->place, $of->call_number])) :
                $of->address }}</span></li>@endforeach</ul></section>@endif
        </div>
        @can('desk.titles')
            @php($changed = $own->firstWhere('id', $changing))
            <section aria-labelledby="change" class="self-start scroll-mt-4"><h2 id="change" class="text-xl mb-2">{{
                __(match (true) { $changed !== null => 'holdings_desk.change', $isPaper =>
                'holdings_desk.add_another_shelf', default => 'holdings_desk.add_another_link' }) }}</h2>
                <form method="post" class="panel p-5 grid gap-4" action="{{ match (true) {
                    $changed === null => route($isPaper ? 'desk.holding.add' : 'desk.link.add', $title, false),
                    default => route($isPaper ? 'desk.holding.change' : 'desk.link.change', $changed, false),
                } }}">@csrf @include($fields, ['holding' => $changed, 'link' => $changed])<div class="flex gap-3
                    items-center"><button class="btn">{{ __($changed === null ? 'holdings_desk.add' :
                    'holdings_desk.keep') }}</button>@if ($changed !== null)<a class="link"
                    href="{{ route('desk.elsewhere', $title, false) }}">{{ __('holdings_desk.leave') }}</a>@endif</div>
                </form></section>
        @endcan
    </div>
</x-desk.layout>
