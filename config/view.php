<?php

declare(strict_types=1);

return [
    // Compiled when the application starts: no page looks whether a view is newer.
    'check_cache_timestamps' => env('APP_ENV', 'production') !== 'production',
];
