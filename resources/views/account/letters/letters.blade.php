@use('App\Shared\View\Dates')
<x-layout :title="__('letters.mine')">
    <div class="flex flex-wrap items-start justify-between gap-4 mb-4"><h1 class="text-3xl">{{ __('letters.mine')
        }}</h1>@if ($current->library !== null)<a class="btn" href="{{ route('letters.create', [], false) }}">{{
        __('letters.write') }}</a>@endif</div>
    @if ($letters->isEmpty())<p class="panel p-5">{{ __('letters.none') }}</p>
    @else
        <ul class="panel divide-y divide-rule">@foreach ($letters as $letter)<li class="px-4 py-3"><a
            class="font-semibold no-underline hover:underline" href="{{ route('letters.show', $letter, false) }}">{{
            Illuminate\Support\Str::limit($letter->parts->first()?->text ?? '', 100, '…') }}</a><span
            class="meta block">{{ $letter->library->name }} · {{ Dates::day($letter->last_at, $letter->library->zone())
            }} · {{ __($letter->waits ? 'letters.waits' : 'letters.answered_state') }}</span></li>@endforeach</ul>
        <x-pager :page="$letters" />
    @endif
</x-layout>
