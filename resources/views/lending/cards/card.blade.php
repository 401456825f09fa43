@use('App\Shared\View\Dates')
<x-layout :title="__('account.my_card')" on="settings">
    <p class="mb-2"><a class="link" href="/settings">{{ __('common.settings') }}</a></p>
    <x-lending.card-states :cards="[$card]" />
    <section class="bg-[#fff] text-[#111] rounded-panel border border-rule p-5 max-w-xl mx-auto grid gap-3
        justify-items-center text-center" aria-labelledby="my-card">
        @if ($card->library->logo !== null)<img src="{{ route('look.logo', $card->library->logo, false) }}" alt=""
            class="h-12 w-auto">@endif
        <h1 id="my-card" class="text-2xl">{{ $card->library->name }}</h1>
        <p class="text-xl"><bdi>{{ $card->person->name }}</bdi></p>
        <canvas data-symbology="{{ $symbology->value }}" data-text="{{ $text }}" class="max-w-full h-auto" role="img"
            aria-label="{{ __('account.barcode_of', ['number' => $card->number]) }}"></canvas>
        <p class="text-2xl tabular-nums tracking-wider"><bdi>{{ $card->number }}</bdi></p>
        @if ($card->blocked_at !== null)<p class="font-semibold">{{ __('account.card_blocked') }}</p>
        @elseif ($card->expires_at !== null)<p>{{ __($card->expires_at > now() ? 'account.card_until' :
            'account.card_ended', ['date' => Dates::day($card->expires_at, $card->library->zone())]) }}</p>@endif
    </section>
</x-layout>
