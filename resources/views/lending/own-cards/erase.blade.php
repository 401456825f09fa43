<x-layout :title="__('own_cards.erase')" on="settings">
    <div class="max-w-2xl mx-auto">
        <p class="mb-1 text-[15px]"><a class="link" href="/settings">{{ __('common.settings') }}</a></p>
        <h1 class="text-3xl mb-3">{{ __('own_cards.erase') }}</h1>
        <ul class="list-disc pl-5 mb-3">@foreach ($cards as $card)<li>{{ $card->library->name }}: <span
            class="tabular-nums">{{ $card->number }}</span></li>@endforeach</ul>
        <p class="mb-3">{{ __('own_cards.erase_text') }}</p>
        <p class="mb-3">{{ __('own_cards.erase_keeps') }}</p>
        <p class="mb-5"><a class="btn btn-quiet" href="{{ route('kept.take', [], false) }}">{{
            __('own_cards.take_first') }}</a></p>
        <form method="post" action="{{ route('own_cards.erase', [], false) }}" class="panel p-5 grid gap-4">@csrf
            <x-desk.field name="word" :max="20" :label="__('own_cards.type_word', ['word' => __('own_cards.word')])"
                autocomplete="off" />
            <div><button class="btn">{{ __('own_cards.erase_now') }}</button></div>
        </form>
    </div>
</x-layout>
