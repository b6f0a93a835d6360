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
            'options' =>
                extension_loaded('pdo_pgsql') && env('DB_PERSISTENT', true) ? [PDO::ATTR_PERSISTENT => true] : [],
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => true],
];
