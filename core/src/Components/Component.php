<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Basis;
use Hollin\Core\Job\Field;
use Hollin\Core\Job\Values;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\TerminalWords;

/**
 * One part of a rig. A type declares its properties, how it compiles into wiring, where cables
 * and leads may land on it and what it is on the wall; adding a type is adding one class.
 */
abstract class Component
{
    /** Ends by the way in which current passes them, and the ports that are such ends. */
    public const GIVES = 'gives';

    public const TAKES = 'takes';

    /** Types of part with such ports. */
    private const GIVING = [
        'inlet',
        'generator',
        'surge_unit',
        'circuit',
        'splice_box',
        'inverter',
        'inverter_charger',
        'transfer_switch',
        'ac_switch',
        'contactor',
        'bypass',
    ];

    private const TAKING = [
        'panel',
        'surge_unit',
        'splice_box',
        'converter',
        'inverter_charger',
        'transfer_switch',
        'ac_switch',
        'contactor',
        'bypass',
    ];

    private const ENDS = [
        self::GIVES => ['out', 'ac_out', 'ac_out2', 'unit_in', 'receptacle', 'follow'],
        self::TAKES => ['line', 'backfeed', 'ac_in', 'in', 'in_a', 'in_b', 'unit_out'],
    ];

    /** Every name a port can have. */
    protected const PORTS = [
        'out' => 'out',
        'line' => 'line',
        'backfeed' => 'back-fed breaker',
        'ac_in' => 'AC in',
        'ac_out' => 'AC out',
        'ac_out2' => 'second AC out',
        'in' => 'in',
        'in_a' => 'input A',
        'in_b' => 'input B',
        'unit_in' => 'to the unit',
        'unit_out' => 'from the unit',
        'receptacle' => 'receptacle',
        'follow' => 'contact that follows inverting',
    ];

    final public function __construct(public readonly string $id, public readonly Values $values) {}

    /** Name of the type in a job file. */
    abstract public static function type(): string;

    /** One sentence for the documentation. */
    abstract public static function summary(): string;

    /** @return array<string, Field> */
    abstract public static function fields(): array;

    /** Adds to the network what it is made of. */
    abstract public function compile(Graph $graph, Rig $rig): void;

    /** What is written on it, for rules that judge parts: every plain value, groups as group/name. */
    final public function describe(): Part
    {
        $facts = $assumed = [];
        $this->collect($this->values->raw(), '', $facts, $assumed);

        return new Part($this->id, static::type(), $this->label(), $this->facts() + $facts, $assumed);
    }

    /**
     * Facts that are not simply a value that was entered.
     *
     * @return array<string, string|float|bool>
     */
    protected function facts(): array
    {
        return [];
    }

    /**
     * @param array<string, string|float|bool> $facts
     * @param array<string, true> $assumed
     */
    private function collect(\stdClass $at, string $prefix, array &$facts, array &$assumed): void
    {
        foreach (get_object_vars($at) as $name => $value) {
            if ($value instanceof \stdClass && property_exists($value, 'basis')) {
                if ($value->basis === Basis::Assumed->value) {
                    $assumed["{$prefix}{$name}"] = true;
                }
                $value = $value->value ?? null;
            }
            if ($value instanceof \stdClass) {
                $this->collect($value, "{$prefix}{$name}/", $facts, $assumed);
            } elseif (is_int($value) || is_float($value)) {
                $facts["{$prefix}{$name}"] = (float) $value;
            } elseif (is_string($value) || is_bool($value)) {
                $facts["{$prefix}{$name}"] = $value;
            }
        }
    }

    /** @return array<string, Field> */
    final public static function allFields(): array
    {
        return ['label' => Field::text('Name', 80)] +
            static::fields() + ['note' => Field::text('Note', 500)->optional()];
    }

    /** What people call it. */
    public function label(): string
    {
        return $this->values->text('label', $this->id);
    }

    /** Where an AC cable may land, by port name. */
    public function port(string $name): ?Port
    {
        return null;
    }

    /** @return list<string> port names */
    public static function portNames(): array
    {
        return [];
    }

    /**
     * Where the cord of an inlet can be plugged into this component: position of the cord => words,
     * and the port behind it. A position's rating is that of the breaker ahead of it.
     *
     * @return array<string, array{words: string, port: Port, ratingA: float}>
     */
    public function offersTo(string $inlet): array
    {
        return [];
    }

    /** @return list<string> terminals where a DC lead may land */
    public function leadTerminals(): array
    {
        return [];
    }

    /** @return array<string, string> the same by name alone, in words */
    final public static function leadNames(): array
    {
        $names = [];
        foreach ((new static('x', new Values(new \stdClass())))->leadTerminals() as $terminal) {
            $name = substr($terminal, 2);
            $names[$name] = TerminalWords::one($name);
        }

        return $names;
    }

