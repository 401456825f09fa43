@use('App\Catalogue\Records\EntryKind')
<x-desk.layout :title="__('entries.title')" on="titles" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/titles">{{ __('desk.titles') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('entries.title') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('entries.text') }}</p>
    <nav aria-label="{{ __('entries.title') }}" class="flex flex-wrap gap-2 mb-4">
        @foreach (EntryKind::cases() as $of)<a href="{{ route('desk.entries', ['kind' => $of->value], false) }}"
        @class(['chip', 'font-semibold ring-2 ring-shutter' => $of === $kind]) @if ($of === $kind) aria-current="page"
        @endif>{{
        __("entries.kinds.{$of->value}") }}</a>@endforeach</nav>
    <form class="flex flex-wrap gap-3 items-end mb-4 text-[15px]"><input type="hidden" name="kind"
        value="{{ $kind->value }}"><label class="grid gap-1 grow max-w-xl">{{ __('entries.find') }}<input name="find"
        value="{{ $find }}" maxlength="200" class="field py-1.5 min-h-9"></label><button class="btn btn-quiet">{{
        __('desk.find_button') }}</button></form>
    @if ($page->isEmpty())<p class="panel p-6 max-w-3xl">{{ __('entries.none') }}</p>
    @else
        <ul class="panel divide-y divide-rule mb-4">@foreach ($page as $row)<li class="flex items-baseline gap-3 px-4
            py-2"><a class="font-semibold no-underline hover:underline grow min-w-0"
            href="{{ route('desk.entry', [$kind, $row['id']], false) }}"><bdi>{{ $row['name'] }}</bdi></a><span
            class="meta tabular-nums">{{ trans_choice('batches.titles', $row['titles'], ['count' =>
            App\Shared\View\Numbers::of($row['titles'])]) }}</span></li>@endforeach</ul>
        <x-pager :page="$page" />
    @endif
</x-desk.layout>
