<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Battery;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Studs;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Rating;

/** A DC bus bar, positive or negative. */
final class BusBar extends Component
{
    /** Bare copper bar in free air: 1000 A to the square inch (common practice, no source). */
    private const A_PER_MM2 = 1000 / 645.16;

    public static function type(): string
    {
        return 'bus_bar';
    }

    public static function summary(): string
    {
        return 'A DC bus bar. Terminal: stud.';
    }

    public static function fields(): array
    {
        return [
            'pole' => Field::choice('Pole', ['positive' => 'positive', 'negative' => 'negative']),
            'ratingA' => Field::number('Rating', 'A', 10, 1000)
                ->optional()
                ->note('leave out when none is marked: no marking means not rated'),
            'sectionMm2' => Field::number('Section of its copper', 'mm²', 5, 2000)
                ->optional()
                ->note('width times thickness; it says what the bar may carry, which is no rating'),
            ...Studs::fields(),
        ];
    }

    public function leadTerminals(): array
    {
        return ["{$this->id}.stud"];
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $graph->junction(
            "{$this->id}.stud",
            $this->id,
            new Rating(
                $this->values->numberOrNull('ratingA'),
                'bar',
                bySectionA: ($mm2 = $this->values->numberOrNull('sectionMm2')) === null ? null : $mm2 * self::A_PER_MM2,
            ),
        );
    }

    public function plate(): Plate
    {
        $rating = $this->values->numberOrNull('ratingA');

        return new Plate(
            'deck',
            'bar',
            3,
            [$rating === null ? 'not rated' : sprintf('%g A', $rating)],
            $this->values->text('pole'),
        );
    }
}
