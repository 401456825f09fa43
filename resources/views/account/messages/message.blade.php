@php($text = $message->in(app()->getLocale()))
<x-layout :title="$text['title']">
    <article lang="{{ $message->language(app()->getLocale()) }}" class="max-w-[75ch]">
        <p class="meta">{{ $message->library->name }}</p>
        <h1 class="text-3xl mb-3">{{ $text['title'] }}</h1>
        <div class="prose-small">{{ App\Account\Messages\MessageText::html($text['text'], 2) }}</div>
    </article>
</x-layout>
