@use('App\Lending\Holdings\ElsewhereText')
@use('App\Shared\View\Numbers')
@use('App\Shared\View\TitleText')
<x-desk.layout :title="__('holdings_desk.title')" on="titles" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/titles">{{ __('desk.titles') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('holdings_desk.title') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('holdings_desk.text') }}</p>
    <p class="flex flex-wrap gap-3 mb-5 items-center"><a class="btn"
        href="{{ route('desk.holdings.create', ['format' => 'paper'], false) }}">{{ __('holdings_desk.add_paper')
        }}</a><a class="btn" href="{{ route('desk.holdings.create', ['format' => 'website'], false) }}">{{
        __('holdings_desk.add_website') }}</a><a class="link py-2" href="{{ route('desk.records.files', absolute: false)
        }}">{{ __('holdings_desk.from_file') }}</a></p>
    <nav aria-label="{{ __('holdings_desk.title') }}" class="flex flex-wrap gap-2 mb-3">
        @foreach ($counts as $of => $count)<a href="{{ route('desk.holdings', ['show' => $of], false) }}"
        @class(['chip', 'font-semibold ring-2 ring-shutter' => $show === $of]) @if ($show === $of) aria-current="page"
        @endif>{{ __("holdings_desk.show.{$of}") }} <b class="tabular-nums">{{ Numbers::of($count) }}</b></a>
        @endforeach</nav>
    @if ($page->isEmpty())<p class="panel p-6 max-w-3xl">{{ __("holdings_desk.none.{$show}") }}</p>
    @else
        <div class="panel overflow-x-auto mb-4" tabindex="0" role="group"
            aria-label="{{ __("holdings_desk.show.{$show}") }}"><table class="w-full text-[15px] desk-table">
            @if ($show === 'paper')
                <thead><tr><th scope="col">{{ __('holdings_desk.columns.title') }}</th><th scope="col">{{
                    __('holdings_desk.columns.where') }}</th><th scope="col" class="num">{{ __('holdings_desk.copies')
                    }}</th></tr></thead>
                <tbody>@foreach ($page as $title)<tr><th scope="row" class="text-left font-normal"><a
                    class="font-semibold no-underline hover:underline"
                    href="{{ route('desk.elsewhere', $title, false) }}"><bdi>{{ $title->name }}</bdi></a><span
                    class="meta block">{{ implode(' · ', array_filter([TitleText::people($title), $title->year()]))
                    }}</span></th><td>@foreach ($shelves[$title->id] ?? [] as $of)<span class="block">{{
                    implode(', ', array_filter([$of->place, $of->call_number])) }}</span>@endforeach</td><td
                    class="num">{{ array_sum(array_map(fn ($of): int => $of->copies, $shelves[$title->id] ?? []))
                    }}</td></tr>@endforeach</tbody>
            @else
                <thead><tr><th scope="col">{{ __('holdings_desk.columns.title') }}</th><th scope="col">{{
                    __('holdings_desk.columns.address') }}</th><th scope="col">{{ __('holdings_desk.columns.for')
                    }}</th><th scope="col">{{ __('holdings_desk.columns.state') }}</th></tr></thead>
                <tbody>@foreach ($page as $link)<tr><th scope="row" class="text-left font-normal"><a
                    class="font-semibold no-underline hover:underline"
                    href="{{ route('desk.elsewhere', $link->title_id, false) }}"><bdi>{{ $link->title->name
                    }}</bdi></a></th><td class="break-all">{{ $link->address }}</td><td>{{
                    __("holdings_desk.for.{$link->open_to->value}") }}</td><td>@include('desk.holdings.state')</td>
                    </tr>@endforeach</tbody>
            @endif
        </table></div>
        <x-pager :page="$page" />
    @endif
</x-desk.layout>
