<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/**
 * A wire that two breakers feed from one supply: neither makes it dead, and together they let through what neither
 * would.
 */
final class FedTwice implements RigRule
{
    public static function definition(): Definition
    {
        $feed = fn(int $slot): array => [
            'type' => 'circuit',
            'label' => "Feed {$slot}",
            'hot' => ['panel' => 'main_panel', 'slot' => $slot],
            'neutral' => ['panel' => 'main_panel'],
            'breakerA' => 15,
            'cable' => ['size' => 'awg:14', 'lengthM' => 1.0],
            'gfci' => 'none',
            'place' => 'fixed',
            'feeds' => ['at' => 'joint', 'port' => 'in'],
        ];
        $box = [
            Sample::survey('main_panel', '/slots', 14),
            Sample::add('joint', ['type' => 'splice_box', 'label' => 'Splice box', 'volumeCm3' => 600]),
            Sample::add('feed_a', $feed(12)),
        ];

        return new Definition(
            'fed_twice',
            Severity::Danger,
            'One circuit fed by two breakers',
            'A wire that is reached through two breakers stays live when either is switched off, and its ' .
                'insulation is protected by their sum: each carries only its share. It comes about where two ' .
                'circuits were joined in a box.',
            Source::recalled(
                'NFPA 70 240.8: overcurrent devices not in parallel; 210.11 and 408.4: each circuit its own',
            ),
            [
                Sample::found(
                    'two circuits of one panel joined in a box',
                    ...[...$box, Sample::add('feed_b', $feed(13))],
                ),
                Sample::silent('one of them', ...$box),
                Sample::silent('as found'),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $candidates = $this->candidates($rig);
        foreach ($candidates === [] ? [] : $rig->settled as $state => $settled) {
            foreach ($candidates as $breaker) {
                $source = $settled->situation->isClosed($breaker->id)
                    ? $settled->situation->hardHot($breaker->a)
                    : null;
                $besides = $source === null ? [] : $this->besides($rig, $breaker, $settled->situation);
                if ($source === null || $besides === []) {
                    continue;
                }
                $ring = [...$besides, $breaker];
                usort($ring, fn(Element $a, Element $b): int => strcmp((string) $a->component, (string) $b->component));
                $key = implode('+', array_map(fn(Element $e): string => (string) $e->component, $ring));
                $hits[$key] ??= $this->hit($rig, $key, $ring, $source, $state);
            }
        }

        return array_values($hits);
    }

    /** @return list<Element> breakers that have a way around them, whatever is closed at once */
    private function candidates(Examination $rig): array
    {
        return array_values(
            array_filter(
                $rig->graph->elements,
                fn(Element $e): bool => self::isBreaker($e) &&
                    !Walk::leadsThrough($rig->graph, [$e->a], $e->b, $e->id, self::isHot(...)),
            ),
        );
    }

    /** @param list<Element> $ring breakers on one ring of hots */
    private function hit(Examination $rig, string $key, array $ring, string $source, string $state): Hit
    {
        $labels = array_map(fn(Element $e): string => $rig->graph->label((string) $e->component), $ring);
        $amps = array_map(fn(Element $e): float => $e->ratingA() ?? 0.0, $ring);
        sort($amps);
        $last = array_pop($labels);

        return new Hit(
            $key,
            sprintf(
                '%s and %s feed the same wire: switching one off leaves it live through the other, and ' .
                    'together they let up to %g A through it.',
                ucfirst(implode(', ', $labels)),
                $last,
                $amps[0] + $amps[1],
            ),
            array_map(fn(Element $e): string => (string) $e->component, $ring),
            [
                new Figure(
                    'Both together',
                    $amps[0] + $amps[1],
                    'A',
                    sprintf('%g A + %g A', $amps[0], $amps[1]),
                    Source::computed('a breaker each way'),
                    $amps[0],
                    of: new Of(Quantity::Rated, (string) $ring[0]->id),
                ),
            ],
            array_values(
                array_map(
                    fn(Element $e): Remedy => new Remedy(
                        "Take {$rig->graph->label((string) $e->component)} out",
                        'one breaker feeds it',
                        ['kind' => 'plan_remove', 'component' => (string) $e->component],
                    ),
                    array_filter(
                        $ring,
                        fn(Element $e): bool => ($rig->graph->circuits[(string) $e->component] ?? null)?->feeds !==
                            null,
                    ),
                ),
            ),
            paths: array_map(
                fn(Element $e): array => [$rig->graph->sources[$source]->a, $e->b],
                array_slice($ring, 0, 2),
            ),
            state: $state,
        );
    }

    /** @return list<Element> breakers on the way around one that is closed */
    private function besides(Examination $rig, Element $breaker, Situation $situation): array
    {
        $way = Walk::way(
            $rig->graph,
            $breaker->a,
            $breaker->b,
            fn(Element $e): bool => $e->id !== $breaker->id && self::isHot($e) && $situation->isClosed($e->id),
        );

        return array_values(
            array_filter(
                array_map(fn(string $id): Element => $rig->graph->elements[$id], $way ?? []),
                self::isBreaker(...),
            ),
        );
    }

    private static function isHot(Element $element): bool
    {
        return $element->kind !== ElementKind::Bond && $element->role === Role::L1;
    }

    private static function isBreaker(Element $element): bool
    {
        return self::isHot($element) && $element->rating?->protects === true;
    }
}
