<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Situation;

/**
 * Two sources that each make their own voltage meet in metal: an inverter's output on a bus that
 * shore also feeds. The only permitted parallel is inside one device's pass-through.
 */
final class JoinedSources implements StateRule, Claims
{
    public static function definition(): Definition
    {
        $outOnInlet = [
            'kind' => 'plan_set',
            'plan' => 'p',
            'component' => 'feeder_main',
            'path' => '/to',
            'value' => ['at' => 'main_panel', 'port' => 'line'],
        ];

        return new Definition(
            'joined_sources',
            Severity::Danger,
            'Two sources joined',
            'Two 120 V sources that are not synchronised reach the same conductor. What flows is the sum of ' .
                'their voltages over the sum of their impedances; the inverter usually does not survive it, and ' .
                'an unplugged cord would be live.',
            Source::recalled(
                'NFPA 70 551.31 and 551.33: transfer equipment must prevent two sources on the circuits at once',
            ),
            [
                Sample::found(
                    'the shore feeder was left on the panel line and the inverter output landed beside it',
                    Sample::choose('in_line'),
                    $outOnInlet,
                ),
                Sample::silent('in line, both through the transfer relay', Sample::choose('in_line')),
                Sample::silent('subpanel', Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]])),
            ],
        );
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach ($situation->alternating()->joined as [$first, $second, $bonded]) {
            $a = $rig->graph->sources[$first];
            $b = $rig->graph->sources[$second];
            $amps = ($a->volts + $b->volts) / ($a->faultOhm() + $b->faultOhm());
            $hits[] = new Hit(
                "{$first}|{$second}",
                sprintf(
                    '%s and %s %s at once.',
                    ucfirst($rig->graph->label($a->component)),
                    $rig->graph->label($b->component),
                    $bonded ? 'feed the same conductors, by way of neutral-ground bonds,' : 'feed the same conductor',
                ),
                [$b->component, $a->component],
                [
                    new Figure(
                        'Prospective current',
                        $amps,
                        'A',
                        sprintf('(%g + %g) V ÷ (%.2f + %.2f) Ω', $a->volts, $b->volts, $a->faultOhm(), $b->faultOhm()),
                        Source::computed('out of phase, worst case'),
                        0.0,
                        assumed: true,
                        of: new Of(Quantity::Short, $b->id),
                    ),
                ],
                remedies: BackFed::remedies($rig),
                paths: [[$a->a, $b->a]],
            );
        }

        return $hits;
    }

    public function claims(Examination $rig): array
    {
        $claims = [];
        $ac = array_values(array_filter($rig->graph->sources, fn($s): bool => $s->kind === 'ac' && $s->forming));
        foreach ($ac as $i => $first) {
            foreach (array_slice($ac, $i + 1) as $second) {
                // Which two, where there are more than two to keep apart.
                $pair =
                    count($ac) > 2
                        ? sprintf(
                            ': %s and %s',
                            Naming::component($first->component),
                            Naming::component($second->component),
                        )
                        : '';
                $claims[] = new Claim("{$first->id}|{$second->id}", "two sources joined{$pair}");
            }
        }

        return $claims;
    }
}
