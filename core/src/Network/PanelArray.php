<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

use Hollin\Core\Reference\ColdVolts;

/** Solar panels on the input of a controller: what the parts' own sheets say of them. */
final readonly class PanelArray
{
    /** Of the short-circuit amps: full sun at its strongest, and for hours (NFPA 70 690.8, from memory). */
    public const FOR_HOURS = 1.25 * 1.25;

    /**
     * @param float $openV of a string, open circuit, at 25 °C
     * @param ?float $coldByMakerV of a string on the coldest morning by the maker's coefficient; null when not known
     * @param float $limitV highest volts the controller takes
     * @param float $arrayW of all panels by their labels
     * @param float $takesW most the controller turns into charging
     * @param float $vmp of a string at its best point
     * @param ?float $breakerA rating of the breaker between panels and controller; null where there is none
     * @param ?float $breakerV direct volts it parts; null when nobody has read it
     * @param float $isc of all strings together, short circuit, A
     */
    public function __construct(
        public string $component,
        public float $openV,
        public ?float $coldByMakerV,
        public float $coldestC,
        public float $limitV,
        public float $arrayW,
        public float $takesW,
        public float $vmp,
        public float $isc,
        public bool $assumed,
        public ?float $breakerA = null,
        public ?float $breakerV = null,
    ) {}

    /** V of a string on the coldest morning by the table of the electrical code. */
    public function coldByTableV(): float
    {
        return $this->openV * ColdVolts::factor($this->coldestC);
    }

    /** The same by the maker's coefficient, which governs where it is known. */
    public function coldV(): float
    {
        return $this->coldByMakerV ?? $this->coldByTableV();
    }
}
