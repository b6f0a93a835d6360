<?php

declare(strict_types=1);

arch('the core knows no framework and no shell')
    ->expect('Hollin\Core')
    ->not->toUse(['Illuminate', 'Laravel', 'App', 'Symfony', 'Database']);

arch('the core has no clock, no randomness, no output of its own')
    ->expect([
        'time',
        'microtime',
        'date',
        'rand',
        'mt_rand',
        'random_int',
        'dd',
        'dump',
        'var_dump',
        'print_r',
        'file_get_contents',
    ])
    ->not->toBeUsedIn('Hollin\Core');

arch('strict types everywhere')
    ->expect(['Hollin\Core', 'App'])
    ->toUseStrictTypes();

arch('rules are final')->expect('Hollin\Core\Rules')->classes()->toBeFinal();

/*
 * The rooms of the core and their arrows: Reference; Network on it; Components compile to the network;
 * nothing that reasons (States, Solve, Operation, Sizing, Rules, Answers, Wall) knows a component.
 */
$components = ['Battery', 'Conversion', 'Panels', 'Supply', 'Switching'];

arch('nothing above the network knows a component')
    ->expect([
        ...array_map(fn(string $family): string => "Hollin\\Core\\Components\\{$family}", $components),
        'Hollin\Core\Components\Component',
    ])
    ->not->toBeUsedIn([
        'Hollin\Core\Network',
        'Hollin\Core\Reference',
        'Hollin\Core\States',
        'Hollin\Core\Solve',
        'Hollin\Core\Operation',
        'Hollin\Core\Sizing',
        'Hollin\Core\Rules',
        'Hollin\Core\Answers',
        'Hollin\Core\Wall',
    ]);

arch('the network stands on the reference tables alone')
    ->expect('Hollin\Core\Network')
    ->toOnlyUse(['Hollin\Core\Network', 'Hollin\Core\Reference']);

arch('the reference tables stand on nothing')
    ->expect('Hollin\Core\Reference')
    ->toOnlyUse(['Hollin\Core\Reference']);

arch('states know the network, not who solves or judges them')
    ->expect('Hollin\Core\States')
    ->not->toUse([
        'Hollin\Core\Solve',
        'Hollin\Core\Operation',
        'Hollin\Core\Rules',
        'Hollin\Core\Sizing',
        'Hollin\Core\Answers',
        'Hollin\Core\Job',
    ]);

arch('the solver knows network and states only')
    ->expect('Hollin\Core\Solve')
    ->not->toUse([
        'Hollin\Core\Operation',
        'Hollin\Core\Rules',
        'Hollin\Core\Sizing',
        'Hollin\Core\Answers',
        'Hollin\Core\Job',
        'Hollin\Core\Plan',
    ]);

arch('sizing is asked by the rules and knows none of them')
    ->expect('Hollin\Core\Sizing')
    ->not->toUse(['Hollin\Core\Rules', 'Hollin\Core\Answers', 'Hollin\Core\Wall', 'Hollin\Core\Plan']);

arch('operation stands between solving and judging')
    ->expect('Hollin\Core\Operation')
    ->not->toUse([
        'Hollin\Core\Rules',
        'Hollin\Core\Answers',
        'Hollin\Core\Job',
        'Hollin\Core\Plan',
        'Hollin\Core\Components',
    ]);

it('takes no id apart where it reasons', function (): void {
    $taken = [];
    foreach (['States', 'Solve', 'Operation', 'Sizing', 'Rules'] as $room) {
        foreach (glob(dirname(__DIR__, 2) . "/core/src/{$room}/*.php") ?: [] as $file) {
            $text = (string) file_get_contents($file);
            if (
                preg_match("/explode\\('\\.'|str_ends_with\\(|substr\\(\\$(id|component|element|demand)/", $text) === 1
            ) {
                $taken[] = basename($file);
            }
        }
    }
    expect($taken)->toBe([]);
});

it('has rooms without circles', function (): void {
    $uses = [];
    foreach (
        new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2) . '/core/src'))
        as $file
    ) {
        if ($file->getExtension() !== 'php') {
            continue;
        }
        $room = explode('/', explode('/core/src/', $file->getPathname())[1])[0];
        preg_match_all('/Hollin\\\\Core\\\\(\w+)\\\\/', (string) file_get_contents($file->getPathname()), $found);
        foreach (array_diff(array_unique($found[1]), [$room]) as $other) {
            $uses[$room][$other] = true;
        }
    }
    // Taken away from below, room by room: what is left when nothing more can be taken stands in a circle.
    do {
        $free = array_filter(array_keys($uses), fn(string $r): bool => array_intersect_key($uses[$r], $uses) === []);
        $uses = array_diff_key($uses, array_flip($free));
    } while ($free !== []);
    expect(array_keys($uses))->toBe([]);
});
