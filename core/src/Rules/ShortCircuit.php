<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/**
 * A source of alternating current whose hot is joined with its own neutral, through metal or through a neutral-ground
 * bond.
 */
final class ShortCircuit implements StateRule, Unclaimed
{
    public static function definition(): Definition
    {
        return new Definition(
            'short_circuit',
            Severity::Danger,
            'Supply shorted',
            'The hot of a supply reaches its own neutral with nothing in between but metal. At a pedestal ' .
                'with hot and neutral exchanged a neutral-ground bond in the rig does that: the breaker ahead ' .
                'opens when the cord is plugged in, or the cord burns if it does not.',
            Source::computed('potentials of what is joined'),
            [
                Sample::found(
                    'a bond left in the main panel, and a pedestal with hot and neutral reversed',
                    Sample::survey('main_panel', '/bondScrew', true),
                ),
                Sample::silent(
                    'a bond left in the main panel behind a surge unit',
                    Sample::survey('main_panel', '/bondScrew', true),
                    ...ReversedPolarity::guarded(),
                ),
                Sample::found(
                    'the same with the surge unit bypassed by hand',
                    Sample::survey('main_panel', '/bondScrew', true),
                    ...ReversedPolarity::guarded(bypass: true),
                ),
                Sample::silent('as found'),
            ],
        );
    }

    public static function whyUnclaimed(): string
    {
        return 'Only wiring, and a pedestal that is wired wrong, bring it about; those are searched.';
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach ($situation->alternating()->shorted as [$id, $volts, $bonded]) {
            $source = $rig->graph->sources[$id];
            if ($bonded && $source->neutral === 'half') {
                // A bond on a half-voltage output has a finding of its own.
                continue;
            }
            $owners = $paths = [];
            $because = null;
            foreach ($bonded ? $situation->network->bonds : [] as [$element]) {
                $owner = $rig->graph->elements[$element]->component;
                if ($situation->isClosed($element) && $owner !== $source->component) {
                    $owners[$owner] = $rig->graph->label($owner);
                    // To the bond, and from there home by the ground: never through what is switched on.
                    [$at, $to] = [$rig->graph->elements[$element]->a, $rig->graph->elements[$element]->b];
                    array_push($paths, [$source->a, $at], [$to, $source->ground]);
                    $because ??= 'bond_count|' . BondCount::key($rig, $element, $source->component);
                }
            }
            $amps = $volts / $source->faultOhm();
            $hits[] = new Hit(
                $id,
                sprintf(
                    'The hot of %s is joined with its own neutral%s: %s.',
                    $rig->graph->label($source->component),
                    $owners === [] ? '' : ' by the neutral-ground bond of ' . implode(' and ', $owners),
                    $source->surrounding === null ? 'it shuts down or burns' : 'the breaker ahead of it opens',
                ),
                [...array_keys($owners), $source->component],
                [
                    new Figure(
                        'Prospective current',
                        $amps,
                        'A',
                        sprintf('%g V ÷ %.2f Ω, wires left out', $volts, $source->faultOhm()),
                        Source::computed('potentials of what is joined'),
                        0.0,
                        assumed: true,
                        of: new Of(Quantity::Short, $source->id),
                    ),
                ],
                paths: $paths === [] ? [[$source->a, $source->b]] : $paths,
                because: $because,
            );
        }

        return $hits;
    }
}
