<x-layout :title="__('help.heading')">
    <h1 class="text-3xl mb-1">{{ __('help.heading') }}</h1>
    <p class="mb-4">{{ __('help.text') }}</p>
    <form class="flex gap-2 items-end mb-4" role="search" aria-label="{{ __('help.find') }}"><label class="grid
        gap-1">{{ __('help.find') }}<input
        name="find" value="{{ $words }}" maxlength="100" class="field"></label><button class="btn btn-quiet">{{
        __('common.search') }}</button></form>
    @if ($found === [])<p class="panel p-5">{{ __('help.none', ['words' => $words]) }}</p>@endif
    <ul class="grid sm:grid-cols-2 lg:grid-cols-3 gap-4">@foreach ($found as $of)<li><a
        class="panel block p-4 no-underline hover:bg-haint h-full" href="{{ route('help.show', $of['subject'], false)
        }}"><span class="font-serif font-semibold text-xl block">{{ $of['heading'] }}</span><span class="meta">{{
        $of['excerpt'] }}</span></a></li>@endforeach</ul>
    <p class="mt-5 flex flex-wrap gap-x-6"><a class="link" href="{{ route('help.tour', [], false) }}">{{
        __('help.tour') }}</a>@if ($current->library !== null)<a class="link" href="{{ route('letters.create', [],
        false) }}">{{ __('letters.write') }}</a>@endif</p>
</x-layout>
