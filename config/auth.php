<?php

declare(strict_types=1);

return [
    'defaults' => ['guard' => 'web', 'passwords' => null],
    'guards' => [
        'web' => ['driver' => 'session', 'provider' => 'people'],
        'staff' => ['driver' => 'session', 'provider' => 'staff'],
    ],
    'providers' => [
        'people' => ['driver' => 'eloquent', 'model' => App\Models\Person::class],
        'staff' => ['driver' => 'eloquent', 'model' => App\Models\StaffMember::class],
    ],
    'passwords' => [],
];
