<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** Inverter/charger in line ahead of the whole panel. */
final class InLine implements Arrangement
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
        return 'Everything can drain the battery; the rig is dark if the unit fails; the old converter behind it ' .
            'charges the battery from itself.';
    }

    public static function options(): array
    {
        return ['bypass' => Field::flag('With a three-position bypass around the unit')->usual(false)] +
            Options::common();
    }

    public function changes(Rig $rig, Options $options): array
    {
        $panel = FoundParts::mainPanel($rig);
        $feeder = FoundParts::shoreFeeder($rig, $panel);
        [$converter, $circuit] = FoundParts::converter($rig);
        $passA = $options->number('passThroughA');
        $changes = [...Units::inverter($options), ...BankAssembly::of($rig, $options)];
        if (!$options->flag('bypass') || $options->converter() === 'ahead') {
            $changes[] = Changes::feeder(
                'inverter_out',
                'Inverter to main panel',
                'inverter',
                'ac_out',
                $panel->id,
                'line',
                Changes::branchCable(Changes::sizeFor($passA), 3.0),
            );
        }
        if ($circuit !== null && $options->converter() === 'ahead') {
            array_push(
                $changes,
                ...Units::shoreBox($feeder, 'inverter', 'ac_in', 30),
                ...Changes::moveCircuit($circuit, 'shore_box', 2),
            );
        } elseif ($options->flag('bypass')) {
            // The bypass stands between inlet and panel; the unit hangs on its other two ports.
            $cable = Changes::branchCable(Changes::sizeFor($passA), 1.5);
            array_push(
                $changes,
                Changes::fit('bypass', [
                    'type' => 'bypass',
                    'label' => 'Bypass',
                    'ratingA' => (int) $passA,
                    'poles' => 'two',
                    'parts' => true,
                ]),
                Changes::move(
                    $feeder->id,
                    '/to',
                    (object) ['at' => 'bypass', 'port' => 'in'],
                    'shore reaches the bypass first',
                ),
                Changes::feeder(
                    'bypass_unit',
                    'Bypass to inverter/charger',
                    'bypass',
                    'unit_in',
                    'inverter',
                    'ac_in',
                    $cable,
                ),
                Changes::feeder(
                    'bypass_back',
                    'Inverter/charger to bypass',
                    'inverter',
                    'ac_out',
                    'bypass',
                    'unit_out',
                    $cable,
                ),
                Changes::feeder('bypass_panel', 'Bypass to main panel', 'bypass', 'out', $panel->id, 'line', $cable),
            );
        } else {
            $changes[] = Changes::move(
                $feeder->id,
                '/to',
                (object) ['at' => 'inverter', 'port' => 'ac_in'],
                'the inverter/charger goes between inlet and panel',
            );
        }
        array_push(
            $changes,
            ...$options->converter() === 'ahead' && $circuit === null && $converter !== null
                ? ConverterFate::takenOut($rig, $converter, $circuit)
                : ConverterFate::of($rig, $options),
        );

        return $changes;
    }
}
