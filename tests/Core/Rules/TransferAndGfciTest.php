<?php

declare(strict_types=1);

use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * A GFCI trips on a neutral grounded beyond it (UL 943, from memory); two sources that are not
 * one machine are never in step (common practice, no source).
 */

/** @return list<Finding> */
function saidBy(string $rule, array ...$intents): array
{
    return Rigs::findings(Rigs::planned(Rigs::job(...$intents)), $rule);
}

describe('a GFCI breaker ahead of a transfer switch', function (): void {
    $breaker = Sample::survey('c_wet', '/gfci', 'breaker');
    $switch = fn(array $more): array => Sample::alone('transfer_circuit', ['circuit' => 'c_wet', ...$more]);

    it('trips on shore, by the inverter\'s bond, when the neutral is not switched', function () use (
        $breaker,
        $switch,
    ): void {
        [$finding] = saidBy('gfci_trips', $breaker, $switch(['poles' => 'one']));
        expect($finding->hit->text)
            ->toContain('grounded beyond its GFCI, in Inverter 2000 W')
            ->and($finding->hit->components)
            ->toBe(['transfer_feed', 'inverter'])
            ->and($finding->state)
            ->toStartWith('shore');
    });

    it('says nothing in states where the GFCI has no supply', function () use ($breaker, $switch): void {
        $rig = Rigs::planned(Rigs::job($breaker, $switch(['poles' => 'one'])));
        [$finding] = Rigs::findings($rig, 'gfci_trips');
        expect($finding->states)->not->toContain('inverting')->not->toContain('nothing')->not->toBe([]);
    });

    it('holds where the switch takes the neutral along', function () use ($breaker, $switch): void {
        expect(saidBy('gfci_trips', $breaker, $switch(['poles' => 'two'])))->toBe([]);
    });

    it('trips where its neutral is tied to another circuit\'s beyond it', function (): void {
        $rig = Rigs::asFound(
            Rigs::job(
                Sample::survey('c_wet', '/gfci', 'breaker'),
                Sample::add('swap', [
                    'type' => 'transfer_switch',
                    'label' => 'Swap',
                    'kind' => 'manual',
                    'poles' => 'one',
                    'ratingA' => 20,
                ]),
                Sample::survey('c_wet', '/feeds', ['at' => 'swap', 'port' => 'in_a']),
                Sample::survey('c_outlets', '/feeds', ['at' => 'swap', 'port' => 'in_b']),
            ),
        );
        [$finding] = Rigs::findings($rig, 'gfci_trips');
        expect($finding->hit->text)->toContain('a second way back')->and($finding->hit->components[0])->toBe('c_wet');
    });
});

describe('a subpanel fed through a GFCI breaker', function (): void {
    it('trips it when its bonding screw is in', function (): void {
        $feed = Sample::set('inverter_feed', '/gfci', 'breaker');
        $intents = [Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]), $feed];
        expect(saidBy('gfci_trips', ...$intents))->toBe([]);
        $found = saidBy('gfci_trips', ...[...$intents, Sample::set('inverter_panel', '/bondScrew', true)]);
        expect($found)->toHaveCount(1)->and($found[0]->hit->text)->toContain('in Inverter panel');
    });

    it('trips it by the inverter\'s relay where the neutral is common and the supply too low', function (): void {
        $found = saidBy(
            'gfci_trips',
            Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'neutral' => 'common']),
            Sample::set('inverter_feed', '/gfci', 'breaker'),
        );
        expect($found)
            ->toHaveCount(1)
            ->and($found[0]->hit->text)
            ->toContain('in Inverter/charger 3000 VA')
            ->and($found[0]->state)
            ->toBe('low_shore');
    });
});

