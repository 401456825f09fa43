<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        // On the lending database itself: a job queued in a transaction exists exactly if what it tells of happened.
        'database' => [
            'driver' => 'database',
            'connection' => 'pgsql',
            'table' => 'jobs',
            'queue' => 'default',
            'retry_after' => 90,
            'after_commit' => false,
        ],
        // What takes minutes: files that staff send. It has a worker of its own, so that mail does not wait for it.
        'imports' => [
            'driver' => 'database',
            'connection' => 'pgsql',
            'table' => 'jobs',
            'queue' => 'imports',
            // Short, so that what a killed worker was at begins again soon; its one worker takes nothing up twice.
            'retry_after' => 60,
            'after_commit' => false,
        ],
        // Files that a patron asks for and that take more than a moment: downloads of films, many pages as PDF.
        'files' => [
            'driver' => 'database',
            'connection' => 'pgsql',
            'table' => 'jobs',
            'queue' => 'files',
            'retry_after' => 60,
            'after_commit' => false,
        ],
        // What goes to places that are not ours, which may let one wait.
        'sendings' => [
            'driver' => 'database',
            'connection' => 'pgsql',
            'table' => 'jobs',
            'queue' => 'sendings',
            'retry_after' => 60,
            'after_commit' => false,
        ],
    ],
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
