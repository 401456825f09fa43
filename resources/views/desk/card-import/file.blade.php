<x-desk.layout :title="$import->name" on="patrons" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/patrons">{{ __('desk.patrons') }}</a> › <a class="link"
        href="{{ route('desk.patrons.files') }}">{{ __('card_import.title') }}</a></p>
    <h1 class="text-3xl mb-4"><bdi>{{ $import->name }}</bdi></h1>
    <div id="file">@include('desk.card-import.progress')</div>
</x-desk.layout>
