@use('FigPorch\Core\Catalogue\Audience')
@use('FigPorch\Core\Catalogue\Format')
@php($isPaper = $format === Format::Paper)
@php($heading = __($isPaper ? 'holdings_desk.new_paper' : 'holdings_desk.new_website'))
<x-desk.layout :title="$heading" on="titles" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/titles">{{ __('desk.titles') }}</a> › <a class="link"
        href="{{ route('desk.holdings', absolute: false) }}">{{ __('holdings_desk.title') }}</a></p>
    <h1 class="text-3xl mb-1">{{ $heading }}</h1>
    <p class="mb-4 max-w-[90ch]">{{ __('holdings_desk.new_text') }}</p>
    <form method="post" action="{{ route('desk.holdings.store', absolute: false) }}" class="panel p-5 grid
        lg:grid-cols-2 gap-x-8 gap-y-4 max-w-5xl" data-send-once>
        @csrf
        <input type="hidden" name="format" value="{{ $format->value }}">
        <div class="grid gap-4 content-start">
            <x-desk.field name="name" :label="__('records.fields.name')" max="500" autocomplete="off" />
            <x-desk.field name="subtitle" :label="__('records.fields.subtitle')" max="500" :needed="false"
                autocomplete="off" />
            <x-desk.lines name="people" :label="__('holdings_desk.people')" :hint="__('holdings_desk.people_hint')" />
            <div class="grid grid-cols-2 gap-4"><x-desk.field name="publisher"
                :label="__('records.fields.publisher')" max="255" :needed="false" autocomplete="off" /><x-desk.field
                name="published" :label="__('records.fields.published')" max="10" :needed="false"
                autocomplete="off" /></div>
            <div class="grid grid-cols-2 gap-4"><x-desk.field name="language" :label="__('records.fields.language')"
                max="16" :needed="false" :usual="$staff->library->languages[0] ?? 'en'" autocomplete="off"
                /><x-desk.options name="audience" :label="__('records.fields.audience')" chosen="adult"
                :options="array_combine(array_column(Audience::cases(), 'value'), array_map(fn (Audience $of): string =>
                __('catalogue.audience.'.$of->value), Audience::cases()))" /></div>
        </div>
        <div class="grid gap-4 content-start">
            @if ($isPaper)<x-desk.field name="identifiers" label="ISBN" max="255" :needed="false" autocomplete="off" />
                @include('desk.holdings.shelf-fields', ['holding' => null])
            @else @include('desk.holdings.link-fields', ['link' => null]) @endif
            <x-desk.lines name="subjects" :label="__('records.fields.subjects')" :hint="__('records.a_line_each')" />
            <div><button class="btn">{{ __('holdings_desk.save_new') }}</button></div>
        </div>
    </form>
</x-desk.layout>
