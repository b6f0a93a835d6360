<?php

declare(strict_types=1);

use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Label;
use Hollin\Core\Build\Labels;
use Hollin\Core\Build\Materials;
use Hollin\Core\Build\Ways;
use Hollin\Core\Rules\Sample;
use Hollin\Core\States\ByVolts;
use Hollin\Core\States\Setting;
use Tests\Rigs;
use Tests\Works;

/** @return list<Label> of a kind */
function labels(string $name, string $plan, string $kind): array
{
    return array_values(array_filter(Works::demo($name, $plan)->labels, fn(Label $l): bool => $l->kind === $kind));
}

it('labels both ends of each new cable, each saying where the other end is', function (): void {
    $own = array_values(
        array_filter(labels('tideline', 'line', 'cable'), fn(Label $l): bool => $l->component === 'ld_bank_fuse'),
    );
    expect(array_map(fn(Label $l): array => [$l->where, $l->lines[0], $l->lines[1]], $own))->toBe([
        ['at Bank, positive', 'to Main fuse, in', '4/0 AWG, positive'],
        ['at Main fuse, in', 'to Bank, positive', '4/0 AWG, positive'],
    ]);
    $cables = array_count_values(array_map(fn(Label $l): string => $l->component, labels('tideline', 'line', 'cable')));
    foreach (array_keys(Works::demo('tideline', 'line')->site->difference->run) as $id) {
        $circuit = isset(Works::demo('tideline', 'line')->site->after->circuits[$id]);
        expect($cables[$id])->toBe($circuit && !in_array($id, ['locker_feed'], true) ? 1 : 2, (string) $id);
    }
});

it('warns on boxes that two sources lead to, and on no others', function (): void {
    $boxes = array_map(fn(Label $l): string => $l->component, labels('tideline', 'line', 'sources'));
    expect($boxes)->toEqualCanonicalizing(['bypass', 'inverter', 'lock_out', 'locker_splice', 'main_panel']);
    $words = labels('tideline', 'line', 'sources')[0]->lines;
    // Shore and a portable set come by one cord and count once.
    expect($words)->toBe([
        'Fed from shore cord and from Inverter/charger 3000 VA',
        'Opening one does not make this dead',
    ]);
    // An inverter with receptacles of its own joins nothing.
    $apart = Works::compiled(Rigs::job(Sample::choose('own_receptacles', ['converter' => 'left'])));
    expect(Ways::sourcesAt($apart->site->after, 'main_panel'))->toHaveCount(1);
});

it('warns on every box that the states ever make live from two sources at once', function (): void {
    $met = 0;
    foreach (Works::plans() as [$name, $plan]) {
        $site = Works::demo($name, $plan)->site;
        mt_srand(3);
        for ($draw = 0; $draw < 150; $draw++) {
            $at = $around = [];
            foreach ($site->after->devices as $id => $device) {
                $names = $device->positionNames();
                $at += $device->isAutomatic() ? [] : [$id => $names[mt_rand(0, count($names) - 1)]];
            }
            foreach ($site->after->surroundings as $id => $surrounding) {
                $around[$id] = mt_rand(0, 3) === 0 ? 'dead' : 'good';
            }
            $now = ByVolts::settled($site->is->engine, new Setting($at, $around))->situation;
            foreach ($site->after->partsOf('panel', 'bypass', 'transfer_switch', 'contactor') as $id => $_) {
                $by = [];
                foreach ($site->after->elementsOf((string) $id) as $element) {
                    foreach ([$element->a, $element->b] as $terminal) {
                        $by[$now->hardHot($terminal) ?? ''] = true;
                    }
                }
                unset($by['']);
                if (count($by) > 1) {
                    $met++;
                    expect(count(Ways::sourcesAt($site->after, (string) $id)))->toBeGreaterThan(1, "{$name} {$id}");
                }
            }
        }
    }
    expect($met)->toBeGreaterThan(0);
});

it('says what a battery switch leaves fed', function (): void {
    [$label] = labels('tideline', 'line', 'disconnect');
    expect($label->lines)->toBe([
        'Open: off are Bank',
        'Open, and still feeding behind it: Converter 55 A, Inverter/charger 3000 VA',
    ]);
});

it('writes limits, the directory, and the cap of a part that is to be replaced', function (): void {
    $limits = array_map(fn(Label $l): string => $l->lines[0], labels('tideline', 'line', 'limit'));
    expect($limits)->toContain('3000 W');
    $rows = labels('tideline', 'line', 'directory')[0]->lines;
    expect($rows)->toContain('6a  Absorption fridge, 15 A', '6b  Locker feed, 15 A');
    $capped = new Labels(Works::demo('tideline', 'line')->site, ['inverter' => ['words' => 'x', 'capW' => 2112.0]]);
    expect(array_map(fn(Label $l): string => $l->title, $capped->all()))->toContain('At most 2112 W for now');
});

it('lays out what a stage takes, and says what is not known of it', function (): void {
    $materials = new Materials(Works::demo('tideline', 'line')->site);
    $words = array_column($materials->lines(), 'words');
    expect($words)->toContain('Inverter/charger 3000 VA', '1 × 400 A Class T, and 1 spare, with holders');
    $lugs = array_filter($words, fn(string $w): bool => str_contains($w, 'lugs 4/0 AWG'));
    expect(array_sum(array_map(intval(...), $lugs)))->toBe(14);
    expect(array_unique(array_column($materials->doubts(), 'kind')))->toEqualCanonicalizing([
        'missing',
        'mounting',
        'range',
    ]);
    $keys = array_column($materials->lines(), 'key');
    expect($keys)->toBe(array_values(array_unique($keys)));
});

it('puts each label on at one step: a new cable\'s while it is run, the others at the end', function (
    string $name,
    string $plan,
): void {
    $compiled = Works::demo($name, $plan);
    $at = [];
    foreach ($compiled->steps as $step) {
        foreach ($step->labels as $label) {
            expect($at)->not->toHaveKey($label->id);
            $at[$label->id] = $step;
        }
    }
    expect(array_diff(array_map(fn(Label $l): string => $l->id, $compiled->labels), array_keys($at)))->toBe([]);
    foreach ($compiled->labels as $label) {
        $made = $compiled->site->difference->run + $compiled->site->difference->replaced;
        $new = isset($made[$label->component]) && $label->kind === 'cable';
        expect($at[$label->id]->kind)->toBe($new ? Kind::Run : Kind::Labels);
        expect($new && !in_array($label->component, $at[$label->id]->cables, true))->toBeFalse();
    }
})->with([['tideline', 'line'], ['grafting', 'panel'], ['kite', 'apart']]);
