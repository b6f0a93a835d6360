<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Job\Field;
use Hollin\Core\Reference\Stud;

/** What of a part a lug goes on. */
final class Studs
{
    /** @return array<string, Field> */
    public static function fields(): array
    {
        return [
            'stud' => Field::choice('Stud of its terminals', Stud::choices())->optional(),
            'torqueNm' => Field::number('Torque that its maker asks', 'N·m', 0.5, 80)->optional(),
        ];
    }
}
