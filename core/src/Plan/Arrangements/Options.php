<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Values;
use Hollin\Core\Reference\Chemistry;
use stdClass;

/** What the planner chose: the equipment, the bank, the runs, the converter's fate, the circuits fed. */
final readonly class Options
{
    public Values $values;

    public function __construct(public stdClass $raw)
    {
        $this->values = new Values($raw);
    }

    /** Fates of the factory converter. */
    private const FATES = [
        'left' => 'left as it is',
        'by_hand' => 'switched off by hand when inverting',
        'ahead' => 'moved ahead of the transfer point',
        'removed' => 'taken out',
        'contactor' => 'locked out by a contactor while inverting (normally closed, coil on the inverter)',
        'contactor_safe' => 'fed through a contactor with its coil on the outside supply (normally open, fail-safe)',
        'lifted' => 'its 12 V output lifted',
        'replaced' => 'replaced by one suited to the chemistry',
    ];

    /** @return array<string, Field> with an inverter/charger */
    public static function common(): array
    {
        return [
            'converter' => Field::choice('The factory converter', self::FATES),
            'continuousW' => Field::number('Inverter, continuous', 'W', 300, 5000),
            'surgeW' => Field::number('Inverter, surge', 'W', 300, 10000)->optional(),
            'efficiency' => Field::number('Inverter efficiency', '', 0.6, 0.98)->optional(),
            'chargerA' => Field::number('Charger', 'A', 0, 200)->optional(),
            'passThroughA' => Field::number('Pass-through relay', 'A', 10, 60)->optional(),
            'inputLimitA' => Field::number('Input limit as set', 'A', 3, 60)->optional(),
            'assist' => Field::flag('Assists a weak supply from the battery')->optional(),
            'neutral' => Field::choice('Neutral of the inverter/charger', [
                'switched' => 'switched',
                'common' => 'common',
            ])->optional(),
        ] + self::bank();
    }

    /** @return array<string, Field> with a stand-alone inverter */
    public static function standAlone(bool $ahead = false): array
    {
        return [
            'converter' => Field::choice(
                'The factory converter',
                array_diff_key(self::FATES, ['removed' => true] + ($ahead ? [] : ['ahead' => true])),
            ),
            'continuousW' => Field::number('Inverter, continuous', 'W', 150, 5000),
            'surgeW' => Field::number('Inverter, surge', 'W', 150, 10000)->optional(),
            'efficiency' => Field::number('Inverter efficiency', '', 0.6, 0.98)->optional(),
            'outputNeutral' => Field::choice('Its output neutral', [
                'bonded' => 'bonded to the case',
                'floating' => 'floating',
                'half' => 'half the voltage from the case',
                'unknown' => 'not known',
            ])->optional(),
            'waveform' => Field::choice('Waveform', ['sine' => 'pure sine', 'modified' => 'modified sine'])->optional(),
        ] + self::bank();
    }

    /** @return array<string, Field> how a switch chooses between supply and inverter */
    public static function transfer(): array
    {
        return [
            'switch' => Field::choice('Transfer switch', [
                'automatic' => 'automatic',
                'manual' => 'by hand, centre-off',
            ])->optional(),
            'poles' => Field::choice('Its poles', ['two' => 'hot and neutral', 'one' => 'hot only'])->optional(),
            'prefers' => Field::choice('It prefers', [
                'supply' => 'the outside supply',
                'inverter' => 'the inverter',
            ])->optional(),
            'delayS' => Field::number('Delay to the preferred input', 's', 0, 120)->optional(),
        ];
    }

    /** @return array<string, Field> */
    private static function bank(): array
    {
        return [
            'chemistry' => Field::choice(
                'New bank',
                array_combine(
                    array_map(fn(Chemistry $c): string => $c->value, Chemistry::cases()),
                    array_map(fn(Chemistry $c): string => $c->label(), Chemistry::cases()),
                ),
            )->optional(),
            'unitAh' => Field::number('Capacity of one battery', 'Ah', 20, 600)->optional(),
            'parallel' => Field::integer('Batteries in parallel', 1, 6)->optional(),
            'dcRunM' => Field::number('Bank to inverter along the route, one way', 'm', 0.2, 12)->optional(),
            'dcSize' => Field::size('Bank to inverter cable')->optional(),
            'fuseA' => Field::number('Main fuse', 'A', 20, 600)->optional(),
            'fuseFamily' => Field::choice('Main fuse family', [
                'class_t' => 'Class T',
                'anl' => 'bolt-down ANL',
                'mrbf' => 'on-post MRBF',
            ])->optional(),
        ];
    }

    /** What becomes of the factory converter. */
    public function converter(): string
    {
        return $this->values->text('converter', 'removed');
    }

    /** A number of the options, in the unit of its name. */
    public function number(string $name, float $else): float
    {
        return $this->values->number($name, $else);
    }

    /** A choice of the options. */
    public function text(string $name, string $else): string
    {
        return $this->values->text($name, $else);
    }

    /** A number the planner gave, or the usual one marked as assumed. */
    public function surveyed(string $name, float|string $usual): stdClass
    {
        $given = $this->raw->{$name} ?? null;

        return (object) ['value' => $given ?? $usual, 'basis' => $given === null ? 'assumed' : 'told'];
    }

    /** @return list<string> circuits to feed from the inverter */
    public function circuits(): array
    {
        return array_map(
            strval(...),
            array_keys(array_filter(get_object_vars($this->raw->circuits ?? new stdClass()))),
        );
    }
}
