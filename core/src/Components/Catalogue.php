<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Values;
use InvalidArgumentException;
use stdClass;

/** Every component type, by its name in a job file. */
final class Catalogue
{
    private const CLASSES = [
        Supply\ShoreSupply::class,
        Supply\Inlet::class,
        Supply\Generator::class,
        Supply\SurgeUnit::class,
        Supply\DoubleMaleCord::class,
        Switching\TransferSwitch::class,
        Switching\Bypass::class,
        Switching\AcSwitch::class,
        Switching\Contactor::class,
        Panels\Panel::class,
        Panels\Circuit::class,
        Panels\Feeder::class,
        Panels\SpliceBox::class,
        Panels\Instruction::class,
        Conversion\Converter::class,
        Conversion\Inverter::class,
        Conversion\InverterCharger::class,
        Charging\Alternator::class,
        Charging\DcDcCharger::class,
        Charging\SolarCharger::class,
        Charging\BatterySelector::class,
        Charging\Separator::class,
        Charging\TowPlug::class,
        Charging\SideInlet::class,
        Battery\Bank::class,
        Battery\DcFuse::class,
        Battery\CutOff::class,
        Battery\DcSwitch::class,
        Battery\Shunt::class,
        Battery\BusBar::class,
        Battery\DcPanel::class,
        Battery\DcLoad::class,
        Battery\DcCircuit::class,
        Battery\Lead::class,
        Battery\FrameBond::class,
    ];

    /** Where the type's own name is not what one calls it. */
    private const NAMES = [
        'circuit' => '120 V circuit',
        'feeder' => 'feeder cable',
        'instruction' => 'instruction to people',
        'ac_switch' => '120 V switch',
        'inverter_charger' => 'inverter/charger',
        'battery_bank' => 'battery',
        'dcdc_charger' => 'DC-DC charger',
        'solar_charger' => 'solar panels on a controller',
        'battery_selector' => 'rotary battery selector',
        'separator' => 'battery separator',
        'tow_plug' => 'plug to the vehicle in front',
        'side_inlet' => 'socket for a portable panel',
        'double_male_cord' => 'cord with plugs at both ends',
        'cut_off' => 'low-voltage cut-off',
        'dc_fuse' => 'fuse on the battery side',
        'dc_switch' => 'battery disconnect',
        'dc_panel' => '12 V panel',
        'dc_load' => '12 V load on wires of its own',
        'dc_circuit' => '12 V circuit',
        'lead' => '12 V cable',
        'frame_bond' => 'bond to the frame',
    ];

    /** @return array<string, class-string<Component>> */
    public static function types(): array
    {
        static $types = null;

        return $types ??= array_combine(
            array_map(fn(string $class): string => $class::type(), self::CLASSES),
            self::CLASSES,
        );
    }

    /** @param stdClass $values already checked against the schema */
    public static function make(string $id, stdClass $values): Component
    {
        $type = is_string($values->type ?? null) ? $values->type : '';
        $class = self::types()[$type] ?? throw new InvalidArgumentException("Unknown component type {$type}");

        return new $class($id, new Values($values));
    }

    /** A kind of part, as it is called in the workshop. */
    public static function named(string $type): string
    {
        return self::NAMES[$type] ?? str_replace('_', ' ', $type);
    }

    /** The field at a place in a type of part; null where there is none. */
    public static function field(string $type, string $path): ?Field
    {
        $steps = self::steps($type, $path);

        return end($steps)[1] ?? null;
    }

    /** @return list<array{string, ?Field}> the steps to a place in a type of part, without those that name an entry */
    private static function steps(string $type, string $path): array
    {
        $fields = isset(self::types()[$type]) ? self::types()[$type]::allFields() : [];
        $steps = [];
        $ofMap = false;
        foreach (explode('/', trim($path, '/')) as $step) {
            // Which entry of several: its id is nobody's word for it.
            if ($ofMap) {
                $ofMap = false;
                continue;
            }
            $field = $fields[$step] ?? null;
            $steps[] = [$step, $field];
            $ofMap = $field?->kind === 'map';
            $fields = $field === null ? [] : $field->fields;
        }

        return $steps;
    }

    /** @param array<string, mixed> $places of a part, by path: what they are called, a few of them */
    public static function placesWords(string $type, array $places): string
    {
        $words = array_map(
            fn(string $path): string => self::placeWords($type, $path),
            array_slice(array_keys($places), 0, 3),
        );

        return implode('; ', $words) . (count($places) > 3 ? ' …' : '');
    }

    /** A place in a component as a person would say it: `/cable/lengthM` of a converter is "cable, length one way". */
    public static function placeWords(string $type, string $path): string
    {
        $words = [];
        foreach (self::steps($type, $path) as [$step, $field]) {
            // "Breaker, A" carries its unit; that belongs to the value.
            $label = str_replace(
                ', ',
                ' ',
                (string) preg_replace('/, (A|V|W|VA|Ah)$/', '', $field === null ? $step : $field->label),
            );
            $words[] = preg_match('/^[A-Z][a-z]/', $label) === 1 ? lcfirst($label) : $label;
        }

        return implode(', ', $words);
    }
}
