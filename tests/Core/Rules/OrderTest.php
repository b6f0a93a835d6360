<?php

declare(strict_types=1);

use Hollin\Core\Components\Rig;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Rules\AsFound;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Needs;
use Hollin\Core\Rules\RigRule;
use Hollin\Core\Rules\Rule;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\StateRule;
use Tests\Rigs;

/*
 * What is wrong with a rig does not depend on what lies aboard beside it and is connected to nothing: the second of a
 * kind is looked at like the first. A rig's parts are gone through by id.
 */

/** Things that lie aboard: one of each kind, connected to nothing, or among themselves only; ids begin as said. */
function aboard(string $id): stdClass
{
    $cable = ['size' => 'awg:6', 'lengthM' => 0.2, 'sheath' => 'single'];
    $lead = fn(string $from, string $to, string $pole): array => [
        'type' => 'lead',
        'label' => "Spare lead at {$from}",
        'from' => $from,
        'to' => $to,
        'pole' => $pole,
        'cable' => $cable,
    ];
    $bank = ['type' => 'battery_bank', 'label' => 'Spare bank', 'chemistry' => 'flooded', 'unitV' => 12];
    $bank += ['unitAh' => 100, 'series' => 1, 'parallel' => 1];

    return Rigs::object([
        "{$id}shorted" => $bank,
        "{$id}short" => $lead("{$id}shorted.pos", "{$id}shorted.neg", 'negative'),
        "{$id}bank" => $bank,
        "{$id}shunt" => ['type' => 'shunt', 'label' => 'Spare shunt', 'ratingA' => 500],
        "{$id}around" => $lead("{$id}shunt.battery", "{$id}shunt.load", 'negative'),
        "{$id}lamp" => ['type' => 'dc_load', 'label' => 'Spare lamp', 'use' => 'other', 'amps' => 1],
        "{$id}converter" => [
            'type' => 'converter',
            'label' => 'Spare converter',
            'outputA' => 55,
            'outputV' => 13.6,
            'efficiency' => 0.85,
            'mount' => 'in_panel',
        ],
        "{$id}inverter" => [
            'type' => 'inverter',
            'label' => 'Spare inverter',
            'continuousW' => 1000,
            'surgeW' => 2000,
            'efficiency' => 0.85,
            'dcNominalV' => 12,
            'cutOffV' => 10.5,
            'idleW' => 9,
            'neutral' => 'floating',
            'output' => 'hard_wired',
            'waveform' => 'sine',
        ],
    ]);
}

/** @param array<string, stdClass> $more what else lies aboard, as found and in the plan */
function rigBeside(Sample $sample, array $more): Examination
{
    $document = $sample->document();
    $rig = fn(stdClass $components): Rig => Rig::from((object) (get_object_vars($components) + $more));
    $needs = Needs::from($document->needs);
    $found = $document->asFound->components;
    if (array_filter($sample->edits, fn(array $edit): bool => isset($edit['plan'])) === []) {
        return new Examination($rig($found), $needs);
    }
    $stages = Planned::stages($document, 'p');
    $last = $stages[count($stages) - 1];

    return new Examination($rig($last->components), $needs, new AsFound($rig($found), $needs), $last->unapplied);
}

/**
 * What a rule finds in the named states, or on the rig.
 *
 * @param string $on a device that is switched on besides
 * @return list<string> keys
 */
function foundBeside(Rule $rule, Examination $rig, string $on = ''): array
{
    $hits = $rule instanceof RigRule ? $rule->hits($rig) : [];
    foreach ($rule instanceof StateRule ? $rig->settled : [] as $settled) {
        $also = $on === '' ? $settled : $rig->engine->settle($settled->setting->with($on, 'on'));
        array_push($hits, ...$rule->hits($also->situation, $rig));
    }

    return array_values(array_unique(array_map(fn($hit): string => $hit->key, $hits)));
}

it('lies aboard as a rig may', function (): void {
    expect(Rig::from(aboard('a0_'))->problems(''))->toBe([]);
});

it('finds the same whatever stands before or behind it', function (Rule $rule, Sample $sample): void {
    $plain = foundBeside($rule, rigBeside($sample, []));
    foreach (['a0_' => 'before all others', 'zz_' => 'behind all others'] as $id => $order) {
        $rig = rigBeside($sample, get_object_vars(aboard($id)));
        expect(array_values(array_diff($plain, foundBeside($rule, $rig))))->toBe([], $order);
        expect(array_values(array_diff($plain, foundBeside($rule, $rig, "{$id}inverter.mode"))))->toBe(
            [],
            "{$order}, on",
        );
    }
})->with(function () {
    foreach (RuleBook::rules() as $rule) {
        foreach ($rule::definition()->samples as $sample) {
            // What is restless is named by the state that shows it first, and there are more states with more aboard.
            if ($sample->found && $rule::definition()->id !== 'restless') {
                yield "{$rule::definition()->id}: {$sample->title}" => [$rule, $sample];
            }
        }
    }
});
