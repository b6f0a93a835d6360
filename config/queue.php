<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'sync' => ['driver' => 'sync'],
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'queue_jobs',
            'queue' => 'default',
            'retry_after' => 180,
            'after_commit' => true,
        ],
    ],
    'batching' => ['database' => 'pgsql', 'table' => 'job_batches'],
    'failed' => ['driver' => 'database-uuids', 'database' => 'pgsql', 'table' => 'failed_jobs'],
];
