<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/**
 * A part as somebody would describe it who holds it: its kind, and what is written on it. For rules that judge parts.
 */
final readonly class Part
{
    /**
     * @param string $type as in a job file
     * @param array<string, string|float|bool> $facts name, or group/name => value, in the unit its name carries
     * @param array<string, true> $assumed names of facts that are assumed
     */
    public function __construct(
        public string $id,
        public string $type,
        public string $label,
        private array $facts,
        private array $assumed = [],
    ) {}

    /** Whether it is of one of these types. */
    public function is(string ...$types): bool
    {
        return in_array($this->type, $types, true);
    }

    /** A text that is written on it, or what stands in for it. */
    public function text(string $name, string $else = ''): string
    {
        $value = $this->facts[$name] ?? null;

        return is_string($value) ? $value : $else;
    }

    /** A number that is written on it, in the unit of its name, or what stands in for it. */
    public function number(string $name, float $else = 0.0): float
    {
        $value = $this->facts[$name] ?? null;

        return is_float($value) ? $value : $else;
    }

    /** A number that is written on it, in the unit of its name; null where there is none. */
    public function numberOrNull(string $name): ?float
    {
        $value = $this->facts[$name] ?? null;

        return is_float($value) ? $value : null;
    }

    /** Whether something is written down as so; not when nobody has said. */
    public function flag(string $name): bool
    {
        return ($this->facts[$name] ?? false) === true;
    }

    /** Whether anything is written down under a name. */
    public function has(string $name): bool
    {
        return isset($this->facts[$name]);
    }

    /** @return list<string> names of facts that another has differently, its name left out */
    public function differing(self $other): array
    {
        $names = array_keys($this->facts + $other->facts);

        return array_values(
            array_filter(
                array_map(strval(...), $names),
                fn(string $n): bool => $n !== 'label' && ($this->facts[$n] ?? null) !== ($other->facts[$n] ?? null),
            ),
        );
    }

    /** Whether a value is assumed and nobody has seen it. */
    public function isAssumed(string $name): bool
    {
        return isset($this->assumed[$name]);
    }
}
