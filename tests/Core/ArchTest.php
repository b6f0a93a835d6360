<?php

declare(strict_types=1);

/*
 * Under `not`, a list of subjects, or of rooms, fails only when all are used: each law is asked of one subject in
 * one room at a time, and the last test shows that each can fail.
 */

/** What the core may not know, each with the word that stands for it. */
const STRANGERS = ['Illuminate', 'Laravel', 'App', 'Symfony', 'Database'];

/** What gives another answer each time it is asked, or answers somebody else. */
const MOODS = [
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
    'file_put_contents',
    'getenv',
];

foreach (STRANGERS as $stranger) {
    arch("the core does not know {$stranger}")
        ->expect('Hollin\Core')
        ->not->toUse($stranger);
}

foreach (MOODS as $mood) {
    // The factory layouts ship with the core as files of their own.
    arch("the core does not call {$mood}")
        ->expect($mood)
        ->not->toBeUsedIn('Hollin\Core')
        ->ignoring('Hollin\Core\Plan\Layouts');
}

arch('strict types everywhere')
    ->expect(['Hollin\Core', 'App'])
    ->toUseStrictTypes();

arch('rules are final')->expect('Hollin\Core\Rules')->classes()->toBeFinal();

/*
 * The rooms of the core and their arrows: Reference; Network on it; Components compile to the network;
 * nothing that reasons (States, Solve, Operation, Sizing, Rules, Answers, Wall) knows a component.
 */
const REASONS = ['Network', 'Reference', 'States', 'Solve', 'Operation', 'Sizing', 'Rules', 'Answers', 'Wall'];

/** @return list<string> families of components, and the component itself */
function componentNames(): array
{
    $families = glob(dirname(__DIR__, 2) . '/core/src/Components/*', GLOB_ONLYDIR) ?: [];

    return [
        ...array_map(fn(string $f): string => 'Hollin\Core\Components\\' . basename($f), $families),
        'Hollin\Core\Components\Component',
    ];
}

foreach (componentNames() as $component) {
    foreach (REASONS as $room) {
        arch("{$room} does not know " . basename(str_replace('\\', '/', $component)))
            ->expect($component)
            ->not->toBeUsedIn("Hollin\Core\\{$room}");
    }
}

arch('the network stands on the reference tables alone')
    ->expect('Hollin\Core\Network')
    ->toOnlyUse(['Hollin\Core\Network', 'Hollin\Core\Reference']);

arch('the reference tables stand on nothing')
    ->expect('Hollin\Core\Reference')
    ->toOnlyUse(['Hollin\Core\Reference']);

foreach (
    [
        'Hollin\Core\Solve',
        'Hollin\Core\Operation',
        'Hollin\Core\Rules',
        'Hollin\Core\Sizing',
        'Hollin\Core\Answers',
        'Hollin\Core\Job',
    ]
    as $room
) {
    arch("states know the network, not who solves or judges them: not {$room}")
        ->expect('Hollin\Core\States')
        ->not->toUse($room);
}

foreach (
    [
        'Hollin\Core\Operation',
        'Hollin\Core\Rules',
        'Hollin\Core\Sizing',
        'Hollin\Core\Answers',
        'Hollin\Core\Job',
        'Hollin\Core\Plan',
    ]
    as $room
) {
    arch("the solver knows network and states only: not {$room}")
        ->expect('Hollin\Core\Solve')
        ->not->toUse($room);
}

foreach (['Hollin\Core\Rules', 'Hollin\Core\Answers', 'Hollin\Core\Wall', 'Hollin\Core\Plan'] as $room) {
    arch("sizing is asked by the rules and knows none of them: not {$room}")
        ->expect('Hollin\Core\Sizing')
        ->not->toUse($room);
}

foreach (
    ['Hollin\Core\Rules', 'Hollin\Core\Answers', 'Hollin\Core\Job', 'Hollin\Core\Plan', 'Hollin\Core\Components']
    as $room
) {
    arch("operation stands between solving and judging: not {$room}")
        ->expect('Hollin\Core\Operation')
        ->not->toUse($room);
}

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

it('fails where a law is broken: the canaries', function (): void {
    $breaks = fn(Closure $law): bool => (function () use ($law): bool {
        try {
            $law();
        } catch (Throwable) {
            return true;
        }

        return false;
    })();
    // Each of these is true of the house as it is, so a law against it must fail.
    expect($breaks(fn() => expect('Hollin\Core\Rules')->not->toUse('Hollin\Core\Network')->__destruct()))->toBeTrue();
    expect(
        $breaks(fn() => expect('Hollin\Core\Network\Graph')->not->toBeUsedIn('Hollin\Core\Rules')->__destruct()),
    )->toBeTrue();
    expect($breaks(fn() => expect('sprintf')->not->toBeUsedIn('Hollin\Core')->__destruct()))->toBeTrue();
    expect(
        $breaks(
            fn() => expect('Hollin\Core\Rules')
                ->toOnlyUse(['Hollin\Core\Network'])
                ->__destruct(),
        ),
    )->toBeTrue();
    expect(
        $breaks(fn() => expect('Hollin\Core\Reference')->not->toUse('Hollin\Core\Answers')->__destruct()),
    )->toBeFalse();
});
