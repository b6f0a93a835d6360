<?php

declare(strict_types=1);

return [
    'default' => 'pgsql',
    'connections' => [
        'pgsql' => [
            'driver' => 'pgsql',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '5432'),
            'database' => env('DB_DATABASE', 'hollin'),
            'username' => env('DB_USERNAME', 'hollin'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8',
            'prefix' => '',
            'search_path' => 'public',
            'sslmode' => 'prefer',
            'timezone' => 'UTC',
            // A kept connection more than doubles the requests per second; workers are few.
            // One that does not answer is given up after so many seconds.
            'options' => extension_loaded('pdo_pgsql')
                ? [PDO::ATTR_TIMEOUT => 5] + (env('DB_PERSISTENT', true) ? [PDO::ATTR_PERSISTENT => true] : [])
                : [],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
