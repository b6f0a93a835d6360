<?php

declare(strict_types=1);

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\VoltContact;
use Hollin\Core\Operation\Rest;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\States\ByVolts;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Tests\Small;

/** A source of 14.2 V, a run of wire, a relay that senses where the wire ends, a house battery of 10 mΩ. */
function relay(float $ohm, Chemistry $house = Chemistry::Flooded, float $after = 2.0): Engine
{
    $graph = new Graph();
    $graph->charger(
        new PowerConverter(
            'src.output',
            'src',
            PowerConverter::FIELD,
            ['src.pos', 'neg'],
            ['src.pos', 'neg'],
            14.2,
            1000,
            1.0,
            0.0,
        ),
        'source',
    );
    $graph->battery(
        new Battery(
            'house.cells',
            'house',
            'house.pos',
            'neg',
            $house,
            12,
            100,
            1,
            0.01,
            false,
            null,
            null,
            false,
            false,
        ),
    );
    Small::ohms($graph, 'run', 'src.pos', 'relay.a', $ohm);
    volted($graph, 'relay', 'relay.a', 'house.pos', ['relay.a', 'neg'], VoltContact::SEPARATOR, 13.7, 12.8, $after);

    return new Engine(new Contraction($graph->atFirst('house.cells')));
}

/** @param array{string, string} $senses */
function volted(
    Graph $graph,
    string $id,
    string $a,
    string $b,
    array $senses,
    string $kind,
    float $closesV,
    float $opensV,
    float $after = 2.0,
): void {
    $graph->device(
        new Device("{$id}.relay", $id, $id, 'relay', ['open' => 'open', 'closed' => 'closed'], 'open', byItself: true),
    );
    $graph->contact("{$id}.pole", $id, $a, $b, Role::DcPositive, "{$id}.relay", ['closed'], ohm: 1e-9);
    $graph->voltContacts[] = new VoltContact(
        $kind,
        $id,
        "{$id}.relay",
        $a,
        $b,
        [$senses],
        $closesV,
        $opensV,
        $after,
        $after + 1,
    );
}

describe('a relay that senses at its own end of a run of wire', function (): void {
    // Worked example: I = 2.0 / (R + 0.01), V = 14.2 − R·I.
    it('chatters on 100 mΩ: 14.2 V open, 12.38 V closed', function (): void {
        $rest = Rest::of(relay(0.1), new Setting(['relay.relay' => 'open'], []));
        $turns = $rest->turns('relay.relay');
        expect($turns['closed'])
            ->toEqualWithDelta(14.2, 1e-3)
            ->and($turns['open'])
            ->toEqualWithDelta(14.2 - 0.1 * (2.0 / 0.11), 0.001)
            // Its own two delays, one after the other.
            ->and($rest->periodS)
            ->toEqualWithDelta(5.0, 1e-9);
    });

    it('holds on 20 mΩ with 66.7 A', function (): void {
        $rest = Rest::of(relay(0.02), new Setting(['relay.relay' => 'open'], []));
        $last = $rest->steps[count($rest->steps) - 1];
        expect($rest->periodS)
            ->toBeNull()
            ->and($rest->last()->positions['relay.relay'])
            ->toBe('closed')
            ->and($last['volts']['relay.relay'])
            ->toEqualWithDelta(12.867, 0.005)
            ->and(abs($last['flow']->dcA['run']))
            ->toEqualWithDelta(66.7, 0.5)
            // 12.87 V is within a tenth of its opening point, not within the twentieth at which it may go either way.
            ->and($rest->near)
            ->toBe([]);
    });

    it('holds once the house battery rests above 12.66 V', function (): void {
        // 100 mΩ: it opens below 12.8 V, which is where 14.2 − 0.1 (14.2 − E) / 0.11 is with E at 12.66 V.
        $rests = fn(Chemistry $house, string $charge): bool => Rest::of(
            relay(0.1, $house),
            new Setting(['relay.relay' => 'open'], []),
            [],
            $charge,
        )->periodS === null;
        expect($rests(Chemistry::Flooded, 'full'))
            ->toBeFalse()
            ->and(Chemistry::Flooded->restV('full'))
            ->toBeLessThan(12.66)
            ->and($rests(Chemistry::Agm, 'full'))
            ->toBeTrue()
            ->and(Chemistry::Agm->restV('full'))
            ->toBeGreaterThan(12.66);
    });

    it('is told to be near where a few hundredths of a volt decide', function (): void {
        // 12.8 V at the relay: R such that 14.2 − R · 2.0 / (R + 0.01) = 12.82.
        $ohm = (0.01 * 1.38) / (2.0 - 1.38) - Hollin\Core\Solve\ChargerStage::HOLD_OHM;
        $rest = Rest::of(relay($ohm), new Setting(['relay.relay' => 'open'], []));
        expect($rest->periodS)
            ->toBeNull()
            ->and($rest->near)
            ->toBe(['relay.relay' => 'open']);
    });
});

