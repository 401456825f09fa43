<!doctype html>
<html lang="{{ app()->getLocale() }}" data-scheme="system">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>{{ __('offline.heading') }} · Fig Porch</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    <link rel="manifest" href="/manifest.webmanifest">
    @vite(['resources/css/app.css', 'resources/js/reading/offline/list.js'])
    <script type="application/json" id="offline-texts">{!! json_encode(__('offline.texts'), JSON_HEX_TAG | JSON_HEX_AMP
        | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR) !!}</script>
</head>
<body>
    <main class="mx-auto max-w-[760px] px-4 py-6">
        <p class="mb-4"><a class="link" href="/porch"><span aria-hidden="true">←</span> {{ __('common.porch') }}</a> ·
            <a class="link" href="/loans">{{ __('common.loans') }}</a></p>
        <h1 id="heading" tabindex="-1" class="text-3xl mb-2 focus:outline-none">{{ __('offline.heading') }}</h1>
        <p id="no-network" class="panel px-4 py-3 mb-4" role="status" hidden>{{ __('offline.no_network') }}</p>
        <p class="mb-4 max-w-[60ch]">{{ __('offline.intro') }}</p>
        <p id="no-scripts">{{ __('offline.no_scripts') }}</p>
        <p id="nothing" class="panel px-4 py-3" hidden>{{ __('offline.nothing') }}</p>
        <ul id="list" class="device-list"></ul>
        <p id="room" class="meta mt-3"></p>
        <section id="cards" class="mt-8" aria-labelledby="cards-heading" hidden><h2 id="cards-heading" class="text-2xl
            mb-2">{{ __('offline.cards') }}</h2><ul class="grid gap-4"></ul></section>
        <div id="saver" class="mt-8 border-t border-rule pt-4" hidden>
            <label class="flex items-start gap-3"><input type="checkbox" id="data-saver"
                class="mt-1 accent-shutter w-5 h-5" aria-describedby="saver-text"><span
                class="font-semibold">{{ __('offline.data_saver') }}</span></label>
            <p id="saver-text" class="meta mt-1 ml-8 max-w-[56ch]">{{ __('offline.data_saver_text') }}</p>
        </div>
    </main>
</body>
</html>
