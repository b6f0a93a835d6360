<?php

declare(strict_types=1);

use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * What technicians know of each way of bringing an inverter in, held against what the rules say of
 * it. Facts of the trade: common practice, no source, unless one is named.
 */

/** @param array<string, mixed> ...$intents */
function built(array ...$intents): Examination
{
    return Rigs::planned(Rigs::job(...$intents));
}

/** @return list<string> "rule: how it comes about" of everything that takes no faulty pedestal */
function troubles(Examination $rig): array
{
    $own = array_filter((new Judge($rig))->findings, fn(Finding $f): bool => $f->ways->kind !== 'outside');

    return array_values(array_map(fn(Finding $f): string => "{$f->rule->id}: {$f->ways->kind}", $own));
}

function impossible(Examination $rig, string $title): ?string
{
    foreach ((new Judge($rig))->prevented as $prevented) {
        if ($prevented->title === $title) {
            return $prevented->words;
        }
    }

    return null;
}

describe('receptacles of the inverter\'s own', function (): void {
    it('cannot join sources, whatever fails', function (): void {
        expect(impossible(built(Sample::alone('own_receptacles')), 'two sources joined'))->toContain(
            'survives any single failure',
        );
    });

    it('loop through a charger that is plugged into one of them', function (): void {
        $rig = built(
            Sample::alone('own_receptacles'),
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'charger',
                'component' => [
                    'type' => 'converter',
                    'label' => 'Plug-in charger',
                    'outputA' => 10,
                    'efficiency' => 0.85,
                    'mount' => 'charger',
                    'plug' => 'inverter_outlets',
                ],
            ],
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'charger_pos',
                'component' => [
                    'type' => 'lead',
                    'label' => 'Charger to 12 V panel',
                    'from' => 'charger.pos',
                    'to' => 'dc_panel.pos',
                    'pole' => 'positive',
                    'cable' => ['size' => 'awg:10', 'lengthM' => 1],
                ],
            ],
            [
                'kind' => 'plan_fit',
                'plan' => 'p',
                'id' => 'charger_neg',
                'component' => [
                    'type' => 'lead',
                    'label' => 'Charger to 12 V panel',
                    'from' => 'charger.neg',
                    'to' => 'dc_panel.neg',
                    'pole' => 'negative',
                    'cable' => ['size' => 'awg:10', 'lengthM' => 1],
                ],
            ],
        );
        expect(troubles($rig))->toContain('charging_loop: always');
    });

    it('may not clear a first fault when the output floats', function (): void {
        $rig = built(
            Sample::choose('own_receptacles', [
                'converter' => 'left',
                'continuousW' => 2000,
                'outputNeutral' => 'floating',
            ]),
        );
        $none = array_values(
            array_filter(
                (new Judge($rig))->findings,
                fn(Finding $f): bool => $f->rule->id === 'bond_count' && $f->severity()->value === 'advice',
            ),
        );
        expect($none)->toHaveCount(1)->and($none[0]->hit->text)->toContain('a first line-to-case fault trips nothing');
    });
});

describe('a plug moved by hand', function (): void {
    it('moves all conductors, break before make: nothing can join', function (): void {
        expect(
            impossible(built(Sample::alone('plug_by_hand', ['circuit' => 'c_outlets'])), 'two sources joined'),
        )->toContain('survives any single failure');
    });
});

describe('the shore cord plugged into the inverter', function (): void {
    $rig = fn(): Examination => built(Sample::alone('cord_into_inverter'));

    it('cannot be in two places', function () use ($rig): void {
        expect(impossible($rig(), 'two sources joined'))->toContain('survives any single failure');
    });

    it('puts the converter and whatever starts by itself on the battery', function () use ($rig): void {
        expect(troubles($rig()))->toContain('charging_loop: always')->toContain('starts_by_itself: always');
    });
});

describe('a transfer switch for the whole panel', function (): void {
    it('loops through the factory converter behind it', function (): void {
        expect(troubles(built(Sample::alone('transfer_whole'))))->toContain('charging_loop: always');
    });

    it('is undone by contacts that weld, and by nothing less', function (): void {
        expect(impossible(built(Sample::alone('transfer_whole')), 'two sources joined'))->toContain(
            'contacts of Transfer switch welded closed',
        );
    });

    it('with one pole leaves the inverter\'s bond on shore: two bonds', function (): void {
        expect(troubles(built(Sample::alone('transfer_whole', ['poles' => 'one']))))
            ->toContain('bond_count: always')
            ->and(troubles(built(Sample::alone('transfer_whole', ['poles' => 'two']))))
            ->not->toContain('bond_count: always');
    });

    it('by hand with centre-off joins nothing in any position', function (): void {
        $rig = built(Sample::alone('transfer_whole', ['switch' => 'manual']));
        expect(troubles($rig))
            ->not->toContain('joined_sources: always')
            ->not->toContain('joined_sources: slips')
            ->not->toContain('motor_transfer: always');
    });
});

describe('a transfer switch in one circuit', function (): void {
    it('keeps heavy loads off the battery', function (): void {
        $rig = built(Sample::alone('transfer_circuit', ['circuit' => 'c_outlets']));
        expect(troubles($rig))->not->toContain('starts_by_itself: always')->not->toContain('charging_loop: always');
    });
});

