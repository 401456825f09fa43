@props(['title' => null])
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csrf-token" content="{{ csrf_token() }}">
    <meta name="color-scheme" content="light dark">
    <title>{{ $title === null ? 'Fig Porch' : $title.' · Fig Porch' }}</title>
    <link rel="icon" href="/icon.svg" type="image/svg+xml">
    <link rel="apple-touch-icon" href="/icons/apple.png">
    <link rel="manifest" href="/manifest.webmanifest">
    <meta name="theme-color" content="{{ $current->library?->roof_colour ?? '#1f4b56' }}">
    @vite(['resources/css/app.css', 'resources/js/app.js'])
    @if (($look = $current->library?->look()) !== null)<link rel="stylesheet" href="{{ route('look.css',
        [$current->library, App\Catalogue\FrontDoor\LookController::hash($look->css())], false) }}">@endif
    @stack('head')
</head>
