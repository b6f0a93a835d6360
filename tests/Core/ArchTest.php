<?php

declare(strict_types=1);

arch('the core knows no framework and no shell')
    ->expect('Hollin\Core')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Symfony', 'Database']);

arch('the core has no clock, no randomness, no output of its own')
    ->expect(['time', 'microtime', 'date', 'rand', 'mt_rand', 'random_int', 'dd', 'dump', 'var_dump', 'print_r', 'file_get_contents'])
    ->not->toBeUsedIn('Hollin\Core');

arch('strict types everywhere')->expect(['Hollin\Core', 'App'])->toUseStrictTypes();

arch('rules are final')->expect('Hollin\Core\Rules')->classes()->toBeFinal();
