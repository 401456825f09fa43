<x-layout :title="$heading">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('help', [], false) }}">{{ __('help.all') }}</a></p>
    <article class="max-w-[75ch]"><h1 class="text-3xl mb-3">{{ $heading }}</h1><div class="prose-small">{{ $text
        }}</div></article>
</x-layout>
