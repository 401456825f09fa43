@use('App\Desk\Files\LicenceForEach')
@use('App\Shared\View\Dates')
@use('FigPorch\Core\Catalogue\OpenTo')
@php($zone = $staff->library->zone())
<x-desk.layout :title="__('record_import.title')" on="files" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/files">{{ __('desk.files') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('record_import.title') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('record_import.text') }}</p>
    <div class="grid lg:grid-cols-[1fr_400px] gap-8">
        <div class="grid gap-6 content-start min-w-0">
            <section aria-labelledby="last"><h2 id="last" class="text-xl mb-2">{{ __('record_import.last') }}</h2>
                @if ($imports->isEmpty())<p class="panel p-5">{{ __('record_import.nothing_yet') }}</p>
                @else<ul class="panel divide-y divide-rule">@foreach ($imports as $import)<li class="px-4 py-3 flex
                    flex-wrap items-baseline gap-3"><a class="font-semibold grow"
                    href="{{ route('desk.records.file', $import, false) }}"><bdi>{{ $import->name }}</bdi></a><span
                    class="meta">{{ __("record_import.stages.{$import->stage}") }} · {{ $import->member->name }} · {{
                    Dates::exact($import->asked_at, $zone) }}</span></li>@endforeach</ul>@endif</section>
            <section aria-labelledby="out"><h2 id="out" class="text-xl mb-1">{{ __('record_import.out') }}</h2>
                <p class="mb-2">{{ __('record_import.out_text') }}</p><p class="flex flex-wrap gap-3">
                    @foreach (['marc', 'marcxml', 'csv'] as $form)<a class="btn btn-quiet" download
                    href="{{ route('desk.records.export', $form, false) }}">{{ __("record_import.forms.{$form}")
                    }}</a>@endforeach</p></section>
        </div>
        <form method="post" action="{{ route('desk.records.files.read', absolute: false) }}" class="panel p-5 grid gap-4
            content-start self-start order-first lg:order-none min-w-0" data-upload data-waits="{{ __('files.waits') }}"
            data-sent="{{ __('files.sent') }}" data-failed="{{ __('files.failed') }}">
            @csrf
            <div class="grid gap-1 min-w-0"><label for="file" class="font-semibold">{{ __('record_import.file')
                }}</label><p id="file-hint" class="meta">{{ __('record_import.file_hint') }}</p><input
                id="file" type="file" required accept=".mrc,.marc,.xml,.onx,.iso,.dat,.csv,.tsv,.txt"
                class="field min-w-0 w-full" aria-describedby="file-hint"></div>
            <input type="hidden" name="uploads" value="">
            <x-desk.options name="licence" :label="__('record_import.licence')"
                :hint="__('record_import.licence_hint')" :options="array_combine(LicenceForEach::KINDS,
                array_map(fn (string $of) => __('files.kinds.'.$of), LicenceForEach::KINDS))" />
            <details @if ($errors->has('columns') || old('columns')) open @endif><summary class="cursor-pointer">{{
                __('record_import.columns_open') }}</summary><div class="mt-3"><x-desk.lines name="columns"
                :label="__('record_import.columns')" :hint="__('record_import.columns_hint')" /></div></details>
            <x-desk.options name="links" :label="__('record_import.links')" :hint="__('record_import.links_hint')"
                :options="['' => __('record_import.links_out'), ...array_combine(array_column(OpenTo::cases(), 'value'),
                array_map(fn (OpenTo $of): string => __('record_import.links_for', ['whom' =>
                __('holdings_desk.for.'.$of->value)]), OpenTo::cases()))]" />
            <div class="grid grid-cols-2 gap-4">
                <x-desk.field name="copies" :label="__('desk.columns.copies')" :needed="false" usual="1" max="4"
                    inputmode="numeric" />
                <x-desk.field name="price" :label="__('files.price')" :needed="false" max="9" inputmode="decimal" />
            </div>
            <ul data-progress class="grid gap-2 text-[15px] upload-progress" aria-live="polite"></ul>
            <noscript><p class="text-clay font-semibold">{{ __('files.needs_script') }}</p></noscript>
            <div><button class="btn">{{ __('card_import.look') }}</button></div>
        </form>
    </div>
</x-desk.layout>
