<?php

declare(strict_types=1);

use Hollin\Core\Answers\StateAnswer;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * What reacts when somebody plugs in, switches over or loses the pedestal, in order and with its
 * delay, as somebody standing beside the rig would hear it click. Delays are those of the parts.
 */

/**
 * @param array<string, string> $controls
 * @param array<string, string> $surroundings
 * @return list<string> "seconds: words" of each step
 */
function storyOf(Examination $rig, array $controls, array $surroundings = []): array
{
    return array_map(
        fn(array $step): string => sprintf('%g s: %s', $step['atS'], implode('; ', $step['words'])),
        (new StateAnswer($rig, $controls, $surroundings, []))->toArray()['story'],
    );
}

describe('an inverter/charger in line', function (): void {
    $rig = fn(): Examination => Rigs::planned(Rigs::job(Sample::choose('in_line')));

    it('takes shore over once it has been steady, and charges', function () use ($rig): void {
        // Switched off it passes shore through and does not charge.
        expect(storyOf($rig(), ['inlet.plug' => 's30'])[0])->not->toContain('charges');
        expect(storyOf($rig(), ['inlet.plug' => 's30', 'inverter.mode' => 'charge']))->toBe([
            '15 s: Inverter/charger 3000 VA transfer relay: passing shore through; 5 circuits: works from ' .
            'Shore; Inverter/charger 3000 VA charges',
        ]);
    });

    it('inverts at once when there is nothing to pass through', function (array $controls, array $surroundings) use (
        $rig,
    ): void {
        expect(storyOf($rig(), $controls + ['inverter.mode' => 'on'], $surroundings))->toBe([
            '0.02 s: Inverter/charger 3000 VA transfer relay: inverting; 5 circuits: works from ' .
            'Inverter/charger 3000 VA',
        ]);
    })->with([
        'nothing connected' => [[], []],
        'a dead pedestal' => [['inlet.plug' => 's30'], ['shore.condition' => 'dead']],
        'shore too low' => [['inlet.plug' => 's30'], ['shore.condition' => 'low']],
        'shore too high' => [['inlet.plug' => 's30'], ['shore.condition' => 'high']],
    ]);

    it('does nothing without its battery', function () use ($rig): void {
        expect(storyOf($rig(), ['inverter.mode' => 'on', 'disconnect.handle' => 'off']))->toBe([]);
    });

    it('does nothing while switched off and unplugged', function () use ($rig): void {
        expect(storyOf($rig(), ['inverter.mode' => 'off']))->toBe([]);
    });
});

describe('a transfer switch ahead of the whole panel', function (): void {
    it('is on the inverter first and goes to shore after its delay', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::alone('transfer_whole')));
        expect(storyOf($rig, ['inlet.plug' => 's30', 'inverter.mode' => 'on']))->toBe([
            '2 s: Inverter 2000 W: inverting; 6 circuits: works from Inverter 2000 W; Converter 55 A charges',
            '10 s: Transfer switch: on input A; 6 circuits: works from Shore',
        ]);
    });

    it('goes to shore when that is all there is', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::alone('transfer_whole')));
        expect(storyOf($rig, ['inlet.plug' => 's30', 'inverter.mode' => 'off']))->toBe([
            '10 s: Transfer switch: on input A; 6 circuits: works from Shore; Converter 55 A charges',
        ]);
    });

    it('takes its own delay from the part', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::alone('transfer_whole', ['delayS' => 33])));
        expect(storyOf($rig, ['inlet.plug' => 's30', 'inverter.mode' => 'off'])[0])->toStartWith(
            '33 s: Transfer switch: on input A',
        );
    });

    it('by hand, nothing moves but the inverter', function (string $handle): void {
        $rig = Rigs::planned(Rigs::job(Sample::alone('transfer_whole', ['switch' => 'manual'])));
        $story = storyOf($rig, ['inlet.plug' => 's30', 'inverter.mode' => 'on', 'transfer.handle' => $handle]);
        expect($story)->toHaveCount(1)->and($story[0])->toStartWith('2 s: Inverter 2000 W: inverting');
    })->with(['off', 'a', 'b']);
});

describe('a converter behind a contactor', function (): void {
    it('charges for a blink from the inverter before a normally-closed contact opens', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'contactor'])));
        expect(storyOf($rig, ['inverter.mode' => 'on']))->toBe([
            '0.02 s: Inverter/charger 3000 VA transfer relay: inverting; 6 circuits: works from ' .
            'Inverter/charger 3000 VA; Converter 55 A charges',
            '0.05 s: Converter lock-out: coil pulled in; Converter 55 A charges no longer',
        ]);
    });

    it('never charges from the inverter through the fail-safe kind', function (): void {
        $rig = Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'contactor_safe'])));
        expect(implode(' ', storyOf($rig, ['inverter.mode' => 'on'])))
            ->not->toContain('Converter 55 A charges')
            ->and(implode(' ', storyOf($rig, ['inlet.plug' => 's30'])))
            ->toContain('Converter contactor: coil pulled in')
            ->toContain('Converter 55 A charges');
    });
});

describe('a surge unit at the cord', function (): void {
    $rig = fn(): Examination => Rigs::asFound(Rigs::demo('tideline'));

    it('waits, then lets the supply in', function () use ($rig): void {
        expect(storyOf($rig(), ['inlet.plug' => 's30'])[0])->toStartWith(
            '136 s: Surge unit: lets the supply in; 7 circuits: works from Shore',
        );
    });

    it('keeps out what it can see is wrong', function (string $condition) use ($rig): void {
        expect(storyOf($rig(), ['inlet.plug' => 's30'], ['shore.condition' => $condition]))->toBe([]);
    })->with(['reversed', 'open_ground', 'high', 'low', 'dead', 'wired_240']);

    it('lets in what it cannot see: a ground bootlegged to the reversed neutral', function () use ($rig): void {
        expect(storyOf($rig(), ['inlet.plug' => 's30'], ['shore.condition' => 'bootleg']))->toHaveCount(1);
    });

    it('does not wait while bypassed, and does not look', function () use ($rig): void {
        expect(
            storyOf(
                $rig(),
                ['inlet.plug' => 's30', 'guard.bypass' => 'bypassed'],
                ['shore.condition' => 'reversed'],
            )[0],
        )->toStartWith('0.05 s: Surge unit: bypassed, everything passes; 7 circuits: works from Shore');
    });

    it('refuses a generator whose neutral floats', function () use ($rig): void {
        expect(storyOf($rig(), ['inlet.plug' => 'genset', 'genset.run' => 'running']))->toBe([]);
    });
});
