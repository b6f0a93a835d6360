<?php

declare(strict_types=1);

use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Plan\Refused;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Sample;
use Hollin\Core\States\Situation;
use Tests\Rigs;

/*
 * Each arrangement as a technician would check it on the finished rig: what feeds a circuit in each
 * state, reasoned by hand, and what becomes of the converter.
 */

function arranged(string $recipe, array $options = []): Examination
{
    $room = $recipe === 'back_fed' ? [['kind' => 'survey_remove', 'component' => 'c_water']] : [];
    $options += in_array($recipe, ['in_line', 'subpanel'], true) ? [] : ['outputNeutral' => 'bonded'];

    return Rigs::planned(
        Rigs::job(...$room, ...[Sample::choose($recipe, $options + ['converter' => 'left', 'continuousW' => 2000])]),
    );
}

/** Letter of the source that works a circuit, - when it is dead, ! when it is live without working. */
function feeds(Situation $situation, string $circuit): string
{
    $live = $situation->liveness()[$circuit];

    return match ($live->kind) {
        'works' => $situation->network->graph->sources[(string) $live->source]->letter,
        'dead' => '-',
        default => '!',
    };
}

it('feeds each circuit from what it should in each state', function (
    string $recipe,
    array $options,
    array $expected,
): void {
    $rig = arranged($recipe, $options);
    foreach ($expected as $state => $circuits) {
        foreach ($circuits as $circuit => $letter) {
            expect(feeds($rig->settled[$state]->situation, $circuit))->toBe(
                $letter,
                "{$recipe}: {$circuit} in {$state}",
            );
        }
    }
})->with([
    'transfer switch, whole panel' => [
        'transfer_whole',
        [],
        [
            'nothing' => ['c_outlets' => '-'],
            'inverting' => ['c_outlets' => 'I', 'c_air' => 'I'],
            'shore_s30' => ['c_outlets' => 'S', 'c_air' => 'S'],
            'shore_and_inverter' => ['c_outlets' => 'S'],
            'dead_pedestal' => ['c_outlets' => 'I'],
        ],
    ],
    'transfer switch that prefers the inverter' => [
        'transfer_whole',
        ['prefers' => 'inverter'],
        [
            'inverting' => ['c_air' => 'I'],
            'shore_s30' => ['c_air' => 'S'],
            'shore_and_inverter' => ['c_air' => 'I'],
        ],
    ],
    'changeover by hand' => [
        'transfer_whole',
        ['switch' => 'manual'],
        [
            'inverting' => ['c_air' => 'I'],
            'shore_s30' => ['c_air' => 'S'],
            'shore_and_inverter' => ['c_air' => 'S'],
            'dead_pedestal' => ['c_air' => 'I'],
        ],
    ],
    'transfer switch in one circuit' => [
        'transfer_circuit',
        ['circuit' => 'c_outlets'],
        [
            'inverting' => ['c_outlets' => 'I', 'c_air' => '-'],
            'shore_s30' => ['c_outlets' => 'S', 'c_air' => 'S', 'transfer_feed' => 'S'],
            'shore_and_inverter' => ['c_outlets' => 'S'],
        ],
    ],
    'receptacles of its own' => [
        'own_receptacles',
        [],
        [
            'inverting' => ['inverter_outlets' => 'I', 'c_outlets' => '-'],
            'shore_s30' => ['inverter_outlets' => '-', 'c_outlets' => 'S'],
            'shore_and_inverter' => ['inverter_outlets' => 'I', 'c_outlets' => 'S'],
        ],
    ],
    'a plug moved by hand' => [
        'plug_by_hand',
        ['circuit' => 'c_outlets'],
        [
            'inverting' => ['c_outlets' => 'I', 'factory_outlet' => '-'],
            'shore_s30' => ['c_outlets' => 'S', 'factory_outlet' => 'S'],
            'shore_and_inverter' => ['c_outlets' => 'S'],
        ],
    ],
    'the cord in the inverter' => [
        'cord_into_inverter',
        [],
        [
            'inverting' => ['c_outlets' => 'I', 'c_air' => 'I'],
            'shore_s30' => ['c_outlets' => 'S'],
            'shore_and_inverter' => ['c_outlets' => 'S'],
        ],
    ],
    'back-fed, interlocked' => [
        'back_fed',
        [],
        [
            'inverting' => ['c_outlets' => 'I'],
            'shore_s30' => ['c_outlets' => 'S'],
            'dead_pedestal' => ['c_outlets' => 'I'],
        ],
    ],
    'in line, with a bypass' => [
        'in_line',
        ['bypass' => true],
        [
            'inverting' => ['c_air' => 'I'],
            'shore_s30' => ['c_air' => 'S'],
            'bypassed' => ['c_air' => 'S'],
        ],
    ],
]);

