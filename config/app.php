<?php

declare(strict_types=1);

return [
    'name' => 'Fig Porch',
    'env' => env('APP_ENV', 'production'),
    'debug' => (bool) env('APP_DEBUG', false),
    'url' => env('APP_URL', 'http://127.0.0.1:8080'),
    'key' => env('APP_KEY'),
    'timezone' => 'UTC',
    'locale' => 'en',
    'fallback_locale' => 'en',
    'locales' => ['en' => 'English', 'es' => 'Español'],
];
