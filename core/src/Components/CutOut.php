<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Field;

/** The opening that a part sits in, as its maker gives it: a width alone is a round one. */
final class CutOut
{
    /** @return array<string, Field> */
    public static function fields(): array
    {
        return [
            'cutOutWidthMm' => Field::number('Cut-out, width', 'mm', 10, 1000)
                ->optional()
                ->note('alone: a round one, its diameter'),
            'cutOutHeightMm' => Field::number('Cut-out, height', 'mm', 10, 1000)->optional(),
        ];
    }
}
