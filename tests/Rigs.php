<?php

declare(strict_types=1);

namespace Tests;

use Hollin\Core\Components\Rig;
use Hollin\Core\Document\JobFile;
use Hollin\Core\Intent\Intents;
use Hollin\Core\Plan\Planned;
use Hollin\Core\Rules\AsFound;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Needs;
use Hollin\Core\Rules\Sample;
use stdClass;

/** Rigs for tests, made by intents as a person makes them. */
final class Rigs
{
    /** @param array<string, mixed> ...$intents */
    public static function job(array ...$intents): stdClass
    {
        $document = JobFile::blank('Test rig');
        foreach (
            [
                ['kind' => 'lay_out', 'layout' => 'trailer_30_in_panel'],
                ['kind' => 'add_plan', 'id' => 'p', 'title' => 'Plan'],
                ...$intents,
            ]
            as $intent
        ) {
            $document = self::edit($document, $intent);
        }

        return $document;
    }

    /** Example files of the documentation that are rigs of the demo workshop, by name. */
    public const DEMO = [
        'grafting' => 'grafting-trailer',
        'archive' => 'archive-trailer',
        'tideline' => 'tide-line-van',
        'causeway' => 'causeway-van',
        'bellows' => 'bellows-trailer',
        'kite' => 'kite-camper',
    ];

    public static function demo(string $name): stdClass
    {
        static $read = [];

        return $read[$name] ??= self::example(self::DEMO[$name]);
    }

    /** An example file of the documentation. */
    public static function example(string $file): stdClass
    {
        return JobFile::read((string) file_get_contents(dirname(__DIR__) . "/docs/examples/{$file}.json"));
    }

    /**
     * @param array<string, mixed> $intent
     * @param bool $wrongly also what is found in rigs and refused in a plan
     */
    public static function edit(stdClass $document, array $intent, bool $wrongly = true): stdClass
    {
        return Intents::apply($document, self::object($intent), $wrongly)->document;
    }

