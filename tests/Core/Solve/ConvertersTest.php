<?php

declare(strict_types=1);

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Solve\ChargerStage;
use Hollin\Core\Solve\FirstCurrent;
use Hollin\Core\Solve\LoadFlow;
use Hollin\Core\Solve\LoadFlowResult;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Tests\Seeds;
use Tests\Small;

/** What gives direct current from a shaft, as a component of its own would compile to it. */
function shaft(Graph $graph, float $volts, float $amps, float $watts = 0.0): void
{
    $ends = ['shaft.pos', 'shaft.neg'];
    $graph->source(new Source('shaft', 'shaft', 'shaft', 'C', 'dc', false, ...[...$ends, 'frame', $volts, $amps]));
    $graph->converter(
        new PowerConverter(
            'shaft',
            'shaft',
            PowerConverter::FIELD,
            $ends,
            $ends,
            $volts,
            $amps,
            1.0,
            0.0,
            fieldW: $watts,
        ),
    );
}

/** A converter from one battery to another that holds 14.4 V. */
function dcdc(Graph $graph, float $amps, float $cutOffV, ?float $limitA = null): void
{
    $graph->source(new Source('dd', 'dd', 'dd', 'C', 'dc', false, 'dd.pos', 'dd.neg', 'frame', 14.4, $amps));
    $graph->converter(
        new PowerConverter(
            'dd',
            'dd',
            PowerConverter::DC_DC,
            ['dd.in_pos', 'dd.in_neg'],
            ['dd.pos', 'dd.neg'],
            14.4,
            $amps,
            0.9,
            0.0,
            inputLimitA: $limitA,
            cutOffV: $cutOffV,
        ),
    );
}

/** The same, with every device as it stands and nothing else switched on. */
function atRest(Graph $graph, string $charge = 'half'): LoadFlowResult
{
    $engine = new Engine(new Contraction($graph));

    return LoadFlow::of($engine->settle(new Setting([], [])), [], [], $charge);
}

/** A converter at the end of a tow wire of so many ohm there and back, feeding so many watts. */
function towed(float $ohm, float $watts, float $cutOffV = 8.0, ?float $limitA = null): LoadFlowResult
{
    $graph = new Graph();
    shaft($graph, 14.2, 500);
    // An alternator's own stiffness is part of the way.
    Small::ohms($graph, 'out', 'shaft.pos', 'dd.in_pos', $ohm - ChargerStage::HOLD_OHM);
    Small::ohms($graph, 'home', 'dd.in_neg', 'shaft.neg', 1e-7, Role::DcNegative);
    dcdc($graph, 100, $cutOffV, $limitA);
    Small::ohms($graph, 'to', 'dd.pos', 'load.pos', 1e-7);
    Small::ohms($graph, 'from', 'load.neg', 'dd.neg', 1e-7, Role::DcNegative);
    $graph->user(
        new Load('load', '', 'load', 'load.pos', 'load.neg', $watts, 1, 12, true, false, 'constant', direct: true),
    );

    return atRest($graph);
}

describe('a DC-DC charger against its wire', function (): void {
    it('stands where power and wire agree', function (float $outA, float $volts, float $amps): void {
        // Worked example: 14.2 V, 99 mΩ there and back, η 0.90, output 14.4 V. V² − 14.2 V + P·R = 0. Common practice.
        $flow = towed(0.099, $outA * 14.4);
        expect($flow->loads['dd.in']['volts'])
            ->toEqualWithDelta($volts, 0.01)
            ->and($flow->loads['dd.in']['amps'])
            ->toEqualWithDelta($amps, 0.1)
            ->and($flow->sources['shaft']['amps'])
            ->toEqualWithDelta($amps, 0.1)
            ->and($flow->converters['dd']['outW'] / $flow->converters['dd']['inW'])
            ->toEqualWithDelta(0.9, 1e-6);
    })->with([[20, 11.43, 28.0], [30, 8.8, 54.5]]);

    it('gives up below its cut-off, and where no volts would do', function (float $outA, float $cutOffV): void {
        $flow = towed(0.099, $outA * 14.4, $cutOffV);
        expect($flow->isSolved())
            ->toBeTrue()
            ->and($flow->shutDown)
            ->toBe(['dd'])
            ->and($flow->sources['shaft']['amps'])
            ->toEqualWithDelta(0.0, 1e-3);
        // 40 A need 640 W; 14.2² ÷ (4 × 0.099) is 509 W, 31.8 A at the output.
    })->with([[30, 9.0], [40, 8.0], [31.9, 6.0]]);

    it('keeps the limit of its input', function (): void {
        // 20 A on the wire: 14.2 − 20 × 0.099 = 12.22 V, 244.4 W, 15.3 A at 14.4 V and 0.9. A load that takes all.
        $graph = new Graph();
        shaft($graph, 14.2, 500);
        Small::ohms($graph, 'out', 'shaft.pos', 'dd.in_pos', 0.099 - ChargerStage::HOLD_OHM);
        Small::ohms($graph, 'home', 'dd.in_neg', 'shaft.neg', 1e-7, Role::DcNegative);
        dcdc($graph, 40, 8.0, 20.0);
        Small::battery($graph, 'bank', 0.001);
        Small::ohms($graph, 'to', 'dd.pos', 'bank.pos', 0.001);
        Small::ohms($graph, 'from', 'bank.neg', 'dd.neg', 1e-7, Role::DcNegative);
        $flow = atRest($graph);
        expect($flow->loads['dd.in']['amps'])
            ->toEqualWithDelta(20.0, 0.01)
            ->and($flow->loads['dd.in']['volts'])
            ->toEqualWithDelta(12.22, 0.01)
            ->and($flow->sources['dd']['watts'])
            ->toEqualWithDelta(20 * 12.22 * 0.9, 0.3);
    });
});

