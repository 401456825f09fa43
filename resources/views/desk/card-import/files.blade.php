@use('App\Shared\View\Dates')
@php($zone = $staff->library->zone())
<x-desk.layout :title="__('card_import.title')" on="patrons" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/patrons">{{ __('desk.patrons') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('card_import.title') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('card_import.text') }}</p>
    <div class="grid lg:grid-cols-[1fr_400px] gap-8">
        <div class="grid gap-5 content-start min-w-0">
            <section aria-labelledby="columns" class="text-[15px]"><h2 id="columns" class="text-xl mb-1">{{
                __('card_import.columns') }}</h2><p class="mb-2">{{ __('card_import.columns_text') }}</p>
                <dl class="grid sm:grid-cols-[max-content_1fr] gap-x-4 gap-y-1">@foreach (['name', 'number', 'email',
                    'group', 'class', 'expires', 'pin'] as $of)<dt class="font-semibold">{{
                    __("card_import.heads.{$of}.0") }}</dt><dd>{{ __("card_import.heads.{$of}.1") }}</dd>@endforeach
                </dl></section>
            @if ($imports->isNotEmpty())
                <section aria-labelledby="last"><h2 id="last" class="text-xl mb-2">{{ __('card_import.last') }}</h2>
                    <ul class="panel divide-y divide-rule">@foreach ($imports as $import)<li class="px-4 py-3 flex
                        flex-wrap items-baseline gap-3"><a class="font-semibold grow"
                        href="{{ route('desk.patrons.file', $import) }}"><bdi>{{ $import->name }}</bdi></a><span
                        class="meta">{{ __("card_import.stages.{$import->stage}") }} · {{ $import->member->name }} · {{
                        Dates::exact($import->asked_at, $zone) }}</span></li>@endforeach</ul></section>
            @endif
        </div>
        <form method="post" action="{{ route('desk.patrons.files.read') }}" class="panel p-5 grid gap-4 content-start
            self-start order-first lg:order-none min-w-0" data-upload data-waits="{{ __('files.waits') }}"
            data-sent="{{ __('files.sent') }}" data-failed="{{ __('files.failed') }}">
            @csrf
            <div class="grid gap-1 min-w-0"><label for="file" class="font-semibold">{{ __('card_import.file')
                }}</label><p id="file-hint" class="meta">{{ __('card_import.file_hint') }}</p><input
                id="file" type="file" required
                accept=".csv,.txt,.tsv,text/csv" class="field min-w-0 w-full" aria-describedby="file-hint"></div>
            <input type="hidden" name="uploads" value="">
            <x-desk.options name="group" :label="__('card_import.group')" :hint="__('card_import.group_hint')"
                :options="array_combine($groups, $groups)" />
            <x-desk.field name="expires" type="date" :needed="false" :label="__('card_import.expires')"
                :hint="__('card_import.expires_hint')" />
            <x-desk.options name="leavers" :label="__('card_import.leavers')" :hint="__('card_import.leavers_hint')"
                :options="['' => __('card_import.no_leavers')] + array_combine($groups, $groups)" />
            <ul data-progress class="grid gap-2 text-[15px] upload-progress" aria-live="polite"></ul>
            <noscript><p class="text-clay font-semibold">{{ __('files.needs_script') }}</p></noscript>
            <div><button class="btn">{{ __('card_import.look') }}</button></div>
        </form>
    </div>
</x-desk.layout>
