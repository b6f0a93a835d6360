<?php

declare(strict_types=1);

use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * Arrangement, converter's fate, neutral and bond against each other, reasoned by hand:
 * - a converter left or switched by hand behind the unit loops; ahead of it or out it does not;
 * - a common neutral carries the pedestal's bond along while inverting on a dead pedestal;
 * - no bond leaves the inverter's system without one; a fixed bond is a second one on shore;
 * - in the subpanel the converter stays with the shore, so its fate changes nothing.
 */

/**
 * @return list<string> rule and way of all findings that are not about load, an inverter's surge, assumption or
 *      somebody else's pedestal
 */
function verdict(string $recipe, string $fate, string $neutral, string $bond): array
{
    $options =
        ['converter' => $fate, 'neutral' => $neutral] +
        ($recipe === 'subpanel' ? ['circuits' => ['c_outlets' => true, 'c_fridge' => true]] : []);
    $edits = [Sample::choose($recipe, $options)];
    if ($bond !== 'relay') {
        $edits[] = Sample::set('inverter', '/bond', $bond);
    }
    $found = array_map(
        fn(Finding $f): string => "{$f->rule->id} {$f->severity()->value} {$f->ways->kind}",
        array_filter(
            (new Judge(Rigs::planned(Rigs::job(...$edits))))->findings,
            fn(Finding $f): bool => !in_array($f->rule->id, ['overload', 'starts_by_itself', 'fault_clearing'], true) &&
                $f->ways->kind !== 'outside',
        ),
    );
    sort($found);

    return array_values(array_unique($found));
}

it('judges every combination as reasoned', function (
    string $recipe,
    string $fate,
    string $neutral,
    string $bond,
    array $expected,
): void {
    expect(verdict($recipe, $fate, $neutral, $bond))->toBe($expected);
})->with([
    ['in_line', 'left', 'switched', 'relay', ['charging_loop danger always']],
    ['in_line', 'by_hand', 'switched', 'relay', ['charging_loop danger outage']],
    ['in_line', 'ahead', 'switched', 'relay', []],
    ['in_line', 'removed', 'switched', 'relay', []],
    ['in_line', 'left', 'common', 'relay', ['bond_count danger always', 'charging_loop danger always']],
    ['in_line', 'by_hand', 'common', 'relay', ['bond_count danger always', 'charging_loop danger outage']],
    ['in_line', 'ahead', 'common', 'relay', ['bond_count danger always']],
    ['in_line', 'removed', 'common', 'relay', ['bond_count danger always']],
    ['in_line', 'left', 'switched', 'none', ['bond_count warning always', 'charging_loop danger always']],
    ['in_line', 'by_hand', 'switched', 'none', ['bond_count warning always', 'charging_loop danger outage']],
    ['in_line', 'ahead', 'switched', 'none', ['bond_count warning always']],
    ['in_line', 'removed', 'switched', 'none', ['bond_count warning always']],
    ['in_line', 'left', 'switched', 'fixed', ['bond_count danger always', 'charging_loop danger always']],
    ['in_line', 'by_hand', 'switched', 'fixed', ['bond_count danger always', 'charging_loop danger outage']],
    ['in_line', 'ahead', 'switched', 'fixed', ['bond_count danger always']],
    ['in_line', 'removed', 'switched', 'fixed', ['bond_count danger always']],
    ['subpanel', 'left', 'switched', 'relay', []],
    ['subpanel', 'by_hand', 'switched', 'relay', []],
    ['subpanel', 'ahead', 'switched', 'relay', []],
    ['subpanel', 'removed', 'switched', 'relay', []],
    ['subpanel', 'left', 'common', 'relay', ['bond_count danger always']],
    ['subpanel', 'by_hand', 'common', 'relay', ['bond_count danger always']],
    ['subpanel', 'ahead', 'common', 'relay', ['bond_count danger always']],
    ['subpanel', 'removed', 'common', 'relay', ['bond_count danger always']],
    ['subpanel', 'left', 'switched', 'none', ['bond_count warning always']],
    ['subpanel', 'by_hand', 'switched', 'none', ['bond_count warning always']],
    ['subpanel', 'ahead', 'switched', 'none', ['bond_count warning always']],
    ['subpanel', 'removed', 'switched', 'none', ['bond_count warning always']],
    ['subpanel', 'left', 'switched', 'fixed', ['bond_count danger always']],
    ['subpanel', 'by_hand', 'switched', 'fixed', ['bond_count danger always']],
    ['subpanel', 'ahead', 'switched', 'fixed', ['bond_count danger always']],
    ['subpanel', 'removed', 'switched', 'fixed', ['bond_count danger always']],
]);

/*
 * What is live, written out by hand for two rigs: S works from shore, I from the inverter, ! live
 * without working, . dead. Columns: nothing, inverting, shore 30, 20, 15, shore with the inverter
 * on, dead pedestal, low shore, storage.
 */

/** @return array<string, string> */
function liveTable(array ...$edits): array
{
    $rig = Rigs::planned(Rigs::job(...$edits));
    $table = [];
    foreach ($rig->graph->circuits as $id => $_) {
        foreach ($rig->settled as $settled) {
            $live = $settled->situation->liveness()[$id];
            $letter = match ($live->kind) {
                'works' => $rig->graph->sources[(string) $live->source]->letter,
                'ground' => 'g',
                'live' => '!',
                default => '.',
            };
            $table[$id] = ($table[$id] ?? '') . $letter;
        }
    }
    ksort($table);

    return $table;
}

it('says what is live behind a unit in line', function (): void {
    expect(liveTable(Sample::choose('in_line', ['converter' => 'ahead'])))->toBe([
        'c_air' => '.ISSSSII.',
        'c_converter' => '..SSSS.S.',
        'c_fridge' => '.ISSSSII.',
        'c_outlets' => '.ISSSSII.',
        'c_water' => '.ISSSSII.',
        'c_wet' => '.ISSSSII.',
        'inverter_feed' => '..SSSS.S.',
    ]);
});

it('says what is live with a subpanel, a neutral forgotten', function (): void {
    $forgotten = liveTable(
        Sample::choose('subpanel', ['circuits' => ['c_outlets' => true, 'c_fridge' => true], 'converter' => 'ahead']),
        Sample::move('c_fridge', 'main_panel', 'neutral'),
    );
    expect($forgotten)->toBe([
        // The shore side comes up through the fridge wherever nothing else holds its neutral.
        'c_air' => '.!SSSS.S.',
        'c_converter' => '.!SSSS.S.',
        // At a dead or a weak pedestal it runs, and its amps come home over the cord's ground.
        'c_fridge' => '.!SSSSgg.',
        'c_outlets' => '.ISSSSII.',
        'c_water' => '.!SSSS.S.',
        'c_wet' => '.!SSSS.S.',
        'inverter_feed' => '.!SSSS.S.',
    ]);
});
