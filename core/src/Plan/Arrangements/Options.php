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

    /** @param array<string, Field> $fields what the arrangement asks, with what is usual */
    public function __construct(public stdClass $raw, private array $fields)
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
            'surgeW' => Field::number('Inverter, surge', 'W', 300, 10000)
                ->optional()
                ->note('twice the continuous output'),
            'efficiency' => Field::number('Inverter efficiency', '', 0.6, 0.98)->usual(0.88),
            'chargerA' => Field::number('Charger', 'A', 0, 200)->usual(100),
            'passThroughA' => Field::number('Pass-through relay', 'A', 10, 60)->usual(30),
            'inputLimitA' => Field::number('Input limit as set', 'A', 3, 60)->usual(30),
            'assist' => Field::flag('Assists a weak supply from the battery')->usual(false),
            'neutral' => Field::choice('Neutral of the inverter/charger', [
                'switched' => 'switched',
                'common' => 'common',
            ])->usual('switched'),
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
            'surgeW' => Field::number('Inverter, surge', 'W', 150, 10000)
                ->optional()
                ->note('twice the continuous output'),
            'efficiency' => Field::number('Inverter efficiency', '', 0.6, 0.98)->usual(0.88),
            'outputNeutral' => Field::choice('Its output neutral', [
                'bonded' => 'bonded to the case',
                'floating' => 'floating',
                'half' => 'half the voltage from the case',
                'unknown' => 'not known',
            ])->usual('unknown'),
            'waveform' => Field::choice('Waveform', ['sine' => 'pure sine', 'modified' => 'modified sine'])->usual(
                'sine',
            ),
        ] + self::bank();
    }

    /** @return array<string, Field> how a switch chooses between supply and inverter */
    public static function transfer(): array
    {
        return [
            'switch' => Field::choice('Transfer switch', [
                'automatic' => 'automatic',
                'manual' => 'by hand, centre-off',
            ])->usual('automatic'),
            'poles' => Field::choice('Its poles', ['two' => 'hot and neutral', 'one' => 'hot only'])->usual('two'),
            'prefers' => Field::choice('It prefers', [
                'supply' => 'the outside supply',
                'inverter' => 'the inverter',
            ])->usual('supply'),
            'delayS' => Field::number('Delay to the preferred input', 's', 0, 120)->usual(10),
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
            )->usual('lfp'),
            'unitAh' => Field::number('Capacity of one battery', 'Ah', 20, 600)->usual(200),
            'parallel' => Field::integer('Batteries in parallel', 1, 6)->usual(2),
            'series' => Field::integer('Batteries in series', 1, 4)->usual(1),
            'unitV' => Field::number('Nominal voltage of one battery', 'V', 6, 52)
                ->optional()
                ->note('12.8 V of lithium, 12 V of lead'),
            'bmsContinuousA' => Field::number('What its BMS gives, one battery', 'A', 5, 1000)
                ->optional()
                ->note('its capacity in amps, 200 A at most; lead has none'),
            'bmsPeakA' => Field::number('The same for seconds', 'A', 5, 3000)
                ->optional()
                ->note('twice what it gives for long'),
            'dcRunM' => Field::number('Battery to inverter along the route, one way', 'm', 0.2, 12)->usual(1.5),
            'fuseRunM' => Field::number('Battery to its fuse', 'm', 0.05, 4)
                ->optional()
                ->note('a tenth of the run, a hand at most'),
            'dcSize' => Field::size('Cable from battery to inverter')->usual('awg:4/0'),
            'fuseA' => Field::number('Main fuse', 'A', 20, 600)->usual(400),
            'fuseFamily' => Field::choice('Main fuse family', [
                'class_t' => 'Class T',
                'anl' => 'bolt-down ANL',
                'mrbf' => 'on-post MRBF',
            ])->usual('class_t'),
        ];
    }

    /** What becomes of the factory converter. */
    public function converter(): string
    {
        return $this->values->text('converter', 'removed');
    }

    /** A number of the options, in the unit of its name; what is usual, where nobody gave one. */
    public function number(string $name, ?float $else = null): float
    {
        $usual = $else ?? ($this->fields[$name]->usual ?? 0.0);

        return $this->values->number($name, is_numeric($usual) ? (float) $usual : 0.0);
    }

    /** A choice of the options; what is usual, where nobody chose. */
    public function text(string $name): string
    {
        return $this->values->text($name, (string) ($this->fields[$name]->usual ?? ''));
    }

    /** Yes or no; what is usual, where nobody said. */
    public function flag(string $name): bool
    {
        return $this->values->flag($name, ($this->fields[$name]->usual ?? false) === true);
    }

    /** A value the planner gave, or the usual one marked as assumed. */
    public function surveyed(string $name, float|string|null $usual = null): stdClass
    {
        $given = $this->raw->{$name} ?? null;

        return (object) [
            'value' => $given ?? ($usual ?? $this->fields[$name]->usual),
            'basis' => $given === null ? 'assumed' : 'told',
        ];
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