describe('an inverter/charger in line ahead of the panel', function (): void {
    it('loops through a converter that is left, always', function (): void {
        expect(troubles(built(Sample::choose('in_line', ['converter' => 'left']))))->toContain('charging_loop: always');
    });

    it('fails by forgetting where the converter is switched off by hand', function (): void {
        $found = troubles(built(Sample::choose('in_line', ['converter' => 'by_hand'])));
        expect($found)
            ->not->toContain('charging_loop: always')
            ->and(
                array_filter(
                    $found,
                    fn(string $t): bool => in_array($t, ['charging_loop: slips', 'charging_loop: outage'], true),
                ),
            )
            ->not->toBe([]);
    });

    it('has no loop where the converter is ahead of the transfer, lifted off the bank or gone', function (
        string $fate,
    ): void {
        expect(
            array_filter(
                troubles(built(Sample::choose('in_line', ['converter' => $fate]))),
                fn(string $t): bool => str_starts_with($t, 'charging_loop'),
            ),
        )->toBe([]);
    })->with(['ahead', 'removed', 'lifted']);

    it(
        'loops through a fail-safe contactor only where shore is there and too low: the coil holds, the unit inverts',
        function (): void {
            $rig = built(Sample::choose('in_line', ['converter' => 'contactor_safe']));
            $loops = array_values(
                array_filter((new Judge($rig))->findings, fn(Finding $f): bool => $f->rule->id === 'charging_loop'),
            );
            expect($loops)
                ->toHaveCount(1)
                ->and($loops[0]->states)
                ->toBe(['low_shore']);
        },
    );

    it('brings the loop back when the coil of a normally-closed contactor dies', function (): void {
        $rig = built(Sample::choose('in_line', ['converter' => 'contactor']));
        $dead = array_values(
            array_filter(
                Hollin\Core\States\Failure::ofNetwork($rig->engine->network),
                fn($f): bool => str_contains($rig->graph->label($f->component), 'lock-out') &&
                    str_contains($f->words, 'dead'),
            ),
        )[0];
        $loops = fn(?Hollin\Core\States\Failure $failure): bool => $rig->engine
            ->settle($rig->named['inverting']->setting, $rig->settled['inverting']->positions, $failure)
            ->situation->charging() !== [];
        expect($loops(null))->toBeFalse()->and($loops($dead))->toBeTrue();
    });

    it('has exactly one bond in every state it can be in', function (): void {
        $rig = built(Sample::choose('in_line'));
        foreach ($rig->settled as $state => $settled) {
            foreach ($settled->situation->acSources() as $source => $_) {
                expect(count($settled->situation->bondsOf($source)))->toBe(1, "{$source} in {$state}");
            }
        }
    });
});

describe('an inverter/charger on a breaker feeding a subpanel', function (): void {
    it('makes the whole panel live when a neutral is left behind', function (): void {
        $rig = built(
            Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
            Sample::move('c_outlets', 'main_panel', 'neutral'),
        );
        expect(troubles($rig))->toContain('split_return: always')->toContain('live_pins: always');
    });

    it('leaves the heavy loads without supply off grid, which is what it is for', function (): void {
        $rig = built(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]));
        $live = $rig->settled['inverting']->situation->liveness();
        expect($live['c_air']->kind)->toBe('dead')->and($live['c_outlets']->kind)->toBe('works');
    });
});

describe('a back-fed breaker', function (): void {
    $room = Sample::survey('main_panel', '/slots', 12);

    it('parts the hot only: the inverter\'s bond stays on shore', function () use ($room): void {
        expect(troubles(built($room, Sample::alone('back_fed'))))->toContain('bond_count: always');
    });

    it('without its interlock is one slip from joined sources', function () use ($room): void {
        expect(
            array_filter(
                troubles(built($room, Sample::alone('back_fed', ['interlocked' => false]))),
                fn(string $t): bool => str_starts_with($t, 'joined_sources'),
            ),
        )
            ->not->toBe([])
            ->and(impossible(built($room, Sample::alone('back_fed')), 'two sources joined'))
            ->toContain('Main panel');
    });
});

describe('neutral and ground', function (): void {
    it('a bonding screw in the vehicle\'s panel makes two bonds on shore', function (): void {
        $rig = Rigs::asFound(Rigs::job(Sample::survey('main_panel', '/bondScrew', true)));
        expect(troubles($rig))->toContain('bond_count: always');
    });

    it('another case may be all that grounds a panel whose bar is not bonded to the frame', function (): void {
        $rig = Rigs::asFound(Rigs::job(Sample::survey('main_panel', '/bondedToFrame', false)));
        expect(troubles($rig))->not->toContain('ground_continuity: always');
        $bare = Rigs::asFound(
            Rigs::job(
                Sample::survey('main_panel', '/bondedToFrame', false),
                ...array_map(fn(string $id): array => ['kind' => 'survey_remove', 'component' => $id], [
                    'c_converter',
                    'ld_conv',
                    'ld_conv_neg',
                    'converter',
                ]),
            ),
        );
        expect(troubles($bare))->toContain('ground_continuity: always');
    });

    it('a floating portable generator has no bond while it feeds the rig, one with a bonding plug has', function (
        string $bond,
        bool $warned,
    ): void {
        $rig = Rigs::asFound(
            Rigs::job(
                Sample::add('genset', [
                    'type' => 'generator',
                    'label' => 'Generator',
                    'ratedW' => 2200,
                    'outletA' => 20,
                    'mount' => 'portable',
                    'bond' => $bond,
                    'reaches' => 'inlet',
                ]),
            ),
        );
        expect(in_array('bond_count: always', troubles($rig), true))->toBe($warned);
    })->with([['floating', true], ['bonded', false], ['plug', false]]);
});
