<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Components\Battery\DcFuse;
use Hollin\Core\Components\Battery\Shunt;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Graph;

/** Resistance of what is closed: cable by its table, joints and contacts by what is usual. Never nothing. */
final class Impedance
{
    /** Conductor temperature of expected readings, °C. */
    public const READING_C = 30.0;

    /** A bolted joint, a bar, a strap, ohm (common practice, no source). */
    public const BOLT_OHM = 1e-4;

    /** Contacts by the kind of device, ohm (common practice, no source: 2 to 10 mΩ for plugs and breakers). */
    private const CONTACT_OHM = ['breaker' => 4e-3, 'plug' => 5e-3, 'transfer' => 2e-3, 'switch' => 2e-3, 'relay' => 2e-3, 'disconnect' => 2e-4];

    /** Volts a fuse drops at its rating, V (common practice, no source). */
    private const FUSE_V = 0.08;

    /** Volts a shunt drops at its rating, V: 50 mV is the usual class. */
    private const SHUNT_V = 0.05;

    public static function ohm(Element $element, Graph $graph, float $temperatureC = self::READING_C): float
    {
        if ($element->kind === ElementKind::Contact) {
            return self::CONTACT_OHM[$graph->devices[$element->device ?? '']->job ?? ''] ?? 2e-3;
        }
        if ($element->cable !== null) {
            return max(self::BOLT_OHM, $element->cable->ohm($temperatureC));
        }
        $component = $graph->rig->find($element->component);

        return match (true) {
            $component instanceof DcFuse => self::FUSE_V / $component->ratingA(),
            $component instanceof Shunt => self::SHUNT_V / $component->values->number('ratingA', 500),
            default => self::BOLT_OHM,
        };
    }
}
