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

    public function is(string ...$types): bool
    {
        return in_array($this->type, $types, true);
    }

    public function text(string $name, string $else = ''): string
    {
        $value = $this->facts[$name] ?? null;

        return is_string($value) ? $value : $else;
    }

    public function number(string $name, float $else = 0.0): float
    {
        $value = $this->facts[$name] ?? null;

        return is_float($value) ? $value : $else;
    }

    public function numberOrNull(string $name): ?float
    {
        $value = $this->facts[$name] ?? null;

        return is_float($value) ? $value : null;
    }

    public function flag(string $name): bool
    {
        return ($this->facts[$name] ?? false) === true;
    }

    public function has(string $name): bool
    {
        return isset($this->facts[$name]);
    }

    public function isAssumed(string $name): bool
    {
        return isset($this->assumed[$name]);
    }
}
