<?php

declare(strict_types=1);

namespace Hollin\Core\Reference;

/** A computed number with its unit, its limit where there is one, its arithmetic and its source. */
final readonly class Figure
{
    public function __construct(
        public string $label,
        public float $value,
        public string $unit,
        public string $arithmetic,
        public Source $source,
        public ?float $limit = null,
        public bool $assumed = false,
        public ?Of $of = null,
    ) {}

    /**
     * @param ?string $state named state that the figure is shown with
     * @return array<string, mixed>
     */
    public function toArray(?string $state = null): array
    {
        return [
            'label' => $this->label,
            'value' => round($this->value, 4),
            'unit' => $this->unit,
            'limit' => $this->limit === null ? null : round($this->limit, 4),
            'arithmetic' => $this->arithmetic,
            'source' => $this->source->text(),
            'assumed' => $this->assumed,
        ] + ($this->of === null ? [] : ['of' => $this->of->toArray($state)]);
    }
}