    /**
     * Volts between which it lets a supply in, for what looks at them.
     *
     * @return ?array{float, float}
     */
    public function window(): ?array
    {
        return null;
    }

    /** Its place on the wall, or null when it is drawn as part of something else. */
    public function plate(): ?Plate
    {
        return null;
    }

    /** The same where it depends on what else there is. */
    public function plateIn(Rig $rig): ?Plate
    {
        return $this->plate();
    }

    /** @return list<Limit> what it can give or take, for the label beside the panel */
    public function limits(): array
    {
        return [];
    }

    /**
     * Its rows, where it is drawn as a tray: role, rows, whether a bonding screw is in, what its current is read from.
     *
     * @return ?array<string, mixed>
     */
    public function tray(Rig $rig): ?array
    {
        return null;
    }

    /** @return list<array<string, mixed>> what joins it with others on the wall, see {@see Link} */
    public function links(Rig $rig): array
    {
        return [];
    }

    /** @return array<string, string> where a cord that is plugged into it ends on the wall */
    public function receptacleAt(Rig $rig): array
    {
        return ['c' => $this->id];
    }

    /** Whether its case is joined with the frame. */
    public function hasGroundedCase(): bool
    {
        return false;
    }

    /** How many of its values are assumed. */
    final public function assumptions(): int
    {
        $count = 0;
        $walk = function (\stdClass $at) use (&$walk, &$count): void {
            if (($at->basis ?? null) === Basis::Assumed->value) {
                $count++;

                return;
            }
            foreach (get_object_vars($at) as $value) {
                if ($value instanceof \stdClass) {
                    $walk($value);
                }
            }
        };
        $walk($this->values->raw());

        return $count;
    }

    /**
     * What it says about other components that may be wrong, as [pointer below the component, message].
     *
     * @param array<string, Component> $others
     * @return list<array{string, string}>
     */
    public function referenceProblems(array $others): array
    {
        return [];
    }

    /**
     * @param array<string, Component> $others
     * @param class-string<Component> $class
     * @return list<array{string, string}>
     */
    final protected function mustBe(array $others, string $pointer, string $id, string $class): array
    {
        if (($others[$id] ?? null) instanceof $class) {
            return [];
        }
        $known = array_keys(array_filter($others, fn(Component $c): bool => $c instanceof $class));

        return [
            [
                $pointer,
                sprintf(
                    '"%s" is not a %s of this rig. %s',
                    $id,
                    str_replace('_', ' ', $class::type()),
                    $known === []
                        ? 'There is none.'
                        : 'There is: "' . implode('", "', array_slice($known, 0, 20)) . '".',
                ),
            ],
        ];
    }

    /**
     * @param array<string, Component> $others
     * @return list<array{string, string}>
     */
    final protected function portProblems(array $others, string $name): array
    {
        $end = $this->values->group($name);

        return $end === null ? [] : $this->endProblems($others, $end, "/{$name}");
    }

    /**
     * @param array<string, Component> $others
     * @return list<array{string, string}>
     */
    final protected function endProblems(array $others, Values $end, string $pointer): array
    {
        $at = $others[$end->text('at')] ?? null;
        if ($at === null) {
            return [["{$pointer}/at", sprintf('"%s" is not a component of this rig.', $end->text('at'))]];
        }
        if ($at->port($end->text('port')) === null) {
            return [
                [
                    "{$pointer}/port",
                    sprintf(
                        '"%s" has no AC port "%s"; it has: %s.',
                        $at->id,
                        $end->text('port'),
                        implode(', ', $at::portNames()) ?: 'none',
                    ),
                ],
            ];
        }

        return [];
    }

    /** The port an end names, or null when it names none. */
    final protected static function portOf(Rig $rig, ?Values $end): ?Port
    {
        return $end === null ? null : $rig->find($end->text('at'))?->port($end->text('port'));
    }

    /**
     * Where an AC cable ends: the equipment, and its port.
     *
     * @param string $way which kinds of port fit; any is read, as a rig can be wired wrongly
     * @return array<string, Field>
     */
    final protected static function end(string $way): array
    {
        return [
            'at' => Field::ref('Equipment', ...$way === self::GIVES ? self::GIVING : self::TAKING),
            'port' => Field::choice('Port', self::PORTS),
        ];
    }

    /**
     * The ports of a kind of part, in words, and which way current passes them.
     *
     * @return array<string, array{words: string, way: string}>
     */
    final public static function ports(): array
    {
        $ports = [];
        foreach (static::portNames() as $name) {
            $way = in_array($name, self::ENDS[self::GIVES], true) ? self::GIVES : self::TAKES;
            $ports[$name] = ['words' => self::PORTS[$name], 'way' => $way];
        }

        return $ports;
    }
}