describe('a cut-off', function (): void {
    // Two ohms in a row by hand: a battery of 11.9 V (lead, nearly empty) behind 20 mΩ and 60 A at 12 V.
    $engine = function (float $closesV): Engine {
        $graph = new Graph();
        Small::battery($graph, 'house', 0.02, Chemistry::Flooded, 12);
        volted($graph, 'cut', 'house.pos', 'bus', ['house.pos', 'house.neg'], VoltContact::CUT_OFF, $closesV, 11.0, 30);
        Small::draw($graph, 'bus', 'house.neg', 60.0);

        return new Engine(new Contraction($graph));
    };

    it('goes off and on where the battery recovers past its upper point', function () use ($engine): void {
        $rest = Rest::of($engine(11.5), new Setting(['cut.relay' => 'closed'], []), [], 'low');
        // V = E − R·P/V with P = 720 W.
        $volts = (11.9 + sqrt(11.9 ** 2 - 4 * 0.02 * 720)) / 2;
        expect($rest->turns('cut.relay')['open'])
            ->toEqualWithDelta($volts, 2e-3)
            ->and($rest->turns('cut.relay')['closed'])
            ->toEqualWithDelta(11.9, 1e-3)
            ->and($rest->periodS)
            ->toEqualWithDelta(61.0, 1e-9);
    });

    it('stays off where it does not', function () use ($engine): void {
        $rest = Rest::of($engine(12.6), new Setting(['cut.relay' => 'closed'], []), [], 'low');
        expect($rest->periodS)
            ->toBeNull()
            ->and($rest->last()->positions['cut.relay'])
            ->toBe('open');
    });

    it('stays on in a full battery, by connectivity as by the load flow', function () use ($engine): void {
        $setting = new Setting(['cut.relay' => 'closed'], []);
        expect(Rest::of($engine(12.6), $setting, [], 'full')->last()->positions['cut.relay'])
            ->toBe('closed')
            ->and(ByVolts::settled($engine(12.6), $setting, 'full')->positions['cut.relay'])
            ->toBe('closed');
    });
});

it('agrees with what connectivity says wherever no current flows', function (Chemistry $house, string $charge): void {
    // With no run of wire worth the name both look at the same volts.
    $engine = relay(1e-6, $house);
    $setting = new Setting(['relay.relay' => 'open'], []);
    expect(ByVolts::settled($engine, $setting, $charge)->positions['relay.relay'])->toBe(
        Rest::of($engine, $setting, [], $charge)->last()->positions['relay.relay'],
    );
})->with([[Chemistry::Flooded, 'low'], [Chemistry::Agm, 'half'], [Chemistry::Lfp, 'full']]);

it('is one course of events in the order in which they come', function (): void {
    $chatters = Rest::of(relay(0.1), new Setting(['relay.relay' => 'open'], []))->settled();
    expect(array_map(fn(array $m): array => [$m['to'], round($m['atS'], 3)], $chatters->moves))
        ->toBe([['closed', 2.0], ['open', 5.0]])
        ->and($chatters->trouble)
        ->toBe(['hunting, about every 5 s'])
        ->and(array_column($chatters->passing, 'lastsS'))
        ->toBe([2.0, 3.0]);
});