describe('a motor and an automatic transfer switch', function (): void {
    it('names the two sources in the order of the throw, and what turns', function (): void {
        [$finding] = saidBy('motor_transfer', Sample::alone('transfer_whole'));
        expect($finding->hit->text)
            ->toContain('from Inverter 2000 W to Shore')
            ->toContain('Air conditioner')
            ->and($finding->state)
            ->toBe('shore_and_inverter');
    });

    it('is silent when nothing behind it turns', function (): void {
        expect(
            saidBy(
                'motor_transfer',
                Sample::survey('c_air', '/loads/unit/kind', 'resistive'),
                Sample::alone('transfer_whole'),
            ),
        )->toBe([]);
    });

    it('turns the other way round when the switch prefers the inverter', function (): void {
        $rig = Rigs::job(Sample::alone('transfer_whole'));
        $switch = array_key_first(
            array_filter(Rigs::planned($rig)->rig->components, fn($c): bool => $c::type() === 'transfer_switch'),
        );
        $prefers = Rigs::planned($rig)->rig->find((string) $switch)?->values->text('prefers') === 'a' ? 'b' : 'a';
        [$finding] = Rigs::findings(
            Rigs::planned(Rigs::edit($rig, Sample::set((string) $switch, '/prefers', $prefers))),
            'motor_transfer',
        );
        expect($finding->hit->text)->toContain('from Shore to Inverter 2000 W');
    });
});

it('hunts where a contactor\'s coil hangs on its own output, and says how fast', function (): void {
    $rig = Rigs::asFound(
        Rigs::job(
            Sample::add('lock', [
                'type' => 'contactor',
                'label' => 'Lock-out',
                'contact' => 'nc',
                'coil' => ['at' => 'lock', 'port' => 'out'],
                'coilW' => 5,
                'ratingA' => 20,
            ]),
            Sample::survey('c_converter', '/feeds', ['at' => 'lock', 'port' => 'in']),
            Sample::add('lock_out', [
                'type' => 'feeder',
                'label' => 'Lock-out to converter',
                'from' => ['at' => 'lock', 'port' => 'out'],
                'to' => ['at' => 'converter', 'port' => 'ac_in'],
                'cable' => ['size' => 'awg:14', 'lengthM' => 1],
            ]),
        ),
    );
    $found = Rigs::findings($rig, 'restless');
    expect($found)->not->toBe([])->and($found[0]->hit->text)->toContain('hunting, about every');
});

it('offers to hold a back-fed breaker down, and is content when it is', function (): void {
    $job = Rigs::job(
        Sample::survey('main_panel', '/slots', 12),
        Sample::alone('back_fed'),
        Sample::set('main_panel', '/backfeed/holdDown', false),
    );
    [$finding] = Rigs::findings(Rigs::planned($job), 'hold_down');
    expect($finding->hit->remedies)
        ->toHaveCount(1)
        ->and($finding->hit->remedies[0]->intent['path'])
        ->toBe('/backfeed/holdDown')
        ->and($finding->hit->remedies[0]->intent['value'])
        ->toBeTrue();
    $held = Rigs::edit($job, Sample::set('main_panel', '/backfeed/holdDown', true));
    expect(Rigs::findings(Rigs::planned($held), 'hold_down'))->toBe([]);
});

it('says what a lock-out coil takes from the battery in a day, the inverter\'s losses with it', function (): void {
    // 8 W × 24 h ÷ (12.8 V × 0.88) = 17.0 Ah (worked by hand); the inverter's own idle comes on top.
    $rig = Rigs::planned(
        Rigs::job(
            Sample::choose('in_line', ['converter' => 'contactor', 'continuousW' => 2000]),
            Sample::set('lock_out', '/coilW', 8),
        ),
    );
    $found = Rigs::findings($rig, 'lock_out');
    expect($found)->not->toBe([]);
    $coil = array_values(array_filter($found[0]->hit->figures, fn($f): bool => $f->label === 'Coil'))[0];
    expect($coil->value)->toEqualWithDelta(17.0, 0.1)->and($coil->unit)->toBe('Ah a day');
});
