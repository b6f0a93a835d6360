<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/**
 * What a figure is of, so that it can be held against the operating point: quantity, element, state, what runs.
 * Without a state it is that of the finding; with no scenario it is of no operating point.
 */
final readonly class Of
{
    /**
     * @param string $element of the network: conductor, contact, source, load or converter; or a part
     * @param ?string $state named state
     * @param ?string $scenario load scenario; none or all
     * @param string $charge of the batteries: full, half or low
     */
    public function __construct(
        public Quantity $quantity,
        public string $element,
        public ?string $state = null,
        public ?string $scenario = null,
        public string $charge = 'half',
    ) {}

    /**
     * @param ?string $state of the finding
     * @return array{quantity: string, element: string, state: ?string, scenario: ?string, charge: ?string}
     */
    public function toArray(?string $state): array
    {
        return [
            'quantity' => $this->quantity->value,
            'element' => $this->element,
            'state' => $this->state ?? $state,
            'scenario' => $this->scenario,
            'charge' => $this->scenario === null ? null : $this->charge,
        ];
    }
}
