<?php

declare(strict_types=1);

namespace Hollin\Core\States;

/** One device that does not do what it should: contacts welded or never closing, whatever its position. */
final readonly class Failure
{
    /** @param array<string, string> $heldAt device that never leaves a position => that position */
    public function __construct(
        public string $id,
        public string $component,
        public string $words,
        public int $forcedClosed,
        public int $forcedOpen,
        public array $heldAt = [],
    ) {}

    /** Whether it changes which contacts are closed when these are. */
    public function changes(int $closed): bool
    {
        return (($closed | $this->forcedClosed) & ~$this->forcedOpen) !== $closed;
    }

    public static function none(): self
    {
        return new self('', '', '', 0, 0);
    }

    /**
     * Every single failure of the automatic devices of a network, and of what chooses between supplies by hand.
     *
     * @return list<self>
     */
    public static function ofNetwork(Contraction $network): array
    {
        $failures = [];
        foreach ($network->graph->elements as $id => $element) {
            $device = $network->graph->devices[$element->device ?? ''] ?? null;
            if ($device === null || (!$device->isAutomatic() && $device->job !== 'transfer')) {
                continue;
            }
            $bit = $network->bitOf[$id];
            $contact = $element->kind === \Hollin\Core\Network\ElementKind::Bond ? 'bonding relay' : $device->contacts;
            $name = $network->graph->label($device->component);
            $failures["{$bit}c"] = new self("{$id}.welded", $device->component, "{$contact} of {$name} welded closed", 1 << $bit, 0);
            $failures["{$bit}o"] = new self("{$id}.stuck_open", $device->component, "{$contact} of {$name} stuck open", 0, 1 << $bit);
        }

        foreach ($network->graph->devices as $id => $device) {
            if ($device->isAutomatic()) {
                $failures["{$id}.dead"] = new self("{$id}.dead", $device->component, sprintf('%s dead: it never leaves "%s"', $network->graph->label($device->component), $device->positions[$device->positionNames()[0]]), 0, 0, [$id => $device->positionNames()[0]]);
            }
        }

        return array_values($failures);
    }
}
