<?php

declare(strict_types=1);

use Hollin\Core\Reference\ColdVolts;
use Hollin\Core\Rules\ChargingSamples;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Severity;
use Tests\Rigs;

/** @return list<Finding> what a rule finds on the usual trailer with some parts more */
function found(string $rule, array ...$edits): array
{
    return Rigs::findings(Rigs::planned(Rigs::job(...$edits)), $rule);
}

describe('panels in the cold', function (): void {
    // Worked example: three in series, 42.5 V at 25 °C, −0.26 %/°C, −25 °C, 150 V controller. 144.1 V by the maker,
    // 153.0 by the table of the electrical code (690.7 from memory).
    $panels = fn(array $more): array => [
        ...ChargingSamples::house(),
        ...ChargingSamples::panels(
            $more + ['panelVoc' => 42.5, 'panelVmp' => 36, 'series' => 3, 'coldestC' => -25, 'limitV' => 150],
        ),
    ];

    it('are judged by the maker\'s coefficient where it is known, and the difference is told', function () use (
        $panels,
    ): void {
        [$finding] = found('cold_open_volts', ...$panels(['perC' => -0.26]));
        expect($finding->severity())
            ->toBe(Severity::Advice)
            ->and($finding->hit->figures[0]->value)
            ->toEqualWithDelta(127.5 * 1.13, 0.05)
            ->and($finding->hit->text)
            ->toContain('144 V')
            ->toContain('153 V');
    });

    it('are judged by the table where it is not', function () use ($panels): void {
        [$finding] = found('cold_open_volts', ...$panels([]));
        expect($finding->severity())
            ->toBe(Severity::Danger)
            ->and($finding->hit->figures[0]->value)
            ->toEqualWithDelta(153.0, 0.01);
        expect(found('cold_open_volts', ...$panels(['limitV' => 160])))->toBe([]);
    });

    it('rise by the row of the table the temperature falls into', function (float $c, float $factor): void {
        expect(ColdVolts::factor($c))->toBe($factor);
    })->with([[25, 1.0], [24, 1.02], [-1, 1.12], [-25, 1.2], [-26, 1.21], [-40, 1.25], [-55, 1.25]]);
});

it('tells what flows at the first moment of a turn through both', function (): void {
    // Lithium and lead at half charge, 5 and 10 mΩ, and the leads between them: the difference over all that. By hand.
    $unit = fn(string $label, string $chemistry, float $volts, float $mohm): array => [
        ...ChargingSamples::battery($label, $chemistry, $volts, 100),
        'unitMilliohm' => $mohm,
    ];
    [$finding] = found(
        'turned_through_both',
        ChargingSamples::part('first', $unit('First', 'lfp', 12.8, 5)),
        ChargingSamples::part('second', $unit('Second', 'flooded', 12, 10)),
        ChargingSamples::part('selector', [
            'type' => 'battery_selector',
            'label' => 'Selector',
            'ratingA' => 300,
            'usual' => 'one',
        ]),
        ChargingSamples::lead('first.pos', 'selector.one', 'positive', 'awg:2', 2.0),
        ChargingSamples::lead('second.pos', 'selector.two', 'positive', 'awg:2', 2.0),
        ChargingSamples::lead('first.neg', 'second.neg', 'negative', 'awg:2', 2.0),
    );
    $rest = [];
    foreach (['lfp', 'flooded'] as $chemistry) {
        $rest[] = Hollin\Core\Reference\Chemistry::from($chemistry)->restV('half');
    }
    // 2 AWG is 0.513 mΩ a metre at 20 °C (published wire tables), 6 m of it, a fifth more when
    // warm; a switch contact or two and bolts add up to 5 mΩ (common practice, no source).
    $least = ($rest[0] - $rest[1]) / 0.0237;
    $most = ($rest[0] - $rest[1]) / 0.0181;
    expect($finding->hit->figures[0]->value)
        ->toBeGreaterThan($least)
        ->toBeLessThan($most);
});

describe('an engine', function (): void {
    it('may lose its battery by a hand, not by a breaker of something else', function (): void {
        expect(found('load_dump', ...ChargingSamples::engine()))->toBe([]);
    });

    it('is told of as feared, not as known, where nobody has measured its volts', function (): void {
        $rig = fn(string $control): array => [
            ...ChargingSamples::engine(['control' => $control]),
            ...ChargingSamples::house('flooded', 12),
            ...ChargingSamples::separator(),
        ];
        [$known] = found('lowered_alternator', ...$rig('smart'));
        [$feared] = found('lowered_alternator', ...$rig('unknown'));
        expect([$known->severity(), $feared->severity()])
            ->toBe([Severity::Warning, Severity::Advice])
            ->and($feared->hit->text)
            ->toContain('may come down');
    });

    it('charges its own battery: shore has no part in that', function (): void {
        $lost = found('charging_lost', ...ChargingSamples::engine());
        expect(array_filter($lost, fn(Finding $f): bool => str_contains($f->hit->text, 'Starter')))->toBe([]);
    });

    it('has a cable to its battery without a fuse, as vehicles have', function (): void {
        $bare = Rigs::findings(Rigs::planned(Rigs::job(...ChargingSamples::engine())), 'conductor_protection');
        expect(array_filter($bare, fn(Finding $f): bool => str_contains($f->hit->text, 'alternator.pos')))->toBe([]);
    });
});

it('says what a DC-DC charger wants that its wire does not bring', function (): void {
    [$finding] = found(
        'converter_starves',
        ...ChargingSamples::engine(),
        ...ChargingSamples::house(),
        ...ChargingSamples::dcdc([], 'awg:14', 12.0),
    );
    // 30 A at 14.4 V and 0.9: 480 W.
    expect($finding->hit->figures[0]->value)->toEqualWithDelta(480.0, 0.5);
});

describe('the van on the causeway', function (): void {
    it('has its trouble as found, and less of it with a DC-DC charger', function (): void {
        $found = fn(string $view): array => array_values(
            array_unique(
                array_map(
                    fn(Finding $f): string => $f->rule->id,
                    (new Hollin\Core\Answers\JobAnswers(Rigs::demo('causeway')))->judged($view)[1]->findings,
                ),
            ),
        );
        $before = $found('as_found');
        $after = $found('dcdc/whole');
        foreach (['lowered_alternator', 'separator_chatters', 'unlike_parallel'] as $rule) {
            expect($before)->toContain($rule)->and($after)->not->toContain($rule);
        }
        expect($after)->not->toContain('converter_starves');
    });

    it('drives, idles and stands in the sun', function (): void {
        $rig = Rigs::planned(Rigs::demo('causeway'), 'dcdc');
        $amps = fn(string $state): float => $rig->flows()->of($rig->settled[$state], [])->sources['dcdc.output'][
            'amps'
        ] ?? 0.0;
        expect(array_keys($rig->named))
            ->toContain('driving', 'idling', 'sun')
            ->and($amps('driving'))
            ->toEqualWithDelta(20.0, 0.1)
            ->and($amps('nothing'))
            ->toBe(0.0)
            ->and($rig->flows()->of($rig->settled['sun'], [])->sources['panels.output']['watts'])
            ->toBeLessThanOrEqual(350.0);
    });
});
