<!doctype html>
<html lang="{{ $title->language ?? app()->getLocale() }}">
<head>
    <meta charset="utf-8">
    <title>{{ $title->name }}</title>
    <style>
        @page { margin: 22mm 20mm; }
        body { font-family: "DejaVu Serif", serif; font-size: 10.5pt; line-height: 1.45; color: #22292f; }
        img { max-width: 100%; }
        table { border-collapse: collapse; }
        td, th { border: 0.5pt solid #888; padding: 2pt 4pt; text-align: left; }
        .meta { font-size: 8.5pt; color: #5b6166; }
        footer { border-top: 0.5pt solid #888; margin-top: 18pt; padding-top: 6pt; }
    </style>
</head>
<body>
    <p class="meta">{{ App\Shared\View\TitleText::name($title) }} · {{ trans_choice('pages.pages_shown', $to - $from +
        1, ['first' => $first,
        'last' => $last]) }}</p>
    {!! $html !!}
    <footer class="meta">{{ $citation }}</footer>
</body>
</html>
