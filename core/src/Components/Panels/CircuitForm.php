<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Panels;

use Hollin\Core\Components\Joints;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Plausible;

/** What is asked about a branch circuit. */
final class CircuitForm
{
    /**
     * @param array<string, Field> $takes an end that takes current in
     * @param array<string, Field> $gives an end that gives current
     * @return array<string, Field>
     */
    public static function fields(array $takes, array $gives): array
    {
        ['at' => $at, 'port' => $port] = $gives;
        $lands = [
            'panel' => Field::ref('Panel', 'panel')->optional(),
            'behind' => Field::ref('Circuit whose GFCI feeds it', 'circuit')->optional(),
            'at' => $at->labelled('Equipment it is wired to or plugged into')->optional(),
            'port' => $port->optional(),
        ];

        return [
            'hot' => Field::group(
                'Where the hot lands',
                [
                    'panel' => $lands['panel'],
                    'slot' => Field::integer('Slot', 1, 24)->optional(),
                    'half' => Field::choice('Half of a tandem breaker', ['a' => 'a', 'b' => 'b'])->optional(),
                ] + $lands,
            ),
            'neutral' => Field::group('Where the neutral lands', $lands),
            'breakerA' => Field::integer('Breaker, A', 5, 60)
                ->optional()
                ->plausibly(Plausible::oneOf('branch breakers of a rig are of 15, 20 or 30 A', 15, 20, 30)),
            'cable' => Field::cable('Cable'),
            'gfci' => Field::choice('GFCI', [
                'none' => 'none',
                'breaker' => 'GFCI breaker',
                'receptacle' => 'GFCI at the first receptacle',
            ]),
            'place' => Field::choice('Where it is used', [
                'bath' => 'bath',
                'counter' => 'kitchen counter',
                'outside' => 'outside',
                'general' => 'inside, general',
                'fixed' => 'fixed equipment',
            ]),
            'receptacles' => Field::integer('Receptacles on it', 0, 30)->optional(),
            'loads' => Field::map('Loads', self::load())->optional(),
            'feeds' => Field::group('Equipment it feeds', $takes)->optional(),
            ...Joints::fields(),
        ];
    }

    /** @return array<string, Field> */
    private static function load(): array
    {
        return [
            'label' => Field::text('Name', 60),
            'watts' => Field::number('Power', 'W', 0, 6000)->plausibly(
                Plausible::times(0.7, 1.3, 'what is plugged in differs from owner to owner'),
            ),
            'powerFactor' => Field::number('Power factor', '', 0.3, 1)->optional(),
            'kind' => Field::choice('Kind', [
                'resistive' => 'resistive',
                'constant' => 'constant power',
                'motor' => 'motor',
            ]),
            'continuous' => Field::flag('Runs three hours or more')->optional(),
            'lockedRotorA' => Field::number('Locked-rotor current', 'A', 1, 150)
                ->optional()
                ->plausibly(Plausible::times(0.6, 1.5, 'motors start at three to eight times what they run at')),
            'startsByItself' => Field::flag('Starts by itself when 120 V appears')->optional(),
        ];
    }
}
