<?php

/*
 * Originals and deliveries lie on the disk "works": a local folder, or any S3-compatible store once its driver package
 * is installed and AWNING_DISK says s3.
 */
return [
    'default' => 'works',
    'disks' => [
        // The framework's own, whose files it would serve.
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'serve' => false],
        'works' => env('AWNING_DISK', 'local') === 's3' ? [
            'driver' => 's3',
            'key' => env('AWS_ACCESS_KEY_ID'),
            'secret' => env('AWS_SECRET_ACCESS_KEY'),
            'region' => env('AWS_DEFAULT_REGION'),
            'bucket' => env('AWS_BUCKET'),
            'endpoint' => env('AWS_ENDPOINT'),
            'throw' => true,
        ] : [
            'driver' => 'local',
            'root' => env('AWNING_WORKS', base_path('var/works')),
            'throw' => true,
        ],
    ],
];
