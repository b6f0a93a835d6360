<?php

declare(strict_types=1);

return [
    'default' => 'local',
    'disks' => [
        'local' => ['driver' => 'local', 'root' => storage_path('app/private'), 'throw' => true],
        // Any object store that speaks the S3 protocol.
        'object-store' => [
            'driver' => 's3',
            'endpoint' => env('HOLLIN_STORE_ENDPOINT'),
            'bucket' => env('HOLLIN_STORE_BUCKET', 'hollin'),
            'region' => env('HOLLIN_STORE_REGION', 'local'),
            'key' => env('HOLLIN_STORE_KEY'),
            'secret' => env('HOLLIN_STORE_SECRET'),
            'use_path_style_endpoint' => env('HOLLIN_STORE_PATH_STYLE', true),
            // What is private stays so by the bucket's own rules; asking object by object costs a request each.
            'retain_visibility' => false,
            'http' => ['connect_timeout' => 3, 'timeout' => 20],
            'retries' => 2,
            'throw' => true,
        ],
    ],
];
