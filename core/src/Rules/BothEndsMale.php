<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** A rig fed through a receptacle that was made to give: by a cord with plugs at both ends. */
final class BothEndsMale implements RigRule
{
    public static function definition(): Definition
    {
        $generator = Sample::add('gen', [
            'type' => 'generator',
            'label' => 'Generator',
            'ratedW' => 2000,
            'outletA' => 20,
            'mount' => 'portable',
            'bond' => 'floating',
        ]);
        $cord = fn(array $more): array => Sample::add(
            'back',
            $more + [
                'type' => 'double_male_cord',
                'label' => 'Cord from the generator',
                'from' => ['at' => 'gen', 'port' => 'out'],
            ],
        );

        return new Definition(
            'both_ends_male',
            Severity::Danger,
            'Cord with plugs at both ends',
            'Plugged in at one end, the blades of the other are bare and live. It goes around inlet, surge unit and ' .
                'transfer; nothing keeps a second source out; the breaker of that circuit is no feed for a panel.',
            Source::commonPractice(),
            [
                Sample::found('into a receptacle of a circuit', $generator, $cord(['circuit' => 'c_outlets'])),
                Sample::silent('a generator with its own cord', $generator),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->bothMale as $component => $feeds) {
            $hits[] = new Hit(
                $component,
                sprintf(
                    $feeds === 'circuit'
                        ? '%s feeds the rig through the receptacle of a circuit: the blades of its free end are live.'
                        : '%s feeds an output as if it were an inlet: the source behind that output meets it head on.',
                    $rig->graph->label($component),
                ),
                [$component],
            );
        }

        return $hits;
    }
}
