<?php

declare(strict_types=1);

// Files of publications are sent by controllers that have looked at the loan; the framework serves none by itself.
return [
    'default' => 'local',
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false, 'throw' => true],
    ],
];
