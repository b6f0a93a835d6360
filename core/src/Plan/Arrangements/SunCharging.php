<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\PanelArray;
use Hollin\Core\Reference\ColdVolts;

/** The house battery charged from panels: on one controller, or on one for each string. */
final class SunCharging implements Addition
{
    public static function id(): string
    {
        return 'charge_sun';
    }

    public static function family(): string
    {
        return 'sun';
    }

    public static function title(): string
    {
        return 'Charging from the sun';
    }

    public static function gains(): string
    {
        return 'Silent, every day, nobody has to think of it.';
    }

    public static function risks(): string
    {
        return 'Cold mornings raise the volts past a controller; one shaded panel pulls its string down; the ' .
            'controller must meet its battery before its panels.';
    }

    public static function options(): array
    {
        return [
            'school' => Field::choice('Controllers', [
                'one' => 'one for all: cheap, for panels in one light',
                'each' => 'one for each string: for shade that differs, and one may fail',
            ])->usual('one'),
            'panelW' => Field::number('Power of one panel', 'W', 5, 700)->usual(200),
            'panelVoc' => Field::number('Volts of one panel, open circuit', 'V', 5, 100)->usual(24.3),
            'panelVmp' => Field::number('Volts of one panel, at its best point', 'V', 5, 90)->usual(20.4),
            'panelIsc' => Field::number('Amps of one panel, short circuit', 'A', 0.2, 30)->usual(10.2),
            'seriesPanels' => Field::integer('Panels in series', 1, 12)->usual(2),
            'strings' => Field::integer('Strings side by side', 1, 6)->usual(1),
            'coldestC' => Field::number('Coldest it gets', '°C', -60, 30)->usual(-30),
            'limitV' => Field::number('Highest input of the controller', 'V', 12, 600)->usual(100),
            'arrayBreaker' => Field::flag('Breaker between panels and controller')->usual(true),
            'profile' => Field::choice('Profile', [
                'chosen' => 'set to the bank',
                'lead' => 'lead',
                'lithium' => 'lithium',
            ])->usual('chosen'),
        ] + ChargingOptions::line('awg:8', 50, 2.0);
    }

    public function changes(Rig $rig, Options $options): array
    {
        $side = new HouseSide($rig);
        $house = $side->bank();
        $strings = (int) $options->number('strings');
        $each = $options->text('school') === 'each';
        $changes = [];
        for ($n = 1; $n <= ($each ? $strings : 1); $n++) {
            $tail = $n === 1 ? '' : "_{$n}";
            $name = $each && $strings > 1 ? " {$n}" : '';
            array_push(
                $changes,
                Changes::fit(
                    "solar{$tail}",
                    $this->controller($options, $each ? 1 : $strings, $name, $house->ratedV()),
                ),
                ...ChargingOptions::toHouse(
                    $options,
                    $side,
                    $house,
                    "solar{$tail}",
                    'solar',
                    $tail,
                    'Controller',
                    $name,
                    'Solar controller',
                ),
            );
        }

        return $changes;
    }

    /** @return array<string, mixed> */
    private function controller(Options $o, int $strings, string $name, float $bankV): array
    {
        $series = (int) $o->number('seriesPanels');
        $volts = $bankV > 20 ? 28.4 : 14.4;
        $cold = $o->number('panelVoc') * $series * ColdVolts::factor($o->number('coldestC'));
        // What all its panels bring, up to the next size that is made.
        $wants = ($o->number('panelW') * $series * $strings) / $volts;
        $sizes = array_filter([10, 15, 20, 30, 40, 50, 60, 70, 85, 100], fn(int $a): bool => $a >= $wants);
        $breaker = array_filter(
            [10, 15, 20, 25, 30, 40, 50, 60, 80, 100, 125, 150, 200],
            fn(int $a): bool => $a >= PanelArray::FOR_HOURS * $o->number('panelIsc') * $strings,
        );

        return [
            'type' => 'solar_charger',
            'label' => "Solar controller{$name}",
            'panelW' => $o->surveyed('panelW'),
            'panelVoc' => $o->surveyed('panelVoc'),
            'panelVmp' => $o->surveyed('panelVmp'),
            'panelIsc' => $o->surveyed('panelIsc'),
            'series' => $series,
            'parallel' => $strings,
            'coldestC' => $o->surveyed('coldestC'),
            'limitV' => $o->surveyed('limitV'),
            'outputA' => reset($sizes) ?: 100,
            'outputV' => $volts,
            'kind' => 'tracking',
            'profile' => $o->text('profile'),
        ] +
            ($o->flag('arrayBreaker')
                ? [
                    'arrayBreakerA' => reset($breaker) ?: 200,
                    'arrayBreakerV' => max(150, (int) (ceil($cold / 50) * 50)),
                ]
                : []);
    }
}
