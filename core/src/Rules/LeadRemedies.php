<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\TerminalWords;
use Hollin\Core\Network\Walk;
use stdClass;

/** What can be done with one battery lead: taken out, landed elsewhere, exchanged with its mate. Each is tried. */
final class LeadRemedies
{
    /** Offers tried for one finding: leads on a way, nearest first. */
    private const MOST = 6;

    /**
     * Take out one of the leads or straps on a way, where everything else keeps its battery.
     *
     * @param list<string> $on components on the way
     * @return list<Remedy>
     */
    public static function takeOut(Examination $rig, array $on): array
    {
        $offers = [];
        foreach ($on as $id) {
            $part = $rig->graph->partAt($id);
            if ($part?->is('lead', 'frame_bond') === true && self::isSpare($rig->graph, $id)) {
                $offers[] = new Remedy("Take out {$part->label}", 'the way by it is gone', [
                    'kind' => 'plan_remove',
                    'component' => $id,
                ]);
            }
        }

        return array_slice($offers, 0, self::MOST);
    }

    /** Whether whatever has a battery still has one without a lead. */
    private static function isSpare(Graph $graph, string $lead): bool
    {
        $without = fn(Element $e): bool => $e->component !== $lead && Walk::direct($e);
        foreach ($graph->batteries as $battery) {
            foreach (['pos' => $battery->pos, 'neg' => $battery->neg] as $pole => $post) {
                $left = Walk::reach($graph, [$post], $without);
                $now = Walk::reach($graph, [$post], Walk::direct(...));
                foreach ($graph->direct() as $of) {
                    if (array_key_exists($of[$pole], $now) && !array_key_exists($of[$pole], $left)) {
                        return false;
                    }
                }
            }
        }

        return true;
    }

    /** Exchange the leads at the two poles of a part. */
    public static function exchange(Examination $rig, string $component): Remedy
    {
        return new Remedy(
            sprintf('Exchange positive and negative at %s', $rig->graph->label($component)),
            'the leads that are there, landed the right way round',
            ['kind' => 'plan_exchange', 'component' => $component],
        );
    }

    /**
     * Land on another terminal what ends on one of some.
     *
     * @param array<string, mixed> $terminals as keys: where it ends now
     * @param list<string> $of components whose leads are meant
     * @return list<Remedy>
     */
    public static function land(Examination $rig, array $terminals, string $on, array $of, string $effect): array
    {
        $offers = [];
        foreach ($of as $id) {
            $lead = $rig->graph->partAt($id);
            if ($lead?->is('lead') !== true) {
                continue;
            }
            foreach (['/from' => $lead->text('from'), '/to' => $lead->text('to')] as $path => $end) {
                if (array_key_exists($end, $terminals) && $end !== $on) {
                    $offers[] = Remedy::set(
                        sprintf('Land %s on %s', $lead->label, TerminalWords::of($rig->graph)[$on] ?? $on),
                        $effect,
                        $id,
                        $path,
                        $on,
                    );
                }
            }
        }

        return array_slice($offers, 0, self::MOST);
    }

    /**
     * A second lead like the one that is there, from the pole that has none to a bar or the battery.
     *
     * @param array{string, string} $ends the pole that has its lead, and the one that has not
     * @param bool $positive whether the lead that is there is the positive one
     * @return list<Remedy>
     */
    public static function mate(Examination $rig, string $component, array $ends, bool $positive): array
    {
        [$has, $lacks] = $ends;
        $graph = $rig->graph;
        $cable = null;
        foreach ($graph->neighbours()[$has] ?? [] as [, $id]) {
            $of = $graph->elements[$id]->component;
            // As it was entered, with how it is known.
            $cable ??=
                $graph->partAt($of)?->is('lead') === true
                    ? $rig->rig->components[$of]->values->raw()->cable ?? null
                    : null;
        }
        if (!($cable instanceof stdClass)) {
            return [];
        }
        $ends = [];
        foreach ($graph->batteries as $battery) {
            $post = $positive ? $battery->neg : $battery->pos;
            $bars = array_intersect_key($graph->junctions, Walk::reach($graph, [$post], Walk::direct(...)));
            array_push($ends, ...array_keys($bars), ...[$post]);
        }
        $words = TerminalWords::of($graph);

        return array_map(
            fn(string $end): Remedy => new Remedy(
                sprintf(
                    'Run its %s, like the lead that is there, to %s',
                    $positive ? 'negative' : 'positive',
                    $words[$end] ?? $end,
                ),
                'the length is assumed to be the same',
                [
                    'kind' => 'plan_fit',
                    'id' => "{$component}_return",
                    'component' => [
                        'type' => 'lead',
                        'label' => sprintf('%s, %s', $graph->label($component), $positive ? 'negative' : 'positive'),
                        'from' => $lacks,
                        'to' => $end,
                        'pole' => $positive ? 'negative' : 'positive',
                        'cable' => self::assumed($cable),
                    ],
                ],
            ),
            array_slice(array_values(array_unique($ends)), 0, 3),
        );
    }

    /** @return array<string, mixed> a cable whose length nobody has measured */
    private static function assumed(stdClass $cable): array
    {
        $length = $cable->lengthM instanceof stdClass ? $cable->lengthM->value : $cable->lengthM;

        return ['lengthM' => ['value' => $length, 'basis' => 'assumed']] + get_object_vars($cable);
    }
}
