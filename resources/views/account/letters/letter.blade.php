<x-layout :title="__('letters.heading')">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('letters.index', [], false) }}">{{ __('letters.mine')
        }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('letters.letter_to', ['library' => $letter->library->name]) }}</h1>
    <p class="meta mb-4">@if ($letter->about !== ''){{ __('letters.about') }}: {{ $letter->about }} · @endif{{
        __($letter->waits ? 'letters.waits' : 'letters.answered_state') }}</p>
    <x-account.letter-parts :letter="$letter" />
    <form method="post" action="{{ route('letters.go_on', $letter, false) }}" class="max-w-3xl grid gap-3">@csrf
        <x-account.letter-text :label="__('letters.answer_to')" />
        <div><button class="btn">{{ __('letters.send') }}</button></div></form>
</x-layout>
