<x-desk.layout :title="$heading" :staff="$staff">
    <article class="max-w-[75ch]"><h1 class="text-3xl mb-3">{{ $heading }}</h1><div class="prose-small">{{ $text
        }}</div></article>
</x-desk.layout>
