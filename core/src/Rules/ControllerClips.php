<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A solar controller that turns less into charging than its panels give at noon. */
final class ControllerClips implements RigRule
{
    public static function definition(): Definition
    {
        $rig = fn(array $more): array => [...ChargingSamples::house(), ...ChargingSamples::panels($more)];

        return new Definition(
            'controller_clips',
            Severity::Advice,
            'Solar controller smaller than its panels',
            'A controller gives its amps and no more: what the panels could give beyond that is lost at noon. Seldom ' .
                'a fault, for panels seldom give what their labels say.',
            Source::commonPractice(),
            [Sample::found('600 W on 30 A', ...$rig(['panelW' => 300])), Sample::silent('400 W on 30 A', ...$rig([]))],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->arrays as $array) {
            if ($array->arrayW <= $array->takesW) {
                continue;
            }
            $hits[] = new Hit(
                $array->component,
                sprintf(
                    '%s gives at most %.0f W; its panels are %.0f W by their labels. At noon of a clear day ' .
                        'up to %.0f W ' .
                        'are lost.',
                    $rig->graph->label($array->component),
                    $array->takesW,
                    $array->arrayW,
                    $array->arrayW - $array->takesW,
                ),
                [$array->component],
                [
                    new Figure(
                        'Panels',
                        $array->arrayW,
                        'W',
                        'power of one panel × how many',
                        Source::computed('labels'),
                        $array->takesW,
                        $array->assumed,
                        of: new Of(Quantity::Power, $array->component),
                    ),
                ],
            );
        }

        return $hits;
    }
}
