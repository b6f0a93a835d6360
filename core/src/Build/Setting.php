<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Reference\Source;

/** One value to enter into a device, and why that one. */
final readonly class Setting
{
    /**
     * @param float|string $value what is entered
     * @param ?float $within how far off still counts as entered; null for words
     * @param float|string|null $planned what the plan reckons with, where that is another
     */
    public function __construct(
        public string $id,
        public string $words,
        public float|string $value,
        public string $unit,
        public string $why,
        public Source $source,
        public ?float $within = null,
        public float|string|null $planned = null,
        /** field of the part that the plan reckons with, where it has one */
        public string $field = '',
        /** whether less than the value is unsafe, so that nothing under it counts as entered */
        public bool $least = false,
    ) {}

    /** The value with its unit. */
    public function said(): string
    {
        return is_string($this->value) ? $this->value : trim(sprintf('%.5g %s', $this->value, $this->unit));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'words' => $this->words,
            'value' => $this->value,
            'unit' => $this->unit,
            'said' => $this->said(),
            'why' => $this->why,
            'source' => $this->source->text(),
            'planned' => $this->planned,
            'field' => $this->field,
        ];
    }
}
