<?php

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'jobs',
            'queue' => 'quick',
            // Longer than any job may run (NextTask::$timeout), or two workers would do the same one.
            'retry_after' => 660,
            'after_commit' => false,
        ],
        'redis' => [
            'driver' => 'redis',
            'connection' => 'default',
            'queue' => 'quick',
            'retry_after' => 660,
            'block_for' => null,
            // Here the job is not part of the transaction: it must not start before the task is there.
            'after_commit' => true,
        ],
    ],
    // What ended in an error of ours, with the error: php artisan queue:failed
    'failed' => ['driver' => 'database-uuids', 'database' => env('DB_CONNECTION', 'mariadb'), 'table' => 'failed_jobs'],
];
