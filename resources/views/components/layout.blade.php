@props(['title' => null, 'on' => null])
@php
    $scheme = in_array(request()->cookie('scheme'), ['light', 'dark'], true) ? request()->cookie('scheme') : 'system';
@endphp
<!doctype html>
<html lang="{{ app()->getLocale() }}" data-scheme="{{ $scheme }}" @if ($current->person?->ask_on_mobile !== null)
    data-ask-on-mobile="{{ implode(' ', $current->person->ask_on_mobile) }}" @endif>
<x-head :title="$title" />
<body>
    <x-lending.lamps />
    <a class="skip" href="#main">{{ __('common.skip') }}</a>
    <x-header :on="$on" :unread="$head->unread ?? 0" />
    <main id="main" tabindex="-1" class="mx-auto max-w-[1280px] px-4 md:px-7 pt-4 pb-24 focus:outline-none">
        <div id="said" role="status" class="empty:hidden">@if (session('said') || session('refusal'))<x-said
            :said="session('said')" :message="session('refusal')" :undo="session('undo')" />@endif</div>
        <x-another-library />
        {{ $slot }}
    </main>
    <aside id="help-beside" data-opener="open-help" aria-label="{{ __('help.heading') }}"></aside>
    <x-account.leaving />
    <x-footer :scheme="$scheme" :about="mb_substr(trim(($title ?? '').' '.request()->getRequestUri()), 0, 300)" />
    <x-keys />
    <x-lending.current-loan :head="$head" :on="$on" />
</body>
</html>