    /** @param array<string, mixed> $value */
    public static function object(array $value): stdClass
    {
        return json_decode((string) json_encode($value, JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR);
    }

    public static function asFound(stdClass $document): Examination
    {
        return new Examination(Rig::from($document->asFound->components), Needs::from($document->needs));
    }

    public static function planned(stdClass $document, string $plan = 'p'): Examination
    {
        $stages = Planned::stages($document, $plan);
        $last = $stages[count($stages) - 1];

        return new Examination(
            Rig::from($last->components),
            Needs::from($document->needs),
            new AsFound(Rig::from($document->asFound->components), Needs::from($document->needs)),
            $last->unapplied,
        );
    }

    /** @return list<Finding> of one rule */
    public static function findings(Examination $rig, string $rule): array
    {
        return array_values(array_filter((new Judge($rig))->findings, fn(Finding $f): bool => $f->rule->id === $rule));
    }

    /** @return list<Finding> of the rule on a sample: as found, or planned where a change is one of a plan */
    public static function sampled(string $rule, Sample $sample): array
    {
        $document = $sample->document();
        $planned = array_filter($sample->edits, fn(array $edit): bool => isset($edit['plan'])) !== [];

        return self::findings($planned ? self::planned($document) : self::asFound($document), $rule);
    }

    /**
     * A trailer nobody built, with its troubles drawn at random: where circuits land, what is
     * bonded, how the inverter is wired. The seed makes it again.
     */
    public static function generated(int $seed): stdClass
    {
        mt_srand($seed);
        $yes = fn(int $percent = 50): bool => mt_rand(1, 100) <= $percent;
        $fates = ['left', 'by_hand', 'ahead', 'removed'];
        $circuits = ['c_outlets', 'c_wet', 'c_air', 'c_water', 'c_fridge', 'c_converter'];
        $fed = array_filter(array_fill_keys($circuits, true), fn(): bool => $yes());
        $options = [
            'converter' => $fates[mt_rand(0, 3)],
            'continuousW' => mt_rand(1, 4) * 1000,
            'neutral' => $yes() ? 'switched' : 'common',
        ];
        $recipe = $yes() || $fed === [] ? 'in_line' : 'subpanel';
        $document = self::job(
            [
                'kind' => 'survey_set',
                'component' => 'main_panel',
                'path' => '/bondScrew',
                'value' => ['value' => $yes(25), 'basis' => 'read_off'],
            ],
            [
                'kind' => 'choose_arrangement',
                'plan' => 'p',
                'recipe' => $recipe,
                'options' => $options + ($recipe === 'subpanel' ? ['circuits' => $fed] : []),
            ],
        );
        if ($yes(40)) {
            $document = self::edit($document, [
                'kind' => 'plan_set',
                'plan' => 'p',
                'component' => 'inverter',
                'path' => '/bond',
                'value' => ['none', 'fixed'][mt_rand(0, 1)],
            ]);
        }
        $panels = $recipe === 'subpanel' ? ['main_panel', 'inverter_panel'] : ['main_panel'];
        foreach ($circuits as $circuit) {
            $there = $document->asFound->components->{$circuit} ?? null;
            if ($there !== null && $yes(25)) {
                try {
                    $document = self::edit($document, [
                        'kind' => 'move_circuit',
                        'plan' => 'p',
                        'circuit' => $circuit,
                        'panel' => $panels[mt_rand(0, count($panels) - 1)],
                        'wires' => ['both', 'hot', 'neutral'][mt_rand(0, 2)],
                    ]);
                } catch (\Hollin\Core\Plan\Refused) {
                    // A full panel, or a circuit the plan takes out: as it was.
                }
            }
        }
        if ($recipe === 'in_line' && $yes(25)) {
            $document = self::edit($document, [
                'kind' => 'plan_set',
                'plan' => 'p',
                'component' => 'feeder_main',
                'path' => '/to',
                'value' => ['at' => 'main_panel', 'port' => 'line'],
            ]);
        }

        return $document;
    }

    /**
     * A trailer with any of the arrangements, its options drawn at random, now and then with a
     * portable generator, a surge unit at the cord or a bonding screw left in.
     */
    public static function varied(int $seed): stdClass
    {
        mt_srand($seed);
        $yes = fn(int $percent = 50): bool => mt_rand(1, 100) <= $percent;
        $of = fn(array $choices): mixed => $choices[mt_rand(0, count($choices) - 1)];
        $recipe = $of(array_keys(\Hollin\Core\Plan\Arrangements\Arrangements::all()));
        $charges = in_array($recipe, ['in_line', 'subpanel'], true);
        $options =
            [
                'continuousW' => mt_rand(2, 6) * 500,
                'dcRunM' => mt_rand(2, 30) / 10,
                'chemistry' => $of(['lfp', 'agm']),
            ] +
            ($charges
                ? [
                    'converter' => $of([
                        'left',
                        'by_hand',
                        'ahead',
                        'removed',
                        'contactor',
                        'contactor_safe',
                        'lifted',
                        'replaced',
                    ]),
                    'neutral' => $of(['switched', 'common']),
                    'assist' => $yes(30),
                    'inputLimitA' => $of([10, 15, 30]),
                ]
                : [
                    'converter' => $of(['left', 'by_hand', 'contactor', 'contactor_safe', 'lifted', 'replaced']),
                    'outputNeutral' => $of(['bonded', 'floating', 'half', 'unknown']),
                ]);
        $options += match ($recipe) {
            'in_line' => ['bypass' => $yes(30)],
            'subpanel' => ['circuits' => ['c_outlets' => true, 'c_fridge' => $yes()]],
            'transfer_whole', 'transfer_circuit' => [
                'switch' => $of(['automatic', 'manual']),
                'poles' => $of(['one', 'two']),
                'prefers' => $of(['supply', 'inverter']),
            ] + ($recipe === 'transfer_circuit' ? ['circuit' => 'c_outlets'] : []),
            'plug_by_hand' => ['circuit' => $of(['c_outlets', 'c_fridge'])],
            'back_fed' => ['interlocked' => $yes(70)],
            default => [],
        };
        $edits = [];
        if ($recipe === 'back_fed') {
            $edits[] = ['kind' => 'survey_remove', 'component' => 'c_water'];
        }
        if ($yes(25)) {
            $edits[] = Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off']);
        }
        if ($yes(30)) {
            $edits[] = [
                'kind' => 'survey_add',
                'id' => 'genset',
                'component' => [
                    'type' => 'generator',
                    'label' => 'Portable set',
                    'ratedW' => 2200,
                    'surgeW' => 2800,
                    'outletA' => 20,
                    'mount' => 'portable',
                    'bond' => $of(['bonded', 'floating', 'plug']),
                    'reaches' => 'inlet',
                ],
            ];
        }
        if ($yes(25)) {
            $edits[] = [
                'kind' => 'survey_add',
                'id' => 'guard',
                'component' => [
                    'type' => 'surge_unit',
                    'label' => 'Surge unit',
                    'ratingA' => 30,
                    'mount' => 'inside',
                    'opens' => $of(['both', 'hot']),
                    'delayS' => 30,
                    'bypass' => $yes(),
                ],
            ];
            $edits[] = Sample::survey('feeder_main', '/from', ['at' => 'guard', 'port' => 'out']);
            $edits[] = [
                'kind' => 'survey_add',
                'id' => 'guard_feed',
                'component' => [
                    'type' => 'feeder',
                    'label' => 'Inlet to surge unit',
                    'from' => ['at' => 'inlet', 'port' => 'out'],
                    'to' => ['at' => 'guard', 'port' => 'in'],
                    'cable' => ['size' => 'awg:10', 'lengthM' => 0.5],
                ],
            ];
        }

        return self::job(
            ...$edits,
            ...[['kind' => 'choose_arrangement', 'plan' => 'p', 'recipe' => $recipe, 'options' => $options]],
        );
    }
}
