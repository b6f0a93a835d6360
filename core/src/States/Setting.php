<?php

declare(strict_types=1);

namespace Hollin\Core\States;

/** What people have set and what surrounds the rig, before anything moves by itself. */
final readonly class Setting
{
    /**
     * @param array<string, string> $controls device => position
     * @param array<string, string> $surroundings
     */
    public function __construct(public array $controls, public array $surroundings) {}

    /** The same with one control in another position. */
    public function with(string $device, string $position): self
    {
        return new self([$device => $position] + $this->controls, $this->surroundings);
    }
}
