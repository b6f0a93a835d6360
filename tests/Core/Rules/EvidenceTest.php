<?php

declare(strict_types=1);

use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Source;
use Hollin\Core\Rules\Currents;
use Hollin\Core\Rules\Needs;
use Hollin\Core\Rules\Path;
use Hollin\Core\Rules\Reach;
use Hollin\Core\Rules\Remedy;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\Severity;
use Hollin\Core\Rules\Ways;
use Tests\Rigs;

/*
 * What findings rest on: paths, currents, what can reach a conductor, and how a hazard comes about.
 */

describe('a path', function (): void {
    it('goes through metal where there is any', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
        $path = Path::between($rig->settled['inverting']->situation, 'inverter.ac_out.l', 'c_air.l');
        expect($path['elements'])
            ->toBe(['inverter_out.hot', 'main_panel.main_pole', 'c_air.pole', 'c_air.hot'])
            ->and($path['terminals'])
            ->toBe(['inverter.ac_out.l', 'main_panel.line', 'main_panel.bus', 'c_air.head', 'c_air.l']);
    });

    it('goes through a load when nothing else leads on', function (): void {
        $rig = Rigs::planned(
            Rigs::job(
                Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                Sample::move('c_outlets', 'main_panel', 'neutral'),
            ),
        );
        $path = Path::between($rig->settled['inverting']->situation, 'inverter.ac_out.l', 'inlet.pin_n');
        expect($path['elements'])
            ->toContain('c_outlets.load')
            ->toContain('c_outlets.neutral')
            ->and($path['terminals'][count($path['terminals']) - 1])
            ->toBe('inlet.pin_n');
    });

    it('does not cross an open contact or a bond', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line')));
        expect(Path::between($rig->settled['nothing']->situation, 'inlet.l', 'main_panel.line')['elements'])
            ->toBe([])
            ->and(Path::between($rig->settled['inverting']->situation, 'main_panel.neutral_bar', 'frame')['elements'])
            ->toBe([]);
    });
});

describe('currents', function (): void {
    $scenario = fn(array $running): array => [
        'kind' => 'set_need',
        'path' => '/scenarios/x',
        'value' => ['title' => 'X', 'running' => array_fill_keys($running, true)],
    ];

    it('follow each load back to its source', function () use ($scenario): void {
        $rig = Rigs::planned(
            Rigs::job($scenario(['c_air.unit', 'c_fridge.element']), Sample::choose('in_line', ['chargerA' => 0])),
        );
        $amps = (new Currents($rig))->amps['inverting']['x'];
        // 1500 W ÷ 120 V = 12.5 A; 325 W ÷ 120 V = 2.71 A
        expect($amps['c_air.pole'])
            ->toEqualWithDelta(12.5, 0.01)
            ->and($amps['c_fridge.pole'])
            ->toEqualWithDelta(2.708, 0.01)
            ->and($amps['main_panel.main_pole'])
            ->toEqualWithDelta(15.21, 0.01)
            ->and($amps['inverter.inverter'])
            ->toEqualWithDelta(15.21, 0.01)
            // 15.21 A × 120 V ÷ (12 V × 0.88)
            ->and($amps['inverter.dc'])
            ->toEqualWithDelta(172.8, 0.2);
    });

    it('count a load only where it works', function () use ($scenario): void {
        $rig = Rigs::planned(
            Rigs::job(
                $scenario(['c_air.unit']),
                Sample::choose('subpanel', [
                    'circuits' => ['c_outlets' => true],
                    'converter' => 'removed',
                    'chargerA' => 0,
                ]),
            ),
        );
        $currents = new Currents($rig);
        expect($currents->amps['inverting']['x'])
            ->not->toHaveKey('c_air.pole')
            ->and($currents->amps['shore_s30']['x']['c_air.pole'])
            ->toEqualWithDelta(12.5, 0.01);
    });

    it('let the charger take what the input limit leaves', function () use ($scenario): void {
        $at = function (int $limit) use ($scenario): float {
            $rig = Rigs::planned(
                Rigs::job(
                    $scenario(['c_air.unit']),
                    Sample::choose('in_line', ['inputLimitA' => $limit, 'chargerA' => 100]),
                ),
            );

            return (new Currents($rig))->amps['shore_s30']['x']['shore.supply'];
        };
        // The air conditioner takes 12.5 A; the charger would take 100 A × 14.2 V ÷ 0.88 ÷ 120 V = 13.45 A.
        expect($at(30))
            ->toEqualWithDelta(25.95, 0.05)
            ->and($at(20))
            ->toEqualWithDelta(20.0, 0.01)
            ->and($at(10))
            ->toEqualWithDelta(12.5, 0.01);
    });

    it('count the converter at full output while it runs', function () use ($scenario): void {
        $rig = Rigs::asFound(Rigs::job($scenario(['c_fridge.element'])));
        expect((new Currents($rig))->amps['shore_s30']['x']['c_converter.pole'])->toEqualWithDelta(7.33, 0.01);
    });

    it('know the pedestal in each state', function (): void {
        $rig = Rigs::asFound(Rigs::job());
        $currents = new Currents($rig);
        expect($currents->supplyA($rig->settled['shore_s15']))
            ->toBe(15.0)
            ->and($currents->supplyA($rig->settled['shore_s30']))
            ->toBe(30.0)
            ->and($currents->supplyA($rig->settled['nothing']))
            ->toBeNull();
    });
});

