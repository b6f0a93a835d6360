<?php

declare(strict_types=1);

/*
 * Loaded once when PHP-FPM starts: the classes every request needs are linked then and not again
 * in each request.
 */

$rooms = [
    'Hollin\\Core\\',
    'App\\',
    'Opis\\JsonSchema\\',
    'Opis\\Uri\\',
    'Swaggest\\JsonDiff\\',
    'Illuminate\\Auth\\',
    'Illuminate\\Cache\\',
    'Illuminate\\Config\\',
    'Illuminate\\Container\\',
    'Illuminate\\Contracts\\',
    'Illuminate\\Cookie\\',
    'Illuminate\\Database\\Eloquent\\',
    'Illuminate\\Database\\Query\\',
    'Illuminate\\Encryption\\',
    'Illuminate\\Events\\',
    'Illuminate\\Foundation\\Http\\',
    'Illuminate\\Foundation\\Bootstrap\\',
    'Illuminate\\Http\\',
    'Illuminate\\Pipeline\\',
    'Illuminate\\Routing\\',
    'Illuminate\\Session\\',
    'Illuminate\\Support\\',
    'Illuminate\\Validation\\',
    'Illuminate\\View\\',
    'Symfony\\Component\\HttpFoundation\\',
    'Symfony\\Component\\Routing\\',
    'Carbon\\',
];
$skip = ['\\Console\\', '\\Testing\\', '\\PHPStan\\', 'Carbon\\Doctrine', 'Carbon\\Lang', 'Carbon\\Cli'];

foreach (require __DIR__ . '/../vendor/composer/autoload_classmap.php' as $class => $file) {
    $wanted =
        array_filter($rooms, fn(string $room): bool => str_starts_with($class, $room)) !== [] &&
        array_filter($skip, fn(string $part): bool => str_contains($class, $part)) === [];
    if ($wanted) {
        // Compiled, not run: what misses a parent is left out with a note in the log.
        @opcache_compile_file($file);
    }
}
