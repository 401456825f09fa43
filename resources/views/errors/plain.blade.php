{{-- Of itself alone: what a page usually shows may be what cannot be had. --}}
<!doctype html>
<html lang="{{ app()->getLocale() }}" data-scheme="system">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>{{ $heading }} · Fig Porch</title>
    @vite(['resources/css/app.css'])
</head>
<body>
<main class="max-w-xl mx-auto px-4 pt-16">
    <h1 class="text-3xl mb-2">{{ $heading }}</h1>
    <p class="mb-5">{{ $text }}</p>
    <a class="btn" href="{{ $to }}">{{ $button }}</a>
</main>
</body>
</html>
