<?php

declare(strict_types=1);

use Hollin\Core\Components\Topology;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Wall\Paint;
use Tests\Rigs;

function usualWall(array ...$edits): Examination
{
    return Rigs::planned(
        Rigs::job(
            Sample::choose('subpanel', [
                'circuits' => ['c_outlets' => true, 'c_converter' => true],
                'converter' => 'left',
            ]),
            ...$edits,
        ),
    );
}

/** @return array<string, mixed> */
function paintOf(Examination $rig, string $state): array
{
    return json_decode(
        (string) json_encode(Paint::of($rig, $rig->settled[$state], Topology::of($rig->rig)['links'])),
        true,
    );
}

/** @return array<string, mixed> */
function topologyOf(Examination $rig): array
{
    return json_decode((string) json_encode(Topology::of($rig->rig)), true);
}

describe('topology', function (): void {
    it('gives every visible part a band', function (): void {
        $plates = topologyOf(usualWall())['plates'];
        expect(
            array_map(
                fn(array $p): string => $p['band'],
                array_intersect_key($plates, ['shore' => 1, 'main_panel' => 1, 'inverter' => 1, 'bank' => 1]),
            ),
        )
            ->toBe(['bank' => 'deck', 'inverter' => 'straddle', 'main_panel' => 'panels', 'shore' => 'supplies'])
            ->and($plates)
            ->not->toHaveKey('c_outlets')
            ->not->toHaveKey('ld_house')
            ->and($plates['neg_bar']['pole'])
            ->toBe('negative');
    });

    it('lists a tray\'s rows by slot: main, circuits, what is free', function (): void {
        $rows = topologyOf(usualWall())['trays']['main_panel']['rows'];
        expect(array_map(fn(array $r): string => "{$r['slot']}{$r['half']} {$r['label']}", $rows))->toBe([
            '1 Main',
            '2 Inverter/charger feed',
            '3 Bath, counter and outside outlets',
            '4 Air conditioner',
            '5 Water heater element',
            '6 Absorption fridge',
            '7 free',
        ]);
    });

    it('shows the free half of a tandem slot', function (): void {
        $rig = Rigs::asFound(
            Rigs::job(Sample::survey('c_air', '/hot', ['panel' => 'main_panel', 'slot' => 4, 'half' => 'b'])),
        );
        $rows = topologyOf($rig)['trays']['main_panel']['rows'];
        expect(
            array_map(fn(array $r): string => "{$r['slot']}{$r['half']} {$r['kind']}", array_slice($rows, 3, 2)),
        )->toBe(['4a free', '4b circuit']);
    });

    it('puts what hangs behind a circuit under it', function (): void {
        $rig = Rigs::asFound(
            Rigs::job(
                Sample::survey('c_air', '/hot', ['behind' => 'c_wet']),
                Sample::survey('c_air', '/neutral', ['behind' => 'c_wet']),
            ),
        );
        $rows = topologyOf($rig)['trays']['main_panel']['rows'];
        expect($rows[3]['label'])
            ->toBe('Air conditioner')
            ->and($rows[3]['indent'])
            ->toBe(1)
            ->and($rows[3]['slot'])
            ->toBe(3)
            ->and($rows[3]['device'])
            ->toBeNull();
    });

    it('marks a neutral that stayed elsewhere', function (): void {
        $rows = topologyOf(usualWall(Sample::move('c_outlets', 'main_panel', 'neutral')))['trays']['inverter_panel'][
            'rows'
        ];
        expect($rows[0]['strayNeutral'])->toBe('main_panel')->and($rows[1]['strayNeutral'])->toBeNull();
    });

    it('links equipment, not branch circuits', function (): void {
        $links = array_column(topologyOf(usualWall())['links'], null, 'id');
        expect($links)
            ->toHaveKeys([
                'inlet.mate_s30',
                'feeder_main',
                'inverter_feed',
                'inverter_out',
                'c_converter',
                'ld_bank_fuse',
                'house_bond',
                'main_panel.ground',
            ])
            ->not->toHaveKey('c_air')
            ->and($links['inverter_feed']['from'])
            ->toBe(['c' => 'main_panel', 'row' => 'inverter_feed'])
            ->and($links['inverter_feed']['gate'])
            ->toBe('inverter_feed.breaker')
            ->and($links['inverter_out']['label'])
            ->toBe('10 AWG · 2.0 m')
            ->and($links['inverter_out']['assumed'])
            ->toBeTrue();
    });

    it('counts what is assumed about a part', function (): void {
        $plates = topologyOf(Rigs::asFound(Rigs::job()))['plates'];
        expect($plates['main_panel']['assumed'])->toBe(2)->and($plates['inlet']['assumed'])->toBe(2);
        $measured = topologyOf(
            Rigs::asFound(
                Rigs::job(Sample::survey('main_panel', '/bondScrew', ['value' => false, 'basis' => 'measured'])),
            ),
        )['plates'];
        expect($measured['main_panel']['assumed'])->toBe(1);
    });
});

