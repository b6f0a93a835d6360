<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'database'),
    'stores' => [
        'array' => ['driver' => 'array', 'serialize' => false],
        'database' => [
            'driver' => 'database',
            'connection' => null,
            'table' => 'cache',
            'lock_connection' => null,
            'lock_table' => 'cache_locks',
        ],
        // Answers are keyed by a hash of what they were computed from: shared memory is enough, a restart computes them
        // again.
        'answers' => ['driver' => env('HOLLIN_ANSWERS', 'apc')],
    ],
    'prefix' => 'hollin-',
];
