<?php

declare(strict_types=1);

namespace Hollin\Core\Job;

use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\ConductorSize;
use LogicException;
use stdClass;

/** Typed reading of an object that has already passed the schema. Surveyed values are unwrapped. */
final readonly class Values
{
    public function __construct(private stdClass $object) {}

    /** Whether anything is entered under a name. */
    public function has(string $name): bool
    {
        return isset($this->object->{$name});
    }

    /** A text, or what stands in for it. */
    public function text(string $name, string $else = ''): string
    {
        $value = $this->plain($name);

        return is_string($value) ? $value : $else;
    }

    /** A number in the unit of its name, or what stands in for it. */
    public function number(string $name, float $else = 0.0): float
    {
        $value = $this->plain($name);

        return is_int($value) || is_float($value) ? (float) $value : $else;
    }

    /** A number in the unit of its name; null where none is entered. */
    public function numberOrNull(string $name): ?float
    {
        $value = $this->plain($name);

        return is_int($value) || is_float($value) ? (float) $value : null;
    }

    /** A whole number, or what stands in for it. */
    public function integer(string $name, int $else = 0): int
    {
        return (int) round($this->number($name, $else));
    }

    /** Yes or no, or what stands in for it. */
    public function flag(string $name, bool $else = false): bool
    {
        $value = $this->plain($name);

        return is_bool($value) ? $value : $else;
    }

    /** The values of a group; null where it is not there. */
    public function group(string $name): ?self
    {
        $value = $this->object->{$name} ?? null;

        return $value instanceof stdClass ? new self($value) : null;
    }

    /** @throws \InvalidArgumentException when it is no conductor size */
    public function size(string $name): ConductorSize
    {
        return ConductorSize::of($this->text($name));
    }

    /** @param string $sheath what it is in when nobody has said */
    public function cable(string $name, string $sheath = 'nm_b'): ?Cable
    {
        $group = $this->group($name);

        return $group === null
            ? null
            : new Cable(
                $group->size('size'),
                $group->number('lengthM'),
                $group->text('sheath', $sheath),
                $group->integer('parallel', 1),
                $group->has('insulationC') ? $group->integer('insulationC') : null,
                $group->numberOrNull('ambientC'),
                $group->integer('bundled', 1),
            );
    }

    /** @return array<string, self> */
    public function entries(string $name): array
    {
        $entries = [];
        foreach (get_object_vars($this->object->{$name} ?? new stdClass()) as $id => $entry) {
            if ($entry instanceof stdClass) {
                $entries[(string) $id] = new self($entry);
            }
        }

        return $entries;
    }

    /** How a value is known; null for one that is not surveyed. */
    public function basis(string $name): ?Basis
    {
        $value = $this->object->{$name} ?? null;

        return $value instanceof stdClass && is_string($value->basis ?? null) ? Basis::from($value->basis) : null;
    }

    /** As it stands in the document. */
    public function raw(): stdClass
    {
        return $this->object;
    }

    private function plain(string $name): mixed
    {
        $value = $this->object->{$name} ?? null;
        if ($value instanceof stdClass) {
            return property_exists($value, 'basis')
                ? $value->value ?? null
                : throw new LogicException("{$name} is a group, not a value");
        }

        return $value;
    }
}
