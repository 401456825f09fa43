@use('App\Shared\View\Dates')
<x-layout :title="__('account.my_card')" on="settings">
    <p class="mb-2"><a class="link" href="/settings">{{ __('common.settings') }}</a></p>
    <x-lending.card-states :cards="[$card]" />
    <section class="bg-[#fff] text-[#111] rounded-panel border border-rule p-5 max-w-xl mx-auto grid gap-3
        justify-items-center text-center" aria-labelledby="my-card" data-card data-id="{{ $card->id }}"
        data-library="{{ $card->library->name }}" data-name="{{ $card->person->name }}"
        data-number="{{ $card->number }}" data-kept="{{ __('offline.card_kept') }}"
        data-gone="{{ __('offline.card_gone') }}" data-failed="{{ __('offline.card_failed') }}">
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
        @unless (App\Account\SignIn\SessionLimit::of(session()->driver()) === FigPorch\Core\Account\Stay::Shared)
            <button type="button" class="btn btn-quiet text-[#111]!" data-keep hidden>{{ __('offline.keep_card')
                }}</button><button type="button" class="btn btn-plain text-[#111]!" data-forget hidden>{{
                __('offline.forget_card') }}</button><p role="status" class="min-h-6"></p>@endunless
    </section>
</x-layout>
