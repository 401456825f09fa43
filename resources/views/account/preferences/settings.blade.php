@php($sections = ['cards' => trans_choice('preferences.your_cards', $cards->count()), 'borrowing' =>
    __('preferences.borrowing'), 'reading' => __('preferences.reading'), 'notices' => __('common.notices'), 'privacy' =>
    __('preferences.privacy'), 'sending' => __('sending.heading'), 'protected' => __('lcp.heading'), 'devices' =>
    __('preferences.devices')])
<x-layout :title="__('common.settings')" on="settings">
    <h1 class="text-3xl mb-3">{{ __('common.settings') }}</h1>
    <nav aria-label="{{ __('common.settings') }}" class="flex flex-wrap gap-x-5 gap-y-1 mb-6 text-[15px]">
        @foreach ($sections as $id => $words)<a class="link py-1" href="#{{ $id }}">{{ $words }}</a>@endforeach
    </nav>
    <div class="grid lg:grid-cols-2 gap-x-10 gap-y-9" data-settings data-saved="{{ __('preferences.saved') }}"
        data-undone="{{ __('preferences.undone') }}" data-undo="{{ __('common.undo') }}"
        data-failed="{{ __('preferences.failed') }}">
        <section aria-labelledby="cards">
            <h2 id="cards" class="text-2xl mb-3">{{ $sections['cards'] }}</h2>
            @include('lending.own-cards.own-cards')
            <div class="mt-3">@include('account.sign-in.change-pin')</div>
            <p class="mt-3 flex flex-wrap gap-x-5"><a class="link" href="{{ route('classes.index', absolute: false)
                }}">{{ __('classes.heading') }}</a><a class="link" href="{{ route('letters.index', absolute: false)
                }}">{{ __('letters.mine') }}</a><a class="link" href="{{ route('household', absolute: false) }}">{{
                __('household.heading') }}</a></p>
        </section>
        <section aria-labelledby="notices">
            <h2 id="notices" class="text-2xl mb-1">{{ $sections['notices'] }}</h2>
            @include('account.notices.choose')
        </section>
        <section aria-labelledby="borrowing" class="grid gap-6 content-start">
            <h2 id="borrowing" class="text-2xl -mb-3">{{ $sections['borrowing'] }}</h2>
            @include('lending.loan-rules.lengths')
            <section aria-labelledby="calendar">
                <h3 id="calendar" class="text-xl mb-1">{{ __('preferences.calendar') }}</h3>
                <p class="mb-2">{{ __('preferences.calendar_text') }}</p>
                @if ($calendar !== null)<p class="panel px-4 py-3 mb-3 break-all"><a class="link"
                    href="{{ $calendar }}">{{ $calendar }}</a></p>@endif
                <form method="post" action="/settings/calendar">@csrf<button
                    class="btn btn-quiet">{{ __($calendar === null ? 'account.calendar_make' : 'account.calendar_renew')
                    }}</button></form>
            </section>
        </section>
        <section aria-labelledby="reading">
            <h2 id="reading" class="text-2xl mb-1">{{ $sections['reading'] }}</h2>
            @include('reading.appearance.defaults')
            @include('reading.offline.mobile-data')
        </section>
        <section aria-labelledby="privacy" class="grid gap-6 content-start">
            <h2 id="privacy" class="text-2xl -mb-3">{{ $sections['privacy'] }}</h2>
            @include('account.privacy.history')
            <section aria-labelledby="kept">
                <h3 id="kept" class="text-xl mb-1">{{ __('privacy.heading') }}</h3>
                <p class="mb-2">{{ __('privacy.text') }}</p>
                <p class="flex flex-wrap gap-3"><a class="btn btn-quiet" href="{{ route('kept', [], false) }}">{{
                    __('privacy.see') }}</a><a class="btn btn-quiet" href="{{ route('kept.take', [], false) }}">{{
                    __('privacy.take') }}</a></p>
            </section>
            <p><a class="link text-clay" href="{{ route('own_cards.erasing', [], false) }}">{{
                __('own_cards.erase') }}</a></p>
        </section>
        <section aria-labelledby="sending" class="grid gap-6 content-start">
            <h2 id="sending" class="text-2xl -mb-3">{{ $sections['sending'] }}</h2>
            @include('exchange.sending.places')
        </section>
        <section aria-labelledby="protected">
            <h2 id="protected" class="text-2xl mb-1">{{ $sections['protected'] }}</h2>
            @include('exchange.lcp.passphrase')
        </section>
        <section aria-labelledby="devices" class="grid gap-6 content-start">
            <h2 id="devices" class="text-2xl -mb-3">{{ $sections['devices'] }}</h2>
            @include('account.devices.signed-in')
            @include('exchange.opds.addresses')
            @include('exchange.push.devices')
        </section>
    </div>
</x-layout>
