<x-layout :title="__('prepared.heading')" on="loans">
    @if ($file->ready_at === null && $file->failed_at === null)<noscript><meta http-equiv="refresh"
        content="3"></noscript>@endif
    <h1 class="text-3xl">{{ __('prepared.heading') }}</h1>
    <p class="mb-5">{{ App\Shared\View\TitleText::name($loan->title) }} · {{ str_starts_with($file->kind, 'pages ') ?
        __('prepared.of.pages', array_combine(['from', 'to'], explode('-', substr($file->kind, 6)))) :
        __("prepared.of.{$file->kind}") }}</p>
    <div id="prepared" class="max-w-[60ch]">@include('reading.prepared.state')</div>
    <p class="mt-5"><a class="link" href="{{ route('loans.index', absolute: false) }}">{{ __('prepared.to_loans')
        }}</a></p>
</x-layout>
