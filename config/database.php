<?php

declare(strict_types=1);

return [
    'default' => 'pgsql',
    'connections' => [
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'figporch'),
            'username' => env('DB_USERNAME', 'figporch'),
            'password' => env('DB_PASSWORD', ''),
            'sslmode' => 'prefer',
            // Persistent connections leave nothing behind but plans (RememberedPlans): no session-level SET, no open
            // transaction. Unprepared statements still send their parameters apart, in one round trip instead of two.
            'options' => [
                PDO::ATTR_PERSISTENT => (bool) env('DB_PERSISTENT', true),
                PDO::PGSQL_ATTR_DISABLE_PREPARES => true,
            ],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
