<?php

declare(strict_types=1);

// Argon2id cuts nothing off; what it costs is OWASP's least for it, from memory: 19 MiB, 2 rounds, 1 thread.
return [
    'driver' => 'argon2id',
    'argon' => [
        'memory' => (int) env('HOLLIN_ARGON_KIB', 19_456),
        'threads' => 1,
        'time' => 2,
        // Passwords from before are checked as they were hashed, and hashed anew at the next sign-in.
        'verify' => false,
    ],
    'bcrypt' => ['rounds' => 12, 'verify' => false],
    'rehash_on_login' => true,
];
