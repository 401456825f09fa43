<x-desk.layout :title="$import->name" on="files" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="/desk/files">{{ __('desk.files') }}</a> › <a class="link"
        href="{{ route('desk.records.files', absolute: false) }}">{{ __('record_import.title') }}</a></p>
    <h1 class="text-3xl mb-4"><bdi>{{ $import->name }}</bdi></h1>
    <div id="file">@include('desk.record-import.progress')</div>
</x-desk.layout>