describe('sun and shaft', function (): void {
    it('give their limit, hold their volts or what the field leaves them', function (): void {
        // A battery of 13.2 V and 10 mΩ at rest: 14.2 V would drive 1.0 ÷ (0.010 + 0.005) = 66.7 A into it.
        foreach ([[200.0, 0.0, 66.7], [40.0, 0.0, 40.0], [200.0, 270.0, 20.0]] as [$limit, $watts, $amps]) {
            $graph = new Graph();
            shaft($graph, 14.2, $limit, $watts);
            $graph->batteries = [];
            Small::battery($graph, 'bank', 0.01);
            Small::ohms($graph, 'to', 'shaft.pos', 'bank.pos', 1e-7);
            Small::ohms($graph, 'from', 'bank.neg', 'shaft.neg', 1e-7, Role::DcNegative);
            $flow = atRest($graph);
            $battery = $graph->batteries['bank.cells'];
            $ohm = $battery->chargingOhm('half');
            $held = 1.0 / ($ohm + ChargerStage::HOLD_OHM);
            // 270 W: V × (V − 13.2) ÷ R = 270.
            $byPower = (-13.2 + sqrt(13.2 ** 2 + 4 * $ohm * 270.0)) / (2 * $ohm);
            $expected = min($limit, $held, $watts > 0 ? $byPower : INF);
            expect($flow->sources['shaft']['amps'])->toEqualWithDelta($expected, 0.01);
        }
    });

    it('agree with ngspice on two battery systems with a converter between', function (int $seed): void {
        mt_srand($seed);
        $graph = new Graph();
        shaft($graph, 13.8 + mt_rand(0, 8) / 10, mt_rand(40, 200));
        Small::battery($graph, 'starter', mt_rand(4, 20) / 1000);
        Small::battery($graph, 'bank', mt_rand(1, 8) / 1000);
        Small::ohms($graph, 'a', 'shaft.pos', 'starter.pos', mt_rand(1, 9) / 1000);
        Small::ohms($graph, 'b', 'starter.neg', 'shaft.neg', mt_rand(1, 9) / 1000, Role::DcNegative);
        Small::ohms($graph, 'c', 'starter.pos', 'dd.in_pos', mt_rand(2, 60) / 1000);
        Small::ohms($graph, 'd', 'dd.in_neg', 'starter.neg', mt_rand(2, 20) / 1000, Role::DcNegative);
        dcdc($graph, mt_rand(5, 60), 9.0, mt_rand(0, 1) === 0 ? null : (float) mt_rand(10, 40));
        Small::ohms($graph, 'e', 'dd.pos', 'bank.pos', mt_rand(1, 20) / 1000);
        Small::ohms($graph, 'f', 'bank.neg', 'dd.neg', mt_rand(1, 20) / 1000, Role::DcNegative);
        Small::draw($graph, 'bank.pos', 'bank.neg', mt_rand(1, 120), 'house');
        Small::draw($graph, 'starter.pos', 'starter.neg', mt_rand(1, 30), 'lamps');
        if (mt_rand(0, 1) === 1) {
            Small::ohms($graph, 'g', 'starter.neg', 'bank.neg', 0.002, Role::DcNegative);
        }
        $flow = atRest($graph, ['full', 'half', 'low'][$seed % 3]);
        expect($flow->isSolved())->toBeTrue()->and($flow->residual)->toBeLessThan(1e-6);
        $found = Small::directByNgspice($flow);
        expect(count($found))->toBe(count($flow->dc->names));
        foreach ($found as $node => $volts) {
            $ours = $flow->dcV[$node];
            expect(abs($ours - $volts))->toBeLessThan(max(1e-3, 1e-3 * abs($ours)), $node);
        }
    })->with(Seeds::of(60));
});

it(
    'lets flow between two batteries at first what their volts drive through all there is between them',
    function (): void {
        // Worked example: 5 mΩ and 10 mΩ meet through 4 mΩ of leads: volts between them ÷ 19 mΩ. Whatever else runs.
        $graph = new Graph();
        Small::battery($graph, 'lithium', 0.005);
        Small::battery($graph, 'lead', 0.01, Chemistry::Flooded, 12);
        Small::ohms($graph, 'out', 'lithium.pos', 'lead.pos', 0.003);
        Small::ohms($graph, 'back', 'lead.neg', 'lithium.neg', 0.001, Role::DcNegative);
        Small::draw($graph, 'lead.pos', 'lead.neg', 60);
        $situation = (new Engine(new Contraction($graph)))->settle(new Setting([], []))->situation;
        [$lithium, $lead] = array_values($graph->batteries);
        $volts = $lithium->restV('half') - $lead->restV('half');
        expect(FirstCurrent::between($situation, $lithium, $lead))
            ->toEqualWithDelta($volts / 0.019, 0.05)
            ->and(FirstCurrent::between($situation, $lead, $lithium))
            ->toEqualWithDelta(-$volts / 0.019, 0.05);
    },
);