describe('paint', function (): void {
    it('shows each cable\'s source at both of its ends', function (): void {
        $inverting = paintOf(usualWall(), 'inverting')['links'];
        expect($inverting['inverter_out']['hot'])
            ->toBe(['I', 'I'])
            ->and($inverting['inverter_out']['neutralHome'])
            ->toBe('I')
            ->and($inverting['inverter_out']['soft'])
            ->toBeFalse()
            ->and($inverting['feeder_main']['hot'])
            ->toBe([null, null]);
        $shore = paintOf(usualWall(), 'shore_s30')['links'];
        expect($shore['feeder_main']['hot'])
            ->toBe(['S', 'S'])
            ->and($shore['inverter_out']['hot'])
            ->toBe(['S', 'S'])
            ->and($shore['inlet.mate_s30']['hot'])
            ->toBe(['S', 'S']);
    });

    it('shows a pedestal that is live while nothing is plugged in', function (): void {
        expect(paintOf(usualWall(), 'nothing')['links']['inlet.mate_s30']['hot'])->toBe(['S', null]);
    });

    it('tells what is live only through a load', function (): void {
        $rig = usualWall(Sample::move('c_outlets', 'main_panel', 'neutral'));
        $paint = paintOf($rig, 'inverting');
        expect($paint['buses']['main_panel'])
            ->toBe(['soft' => true, 'source' => 'I', 'neutralLive' => 'I', 'exchanged' => null])
            ->and($paint['buses']['inverter_panel'])
            ->toBe(['soft' => false, 'source' => 'I', 'neutralLive' => null, 'exchanged' => null])
            ->and($paint['links']['feeder_main']['soft'])
            ->toBeTrue()
            ->and($paint['pins']['inlet'])
            ->toBe(['bare' => true, 'live' => ['hot', 'neutral'], 'words' => 'hot and neutral pins live!']);
    });

    it('counts bonds by source and shows which are closed', function (): void {
        $inverting = paintOf(usualWall(), 'inverting');
        $shore = paintOf(usualWall(), 'shore_s30');
        $of = fn(array $paint, string $letter): array => array_values(
            array_filter($paint['bonds'], fn(array $b): bool => $b['source'] === $letter),
        )[0];
        expect($of($inverting, 'I')['count'])
            ->toBe(1)
            ->and($of($inverting, 'I')['at'])
            ->toBe(['inverter.bond_relay'])
            ->and($of($shore, 'S')['at'])
            ->toBe(['shore.service_bond'])
            ->and($inverting['closedBonds'])
            ->toContain('inverter.bond_relay')
            ->and($shore['closedBonds'])
            ->not->toContain('inverter.bond_relay');
    });

    it('tells who charges, on what', function (): void {
        $of = fn(string $state): array => array_map(
            fn(array $c): string => "{$c['component']} on {$c['on']}",
            paintOf(usualWall(), $state)['charging'],
        );
        expect($of('inverting'))
            ->toBe(['converter on I'])
            ->and($of('shore_s30'))
            ->toEqualCanonicalizing(['converter on S', 'inverter on S'])
            ->and($of('nothing'))
            ->toBe([]);
    });

    it('tells the story of what moved by itself', function (): void {
        $moves = paintOf(usualWall(), 'shore_and_inverter')['moves'];
        expect($moves)
            ->toHaveCount(1)
            ->and($moves[0]['component'])
            ->toBe('inverter')
            ->and($moves[0]['words'])
            ->toBe('passing shore through')
            ->and($moves[0]['atS'])
            ->toEqual(15.0);
        expect(paintOf(usualWall(), 'nothing')['moves'])->toBe([]);
    });

    it('says every device\'s position in words', function (): void {
        $positions = paintOf(usualWall(), 'shore_s15')['positions'];
        expect($positions['inlet.plug']['words'])
            ->toBe('plugged into 15 A')
            ->and($positions['inverter.mode']['words'])
            ->toBe('charger only')
            ->and($positions['c_air.breaker']['position'])
            ->toBe('on');
    });

    it('colours the 12 V side by what holds it up', function (): void {
        $links = paintOf(usualWall(), 'shore_s30')['links'];
        expect($links['ld_bank_fuse']['by'])->toEqualCanonicalizing(['B', 'C:converter', 'C:inverter']);
        $storage = paintOf(usualWall(), 'storage')['links'];
        expect($storage['ld_bank_fuse']['by'])
            ->toBe(['B'])
            ->and($storage['ld_bar_inv']['on'])
            ->toBeFalse();
    });
});
