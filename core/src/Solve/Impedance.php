<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

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
    private const CONTACT_OHM = [
        'breaker' => 4e-3,
        'plug' => 5e-3,
        'transfer' => 2e-3,
        'switch' => 2e-3,
        'relay' => 2e-3,
        'disconnect' => 2e-4,
    ];

    /** Resistance of an element at so many °C, ohm: its cable's, its own, or that of a closed contact. */
    public static function ohm(Element $element, Graph $graph, float $temperatureC = self::READING_C): float
    {
        if ($element->kind === ElementKind::Contact) {
            return $element->ohm ?? (self::CONTACT_OHM[$graph->devices[$element->device ?? '']->job ?? ''] ?? 2e-3);
        }
        if ($element->cable !== null) {
            return max(self::BOLT_OHM, $element->cable->ohm($temperatureC));
        }

        return max(1e-6, $element->ohm ?? self::BOLT_OHM);
    }
}
