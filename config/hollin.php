<?php

declare(strict_types=1);

return [
    // The browser that prints plan sheets.
    'chromium' => env('HOLLIN_CHROMIUM', '/usr/bin/chromium'),
    // Where that browser reaches this application: always this machine.
    'loopback' => env('HOLLIN_LOOPBACK', env('APP_URL', 'http://127.0.0.1:8000')),
    // Disk of the framework that keeps photographs and papers: local, or an object store.
    'disk' => env('HOLLIN_DISK', 'local'),
    // What the photographs of one workshop may take, MB.
    'photo_mb' => (int) env('HOLLIN_PHOTO_MB', 4000),
    // What the demo people sign in with, where it is not the known one.
    'demo_password' => env('HOLLIN_DEMO_PASSWORD'),
    // Further names this application answers to, with commas.
    'hosts' => env('HOLLIN_HOSTS', ''),
    // Browsers are told to come by TLS alone from now on; not where the certificate is one of our own.
    'hsts' => (bool) env('HOLLIN_HSTS', true),
    // Tell each response's peak memory in a header, for the benchmark.
    'measure' => (bool) env('HOLLIN_MEASURE', false),
    // Longest a sheet may take to print, s.
    'print_seconds' => 60,
];