it('does with the converter what was asked, in every state', function (
    string $recipe,
    string $fate,
    array $charging,
): void {
    $rig = arranged($recipe, ['converter' => $fate]);
    foreach ($charging as $state => $on) {
        $runs =
            isset($rig->settled[$state]->situation->charging()['converter.output']) &&
            $rig->settled[$state]->situation->joined('converter.pos', 'dc_panel.pos');
        expect($runs)->toBe($on, "{$recipe}, {$fate}: {$state}");
    }
})->with([
    'left' => ['transfer_whole', 'left', ['shore_s30' => true, 'inverting' => true]],
    'ahead of the transfer point' => [
        'transfer_whole',
        'ahead',
        ['shore_s30' => true, 'inverting' => false, 'shore_and_inverter' => true],
    ],
    'switched off by hand' => [
        'transfer_whole',
        'by_hand',
        ['shore_s30' => true, 'inverting' => false, 'dead_pedestal' => false],
    ],
    // Keyed to the inverter's output, it also stops charging on shore while the inverter is left on.
    'contactor on the inverter\'s output' => [
        'transfer_whole',
        'contactor',
        ['shore_s30' => true, 'inverting' => false, 'shore_and_inverter' => false],
    ],
    // Keyed to "inverter feeds the panel", it does not.
    'contactor that follows inverting' => [
        'in_line',
        'contactor',
        ['shore_s30' => true, 'inverting' => false, 'shore_and_inverter' => true, 'dead_pedestal' => false],
    ],
    'fail-safe contactor' => [
        'transfer_whole',
        'contactor_safe',
        ['shore_s30' => true, 'inverting' => false, 'shore_and_inverter' => true, 'dead_pedestal' => false],
    ],
    'output lifted' => ['transfer_whole', 'lifted', ['shore_s30' => false, 'inverting' => false]],
    // The cord is the supply: a coil on the inlet cannot tell shore from the inverter.
    'fail-safe contactor with the cord in the inverter' => [
        'cord_into_inverter',
        'contactor_safe',
        ['shore_s30' => true, 'inverting' => true],
    ],
]);

it('locks a converter on a plug out as well', function (): void {
    $document = Hollin\Core\Document\JobFile::blank('x');
    foreach (
        [
            ['kind' => 'lay_out', 'layout' => 'trailer_30_separate'],
            ['kind' => 'add_plan', 'id' => 'p', 'title' => 'P'],
            Sample::alone('transfer_whole', ['converter' => 'contactor_safe']),
        ]
        as $edit
    ) {
        $document = Rigs::edit($document, $edit);
    }
    $rig = Rigs::planned($document);
    expect($rig->rig->find('converter')?->values->text('plug'))
        ->toBe('converter_outlet')
        ->and(array_keys($rig->settled['shore_s30']->situation->charging()))
        ->toContain('converter.output')
        ->and(array_keys($rig->settled['inverting']->situation->charging()))
        ->not->toContain('converter.output');
});

