@use('App\Desk\Files\LicenceForEach')
@use('FigPorch\Core\Catalogue\Audience')
<x-desk.layout :title="__('desk.files')" on="files" :staff="$staff">
    <h1 class="text-3xl mb-1">{{ __('files.title') }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('files.text') }} <a class="link" href="{{ route('desk.records.files', absolute:
        false) }}">{{ __('record_import.title') }}</a></p>
    <div class="grid lg:grid-cols-[1fr_400px] gap-8">
        <div id="sent" class="min-w-0">@include('desk.files.sent')</div>
        <form method="post" action="{{ route('desk.files.take') }}" class="panel p-5 grid gap-4 content-start
            self-start order-first lg:order-none min-w-0" data-upload data-waits="{{ __('files.waits') }}"
            data-sent="{{ __('files.sent') }}" data-failed="{{ __('files.failed') }}">
            @csrf
            <h2 class="text-xl">{{ __('files.send') }}</h2>
            <div class="grid gap-1 min-w-0"><label for="files" class="font-semibold">{{ __('files.choose') }}</label><p
                id="files-hint" class="meta">{{ __('files.choose_hint') }}</p><input id="files" type="file" multiple
                required class="field min-w-0 w-full" aria-describedby="files-hint"></div>
            <input type="hidden" name="uploads" value="">
            <x-desk.options name="licence" :label="__('files.licence')" :hint="__('files.licence_hint')"
                :options="array_combine(LicenceForEach::KINDS, array_map(fn (string $of) => __('files.kinds.'.$of),
                    LicenceForEach::KINDS))" />
            <div class="grid grid-cols-2 gap-4">
                <x-desk.field name="copies" :label="__('desk.columns.copies')" :needed="false" usual="1" max="4"
                    inputmode="numeric" />
                <x-desk.field name="price" :label="__('files.price')" :needed="false" max="9" inputmode="decimal" />
            </div>
            <x-desk.options name="audience" :label="__('files.audience')" :options="['' => __('files.any_audience')] +
                array_combine(array_column(Audience::cases(), 'value'), array_map(fn (Audience $of) =>
                __('catalogue.audience.'.$of->value), Audience::cases()))" />
            <ul data-progress class="grid gap-2 text-[15px] upload-progress" aria-live="polite"></ul>
            <noscript><p class="text-clay font-semibold">{{ __('files.needs_script') }}</p></noscript>
            <div><button class="btn">{{ __('files.send') }}</button></div>
        </form>
    </div>
</x-desk.layout>
