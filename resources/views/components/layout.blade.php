@props(['title' => null, 'on' => null])
@php
    $scheme = in_array(request()->cookie('scheme'), ['light', 'dark'], true) ? request()->cookie('scheme') : 'system';
    $unread = $current->unreadNotices();
@endphp
<!doctype html>
<html lang="{{ app()->getLocale() }}" data-scheme="{{ $scheme }}">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <meta name="color-scheme" content="light dark">
    <title>{{ $title === null ? 'Fig Porch' : $title.' · Fig Porch' }}</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
</head>
<body>
    <x-lamps />
    <a class="skip" href="#main">{{ __('common.skip') }}</a>
    <x-header :on="$on" :unread="$unread" />
    <main id="main" tabindex="-1" class="mx-auto max-w-[1280px] px-4 md:px-7 pt-4 pb-24 focus:outline-none">
        <div id="said" role="status" class="empty:hidden">@if (session('said') || session('refusal'))<x-said :said="session('said')" :message="session('refusal')" :undo="session('undo')" />@endif</div>
        {{ $slot }}
    </main>
    <x-footer :scheme="$scheme" />
    <x-current-loan :on="$on" />
</body>
</html>