it('brings the loop back when a lock-out\'s coil dies, and not with the fail-safe kind', function (
    string $fate,
    bool $undone,
): void {
    $prevented = array_filter(
        (new Judge(arranged('transfer_whole', ['converter' => $fate, 'switch' => 'manual'])))->findings,
        fn($f): bool => $f->rule->id === 'charging_loop' && $f->ways->kind === 'always',
    );
    expect($prevented)->toBe([]);
    $rig = arranged('transfer_whole', ['converter' => $fate, 'switch' => 'manual']);
    $dead = array_values(
        array_filter(
            Hollin\Core\States\Failure::ofNetwork($rig->engine->network),
            fn($f): bool => $f->id === 'lock_out.coil.dead',
        ),
    )[0];
    $situation = $rig->engine->settle($rig->named['inverting']->setting, [], $dead)->situation;
    expect(isset($situation->charging()['converter.output']))->toBe($undone);
})->with([['contactor', true], ['contactor_safe', false]]);

it('says what is missing instead of guessing', function (
    string $recipe,
    array $options,
    array $edits,
    string $said,
): void {
    $job = Rigs::job(...$edits);
    expect(
        fn() => Rigs::edit($job, Sample::choose($recipe, $options + ['converter' => 'left', 'continuousW' => 2000])),
    )->toThrow(Refused::class, $said);
})->with([
    'no such circuit' => ['transfer_circuit', ['circuit' => 'c_nowhere'], [], 'not a circuit that lands on a breaker'],
    'a circuit that feeds equipment' => [
        'plug_by_hand',
        ['circuit' => 'c_converter'],
        [],
        'not a circuit that lands on a breaker',
    ],
    'no circuit named' => ['transfer_circuit', [], [], 'circuit'],
    'no room for a back-fed breaker' => ['back_fed', [], [], 'no free slot'],
    'no panel' => [
        'transfer_whole',
        [],
        [['kind' => 'survey_remove', 'component' => 'feeder_main']],
        'feeder from the inlet',
    ],
    'an option of another arrangement' => ['own_receptacles', ['inputLimitA' => 12], [], 'inputLimitA'],
    'a fate this arrangement does not have' => ['own_receptacles', ['converter' => 'removed'], [], 'must be one of'],
]);

it('writes only changes that apply, whichever is chosen after whichever', function (string $second): void {
    $document = Rigs::job(['kind' => 'survey_remove', 'component' => 'c_water']);
    $choose = fn(string $recipe): array => Sample::choose(
        $recipe,
        ['converter' => 'left', 'continuousW' => 2000] +
            match ($recipe) {
                'transfer_circuit', 'plug_by_hand' => ['circuit' => 'c_outlets'],
                'subpanel' => ['circuits' => ['c_outlets' => true]],
                default => [],
            },
    );
    foreach (array_keys(Arrangements::all()) as $first) {
        $both = Rigs::edit(Rigs::edit($document, $choose($first)), $choose($second));
        $alone = Rigs::edit($document, $choose($second));
        expect(Rigs::planned($both)->unapplied)
            ->toBe([])
            ->and(Rigs::planned($both)->rig->source)
            ->toEqual(Rigs::planned($alone)->rig->source);
    }
})->with(array_keys(Arrangements::all()));

it('leaves the branch breaker behind when a switch lands beyond it', function (string $recipe): void {
    $rig = arranged($recipe, ['circuit' => 'c_outlets']);
    expect($rig->rig->find('c_outlets')?->breakerA())->toBeNull();
    $findings = array_filter(
        (new Judge($rig))->findings,
        fn($f): bool => $f->rule->id === 'conductor_protection' && in_array('c_outlets', $f->hit->components, true),
    );
    // 2000 W is 16.7 A into a 14 AWG cable that may stand behind 15 A.
    expect($findings)
        ->toHaveCount(1)
        ->and(reset($findings)->hit->figures[0]->value)
        ->toEqualWithDelta(2000 / 120, 0.01)
        ->and(reset($findings)->hit->figures[0]->limit)
        ->toBe(15.0);
})->with(['transfer_circuit', 'plug_by_hand']);
