@use('App\Desk\Titles\FindTitles')
@use('App\Shared\View\Covers\Cover')
@use('App\Shared\View\TitleText')
<x-desk.layout :title="__('desk.titles')" on="titles" :staff="$staff">
    <h1 class="text-3xl mb-3">{{ __('desk.titles') }}</h1>
    <form class="flex flex-wrap gap-3 items-end mb-4 text-[15px]"><label class="grid gap-1 grow max-w-xl">{{
        __('records.find') }}<input name="find" value="{{ $find }}" maxlength="200" class="field py-1.5 min-h-9"
        autofocus></label><button class="btn btn-quiet">{{ __('desk.find_button') }}</button>
        @can('desk.titles')<a class="link py-2" href="{{ route('desk.batches', $page->isEmpty() || $find === '' ? [] :
            ['find' => $find], false) }}">{{ $page->isEmpty() || $find === '' ? __('batches.open') :
            trans_choice('batches.open_found', $page->total(), ['count' =>
            App\Shared\View\Numbers::of($page->total())]) }}</a><a class="link py-2"
            href="{{ route('desk.entries', absolute: false) }}">{{ __('entries.title') }}</a><a class="link py-2"
            href="{{ route('desk.holdings', absolute: false) }}">{{ __('holdings_desk.title') }}</a>@endcan</form>
    @if ($find === '')
        <p class="mb-6 max-w-[80ch] text-[15px]">{{ __('records.find_text') }}</p>
    @elseif ($page->isEmpty())
        <p class="panel p-6 max-w-3xl">{{ __('records.none') }}</p>
    @endif
    @if ($find === '' && $page->isNotEmpty())<h2 class="text-2xl mb-1">{{ __('records.on_order') }}</h2>
        <p class="text-[15px] mb-3 max-w-[80ch]">{{ __('records.on_order_text') }}</p>@endif
    @if ($page->isNotEmpty())
        @if ($find !== '')<p class="meta mb-2">{{ $page->total() >= FindTitles::MOST ? __('records.many', ['most' =>
            App\Shared\View\Numbers::of(FindTitles::MOST)]) : trans_choice('records.found', $page->total(),
            ['count' => App\Shared\View\Numbers::of($page->total())]) }}</p>@endif
        <ul class="panel divide-y divide-rule mb-4">@foreach ($page as $found)
            @php([$title, $state] = [$found->title, $found->state])
            <li
            class="flex items-center gap-3 px-4 py-2.5"><span class="flex-none">{{ Cover::html($title, 40,
            decorative: true) }}</span><span class="grow min-w-0"><a class="font-semibold no-underline
            hover:underline" href="{{ route('desk.title', $title) }}"><bdi>{{ $title->name }}</bdi></a><span
            class="meta block">{{ implode(' · ', array_filter([TitleText::people($title), TitleText::format($title),
            $title->year()])) }}</span></span><span class="text-[15px] text-right flex-none max-w-24 sm:max-w-none
            wrap-normal">{{ match (true) {
                $state->elsewhere && $state->paper !== null => trans_choice('holdings_desk.state_paper', (int)
                    $state->paper, ['count' => App\Shared\View\Numbers::of((int) $state->paper)]),
                $state->elsewhere && $state->website => __('holdings_desk.state_website'),
                $state->elsewhere => __($state->at_others ? 'holdings_desk.state_others' :
                    'holdings_desk.state_nowhere'),
                $state->licences > 0 && $state->copies !== null => trans_choice('records.copies', (int)
                    $state->copies, ['count' => App\Shared\View\Numbers::of((int) $state->copies)]),
                $state->licences > 0 => __('records.licensed'),
                (bool) $state->ever => __('records.ended'),
                (bool) $state->shared => __('records.shared'),
                (bool) $state->supplied => __('records.supplied'),
                default => __('records.no_licence'),
            } }}@if (! $state->opens && $state->licences > 0)<span class="block text-soft">{{ implode(' · ',
            array_filter([$find === '' ? null : __('catalogue.availability.on_order'), $state->waiting > 0 ?
            trans_choice('records.waiting', $state->waiting) : null])) }}</span>@can('desk.titles')<a class="link"
            href="{{ route('desk.title.file', $title) }}">{{ __('records.send_file') }}<span class="sr-only">: {{
            $title->name }}</span></a>@endcan @endif</span></li>@endforeach</ul>
        <x-pager :page="$page" />
    @endif
</x-desk.layout>
