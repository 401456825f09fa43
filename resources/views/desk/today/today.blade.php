@use('App\Shared\View\Dates')
<x-desk.layout :title="__('desk.today')" on="today" :staff="$staff">
    <h1 class="text-3xl mb-1">{{ __('desk.today') }}</h1>
    <p class="mb-5 text-soft">{{ Dates::day($now, $staff->library->zone()) }} · {{ $staff->library->name }}</p>
    @if (! $hasTitles)
        <p class="panel p-5 max-w-3xl mb-5">{{ __('today.no_titles') }} @can('desk.titles')<a class="link"
            href="{{ route('desk.files') }}">{{ __('files.send') }}</a>@endcan</p>
    @endif
    @if ($todos === [])
        <p class="panel p-6 max-w-3xl">{{ __('today.nothing') }}</p>
    @else
        <ul class="panel divide-y divide-rule max-w-3xl mb-6">@foreach ($todos as $todo)<li class="flex items-baseline
            gap-4 px-5 py-3"><b class="text-2xl font-serif tabular-nums min-w-14 text-right">{{
            App\Shared\View\Numbers::of($todo->count) }}</b><span class="grow"><a class="font-semibold no-underline
                hover:underline
            text-act" href="{{ $todo->address }}">{{ trans_choice("today.todo.{$todo->what}.0", $todo->count) }}</a>
            <span class="meta block">{{ __("today.todo.{$todo->what}.1") }}</span></span></li>@endforeach</ul>
    @endif
    @if ($wrong !== [])
        <section id="machine" class="message bg-card border-clay max-w-3xl" aria-labelledby="machine-heading"><h2
            id="machine-heading" class="text-xl mb-1">{{ __('today.machine') }}</h2><ul class="list-disc pl-5 mb-2">
            @foreach ($wrong as $of)<li>{{ __("today.wrong.{$of}") }}</li>@endforeach</ul><p>{{ __('today.ask') }}
            <code>bin/check</code></p></section>
    @else<p id="machine" class="meta max-w-3xl">{{ __('today.well') }}</p>@endif
</x-desk.layout>
