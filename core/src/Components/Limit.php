<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Basis;

/** What a part can give or take, for somebody who stands before the panel. */
final readonly class Limit
{
    /**
     * @param string $means what that allows, in the words of a label
     * @param bool $assumed whether a figure it rests on is assumed
     */
    public function __construct(public float $value, public string $unit, public string $means, public bool $assumed) {}

    /** Whether any of some fields of a component is assumed. */
    public static function assumed(Component $of, string ...$fields): bool
    {
        foreach ($fields as $field) {
            if ($of->values->basis($field) === Basis::Assumed) {
                return true;
            }
        }

        return false;
    }

    /** @return array{label: string, value: float, unit: string, means: string, assumed: bool} */
    public function toArray(string $label): array
    {
        return [
            'label' => $label,
            'value' => $this->value,
            'unit' => $this->unit,
            'means' => $this->means,
            'assumed' => $this->assumed,
        ];
    }
}
