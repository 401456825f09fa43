@use('App\Shared\View\TitleText')
<x-desk.layout :title="__('files.of_title', ['name' => $title->name])" on="files" :staff="$staff">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('desk.title', $title) }}">{{
        __('files.back_to_title') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('files.of_title', ['name' => $title->name]) }}</h1>
    <p class="meta mb-2">{{ implode(' · ', array_filter([TitleText::people($title), TitleText::format($title),
        ])) }}</p>
    <p class="mb-4 max-w-[70ch]">{{ __($title->opens() ? 'files.of_title_again' : 'files.of_title_text') }}</p>
    <form method="post" action="{{ route('desk.title.file.take', $title) }}" class="panel p-5 grid gap-4 max-w-xl"
        data-upload data-waits="{{ __('files.waits') }}" data-sent="{{ __('files.sent') }}"
        data-failed="{{ __('files.failed') }}">
        @csrf
        <div class="grid gap-1 min-w-0"><label for="files" class="font-semibold">{{ __('files.file') }}</label><input
            id="files" type="file" required class="field min-w-0 w-full"></div>
        <input type="hidden" name="uploads" value="">
        <ul data-progress class="grid gap-2 text-[15px] upload-progress" aria-live="polite"></ul>
        <noscript><p class="text-clay font-semibold">{{ __('files.needs_script') }}</p></noscript>
        <div><button class="btn">{{ __('files.send_one') }}</button></div>
    </form>
</x-desk.layout>
