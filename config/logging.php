<?php

use App\Providers\ShortLines;
use Monolog\Handler\NullHandler;

return [
    'default' => env('LOG_CHANNEL', 'awning'),
    'channels' => [
        // A log that cannot be written must not turn an answer into an error.
        'awning' => ['driver' => 'stack', 'channels' => ['daily'], 'ignore_exceptions' => true],
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/awning.log'),
            'level' => env('LOG_LEVEL', 'debug'),
            'days' => 14,
            'permission' => 0600,
            'tap' => [ShortLines::class],
        ],
        'null' => ['driver' => 'monolog', 'handler' => NullHandler::class],
        'emergency' => ['path' => storage_path('logs/awning.log')],
    ],
];
