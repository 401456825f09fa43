@use('FigPorch\Core\Exchange\Sending\Way')
@if (request()->header('X-Part') === 'drawer')
    @include('catalogue.citations.cite-styles', ['heading' => 'h3'])
@else
    <x-layout :title="__('reading.cite_book')"><h1 class="text-3xl mb-4">{{ __('reading.cite_book') }}</h1><div
        class="max-w-[80ch]">@include('catalogue.citations.cite-styles', ['heading' => 'h2'])</div>
        <p class="mt-4 flex flex-wrap gap-x-5 gap-y-1"><span class="py-1">{{ __('reading.cite_file') }}</span>
            @foreach (['ris' => 'RIS', 'bib' => 'BibTeX', 'json' => 'CSL-JSON'] as $kind => $name)<a class="link py-1"
            href="/titles/{{ $title->id }}.{{ $kind }}" download>{{ $name }}</a>@endforeach</p>
        @if ($current->person !== null)<p class="mt-2">@include('exchange.sending.ways', ['to' =>
            route('sendings.citation', $title, false), 'ways' => [Way::Mail, Way::Folder]])</p>@endif</x-layout>
@endif
