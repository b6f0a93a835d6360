<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

/** Something the planner can do about a finding in one action: an intent ready to be posted. */
final readonly class Remedy
{
    /** @param array<string, mixed> $intent without the plan, which is added where the finding is shown */
    public function __construct(public string $label, public string $effect, public array $intent) {}

    /** A circuit on another panel; wires: both, hot or neutral. */
    public static function move(
        string $label,
        string $effect,
        string $circuit,
        string $panel,
        string $wires = 'both',
    ): self {
        return new self($label, $effect, [
            'kind' => 'move_circuit',
            'circuit' => $circuit,
            'panel' => $panel,
            'wires' => $wires,
        ]);
    }

    /** Another value in a planned component; the path is that of the value within it. */
    public static function set(string $label, string $effect, string $component, string $path, mixed $value): self
    {
        return new self($label, $effect, [
            'kind' => 'plan_set',
            'component' => $component,
            'path' => $path,
            'value' => $value,
        ]);
    }

    /** Another choice in the arrangement that a plan was made with; nothing where it was made by hand. */
    public static function option(string $label, string $effect, string $option, mixed $value): self
    {
        return new self($label, $effect, ['kind' => 'choose_arrangement', 'options' => [$option => $value]]);
    }

    /** Whether it can be posted as it is; another choice needs the plan's arrangement around it. */
    public function isWhole(): bool
    {
        return $this->intent['kind'] !== 'choose_arrangement';
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['label' => $this->label, 'effect' => $this->effect, 'intent' => $this->intent];
    }
}
