<x-layout :title="__('help.tour')">
    <p class="mb-1 text-[15px]"><a class="link" href="{{ route('help', [], false) }}">{{ __('help.all') }}</a></p>
    <h1 class="text-3xl mb-1">{{ __('help.tour') }}</h1>
    <p class="mb-4">{{ __('help.tour_text') }}</p>
    <x-account.tour />
</x-layout>
