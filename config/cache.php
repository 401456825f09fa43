<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'database'),
    'prefix' => 'fig-porch:',
];
