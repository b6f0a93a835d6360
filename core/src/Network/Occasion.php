<?php

declare(strict_types=1);

namespace Hollin\Core\Network;

/**
 * An operating state that a component brings about, with what people then set: the named states of a rig are those
 * of its components.
 */
final readonly class Occasion
{
    /**
     * @param string $kind id of the state; where several components bring about the same, the others' have their
     *     component's id behind it
     * @param string $title in words, and among several of a kind
     * @param string $letter that of the source where left out
     * @param ?string $source what feeds the rig
     * @param ?string $position of the cord, where the source has several receptacles
     * @param string $condition of what surrounds the source
     * @param string $mode what inverters are switched to
     * @param bool $inverting whether instructions for inverting are followed
     * @param bool $withInverter only where an inverter is there
     * @param bool $besideInverter only where no cord could be in the inverter instead, which feeds its circuits
     * @param bool $judged only where something looks at the volts
     * @param array<string, string> $also further controls and surroundings as they are then, by id
     * @param string $charge how the batteries are: full, half or low
     * @param bool $once however many components bring it about
     */
    public function __construct(
        public string $component,
        public string $kind,
        public string $title,
        public string $among,
        public About $about,
        public string $letter = '',
        public ?string $source = null,
        public ?string $position = null,
        public string $condition = 'good',
        public string $mode = 'on',
        public bool $inverting = false,
        public bool $withInverter = false,
        public bool $besideInverter = false,
        public bool $judged = false,
        public bool $once = false,
        public string $disconnect = 'on',
        public string $bypass = 'unit',
        public array $also = [],
        public string $charge = 'half',
    ) {}

    /**
     * Batteries so empty that something has opened.
     *
     * @param array<string, string> $also what has
     */
    public static function empty(string $component, string $label, array $also): self
    {
        return new self(
            $component,
            'empty',
            'batteries empty',
            $label,
            About::Battery,
            'L',
            mode: 'off',
            once: true,
            also: $also,
            charge: 'low',
        );
    }

    /**
     * The same, come about in a rig that is fed as another state says, with more things set.
     *
     * @param array<string, string> $also
     */
    public function in(?self $fed, array $also): self
    {
        $feeding =
            $fed === null ? [] : ['about' => $fed->about, 'source' => $fed->source, 'position' => $fed->position];

        return new self(...$feeding + ['also' => $also + $this->also + ($fed->also ?? [])] + get_object_vars($this));
    }
}
