<x-layout :title="__('reader.no_file_heading')" on="loans">
    <div class="panel p-7 max-w-xl mx-auto mt-8">
        <h1 class="text-3xl mb-2">{{ __('reader.no_file_heading') }}</h1>
        <p class="mb-5">{{ __('reader.no_file_text', ['name' => $loan->title->name]) }}</p>
        <form method="post" action="{{ route('loans.return', $loan, false) }}">@csrf<button
            class="btn">{{ __('lending.return') }}</button></form>
    </div>
</x-layout>
