<x-layout :title="__('lending.borrow').': '.$title->name" on="catalogue">
    <div class="max-w-xl mx-auto mt-4 flex gap-5">
        {{ App\Shared\View\Covers\Cover::html($title, 96, decorative: true) }}
        <div class="flex-1">
            <h1 class="text-3xl mb-1">{{ App\Shared\View\TitleText::name($title) }}</h1>
            <p class="mb-3">{{ App\Shared\View\TitleText::people($title) }}</p>
            @include('lending.borrowing.borrow-panel')
        </div>
    </div>
</x-layout>