describe('reach', function (): void {
    it('is the smallest rating along the widest path', function (): void {
        $rig = Rigs::planned(
            Rigs::job(
                Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'feedA' => 20, 'continuousW' => 1000]),
            ),
        );
        $reach = new Reach($rig->graph);
        expect($reach->at['main_panel.bus'][0])
            ->toBe(30.0)
            ->and($reach->at['inverter.ac_in.l'])
            ->toBe([20.0, 'shore.supply', 'inverter_feed'])
            // Through the relay 20 A from shore is more than the 8.3 A the inverter gives.
            ->and($reach->at['inverter_panel.bus'][0])
            ->toBe(20.0)
            ->and($reach->at['c_outlets.l'][0])
            ->toBe(15.0);
    });

    it('is without bound up to the first fuse of a bank', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', ['fuseA' => 300])));
        $reach = new Reach($rig->graph);
        expect($reach->at['main_fuse.in'][0])
            ->toBe(INF)
            ->and($reach->at['disconnect.in'])
            ->toBe([300.0, 'bank.cells', 'main_fuse'])
            ->and($reach->reachesUnfused('bank.pos', 'main_fuse.in'))
            ->toBeTrue()
            ->and($reach->reachesUnfused('bank.pos', 'disconnect.in'))
            ->toBeFalse();
    });
});

describe('ways', function (): void {
    it('are said as a technician would', function (Ways $ways, string $kind, string $words): void {
        expect($ways->kind)->toBe($kind)->and($ways->words)->toBe($words);
    })->with([
        [Ways::slips(0, 'inverting'), 'always', 'always, inverting'],
        [Ways::slips(1, 'converter on'), 'slips', 'one slip: converter on'],
        [Ways::slips(2, 'a and b'), 'slips', 'two slips: a and b'],
        [Ways::slips(3, 'a, b and c'), 'remote', 'remote, 3 slips: a, b and c'],
        [Ways::outage('pedestal dead'), 'outage', 'without any slip: pedestal dead'],
        [Ways::passing(15.0, 'shore 30 A'), 'passing', 'passing, 15 s, on the way to: shore 30 A'],
        [Ways::onTheRig(), 'always', 'as built, in every state'],
    ]);

    it('keep slips and failures apart', function (): void {
        expect(Ways::slips(2, 'x')->pairs)->toBe([['slips' => 2, 'failures' => 0, 'words' => 'x']]);
    });
});

describe('small values', function (): void {
    it('rank severities worst first', function (): void {
        expect(Severity::Danger->rank())
            ->toBeLessThan(Severity::Warning->rank())
            ->and(Severity::Warning->rank())
            ->toBeLessThan(Severity::Advice->rank());
    });

    it('carry unit, limit, arithmetic and source with every figure', function (): void {
        expect((new Figure('Lost', 252.123456, 'W', 'a × b', Source::commonPractice(), 10.0, true))->toArray())->toBe([
            'label' => 'Lost',
            'value' => 252.1235,
            'unit' => 'W',
            'limit' => 10.0,
            'arithmetic' => 'a × b',
            'source' => 'common practice, no source',
            'assumed' => true,
        ]);
    });

    it('make remedies that are intents', function (): void {
        expect(Remedy::move('Move', 'why', 'c1', 'sub', 'hot')->toArray()['intent'])
            ->toBe(['kind' => 'move_circuit', 'circuit' => 'c1', 'panel' => 'sub', 'wires' => 'hot'])
            ->and(Remedy::set('Set', 'why', 'x', '/y', 3)->toArray()['intent'])
            ->toBe(['kind' => 'plan_set', 'component' => 'x', 'path' => '/y', 'value' => 3]);
    });

    it('read needs in their order, marine when nobody says', function (): void {
        $needs = Needs::from(
            Rigs::object([
                'scenarios' => [
                    'b' => ['title' => 'B', 'order' => 1, 'running' => ['c.l' => true]],
                    'a' => ['title' => 'A', 'order' => 2, 'running' => new stdClass()],
                ],
                'offGrid' => ['c' => true],
            ]),
        );
        expect(array_keys($needs->scenarios))
            ->toBe(['b', 'a'])
            ->and($needs->school)
            ->toBe(Ampacity::Marine)
            ->and($needs->offGrid)
            ->toBe(['c' => true]);
        expect(Needs::from(Rigs::object(['ampacity' => 'building']))->school)->toBe(Ampacity::Building);
    });
});
