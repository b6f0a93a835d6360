<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Job\Field;
use Hollin\Core\Job\Rig;

/** Inverter/charger in line ahead of the whole panel. */
final class InLine extends Recipe
{
    public static function id(): string
    {
        return 'in_line';
    }

    public static function title(): string
    {
        return 'In line ahead of the whole panel';
    }

    public static function gains(): string
    {
        return 'Every outlet works off grid, one cable is cut, it transfers by itself.';
    }

    public static function risks(): string
    {
        return 'Everything can drain the battery; the rig is dark if the unit fails; the old converter behind it charges the battery from itself.';
    }

    public static function options(): array
    {
        return ['bypass' => Field::flag('With a three-position bypass around the unit')->optional()] + Options::common();
    }

    public function changes(Rig $rig, Options $options): array
    {
        $panel = self::mainPanel($rig);
        $feeder = self::shoreFeeder($rig, $panel);
        [$converter, $circuit] = self::converter($rig);
        $passA = $options->number('passThroughA', 30);
        $changes = [...$this->inverter($options), ...$this->bank($rig, $options)];
        if (!$options->values->flag('bypass') || $options->converter() === 'ahead') {
            $changes[] = self::feeder('inverter_out', 'Inverter to main panel', 'inverter', 'ac_out', $panel->id, 'line', self::branchCable(self::sizeFor($passA), 3.0));
        }
        if ($circuit !== null && $options->converter() === 'ahead') {
            array_push($changes, ...self::shoreBox($feeder, 'inverter', 'ac_in', 30), ...self::moveCircuit($circuit, 'shore_box', 2));
        } elseif ($options->values->flag('bypass')) {
            // The bypass stands between inlet and panel; the unit hangs on its other two ports.
            $cable = self::branchCable(self::sizeFor($passA), 1.5);
            array_push(
                $changes,
                self::fit('bypass', ['type' => 'bypass', 'label' => 'Bypass', 'ratingA' => (int) $passA, 'poles' => 'two', 'parts' => true]),
                self::move($feeder->id, '/to', (object) ['at' => 'bypass', 'port' => 'in'], 'shore reaches the bypass first'),
                self::feeder('bypass_unit', 'Bypass to inverter/charger', 'bypass', 'unit_in', 'inverter', 'ac_in', $cable),
                self::feeder('bypass_back', 'Inverter/charger to bypass', 'inverter', 'ac_out', 'bypass', 'unit_out', $cable),
                self::feeder('bypass_panel', 'Bypass to main panel', 'bypass', 'out', $panel->id, 'line', $cable),
            );
        } else {
            $changes[] = self::move($feeder->id, '/to', (object) ['at' => 'inverter', 'port' => 'ac_in'], 'the inverter/charger goes between inlet and panel');
        }
        array_push($changes, ...($options->converter() === 'ahead' && $circuit === null && $converter !== null ? self::withoutConverter($rig, $converter, $circuit) : $this->fate($rig, $options)));

        return $changes;
    }
}
