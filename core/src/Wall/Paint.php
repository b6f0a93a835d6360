<?php

declare(strict_types=1);

namespace Hollin\Core\Wall;

use Hollin\Core\Rules\Examination;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Situation;

/** How a state colours the wall: what is live from which source, bonds, positions, moves. */
final class Paint
{
    /**
     * @param list<array<string, mixed>> $links of the topology
     * @return array<string, mixed>
     */
    public static function of(Examination $rig, Settled $settled, array $links): array
    {
        $situation = $settled->situation;
        $painted = [];
        foreach ($links as $link) {
            $painted[$link['id']] = match ($link['kind']) {
                'ac', 'coil' => self::ac($rig, $situation, $link),
                'positive', 'negative' => self::dc($rig, $situation, $link),
                default => ['on' => true],
            };
        }
        $circuits = [];
        foreach ($situation->liveness() as $id => $live) {
            $circuits[$id] = [
                'kind' => $live->kind,
                'source' => $live->source === null ? null : $rig->graph->sources[$live->source]->letter,
                'words' => $live->words,
            ];
        }
        $buses = [];
        foreach ($rig->rig->components as $id => $component) {
            if (isset($rig->graph->terminals["{$id}.bus"])) {
                $hot = $situation->hotAt("{$id}.bus");
                $stray = $situation->hotAt("{$id}.neutral_bar");
                $buses[$id] = [
                    'soft' => $hot !== null && $situation->hardHot("{$id}.bus") === null,
                    'source' => $hot === null ? null : $rig->graph->sources[$hot]->letter,
                    'neutralLive' => $stray === null ? null : $rig->graph->sources[$stray]->letter,
                    'exchanged' => self::exchanged($rig, $situation, "{$id}.bus", "{$id}.neutral_bar"),
                ];
            }
        }

        return [
            'links' => (object) $painted,
            'circuits' => (object) $circuits,
            'buses' => (object) $buses,
            'positions' => (object) array_map(
                fn(string $id): array => [
                    'position' => $settled->positions[$id],
                    'words' => ($rig->graph->devices[$id] ?? null)?->everyPosition()[$settled->positions[$id]] ?? '',
                ],
                array_combine(array_keys($settled->positions), array_keys($settled->positions)),
            ),
            'moves' => array_map(
                fn(array $m): array => $m + [
                    'component' => $rig->graph->devices[$m['device']]->component,
                    'words' => $rig->graph->devices[$m['device']]->positions[$m['to']] ?? $m['to'],
                ],
                $settled->moves,
            ),
            'bonds' => self::bonds($rig, $situation),
            'closedBonds' => array_values(
                array_map(
                    fn(array $b): string => $b[0],
                    array_filter($situation->network->bonds, fn(array $b): bool => $situation->isClosed($b[0])),
                ),
            ),
            'gates' => (object) Gates::of($rig, $settled),
            'supplies' => (object) self::supplies($rig, $settled),
            'charging' => self::charging($rig, $situation),
            'pins' => (object) self::pins($rig, $settled),
        ];
    }

    /**
     * @param array<string, mixed> $link
     * @return array<string, mixed>
     */
    private static function ac(Examination $rig, Situation $situation, array $link): array
    {
        $live = function (string $terminal) use ($rig, $situation): ?array {
            if (!isset($rig->graph->terminals[$terminal])) {
                return null;
            }
            $hard = $situation->hardHot($terminal);
            $soft = $hard === null ? $situation->softHot($terminal) : null;
            $source = $hard ?? $soft;

            return $source === null
                ? null
                : ['letter' => $rig->graph->sources[$source]->letter, 'soft' => $soft !== null, 'source' => $source];
        };
        $ends = array_map($live, $link['hot']);
        $neutral = array_map($live, $link['neutral']);
        $home = null;
        foreach ($situation->acSources() as $id => [, $root]) {
            if (isset($rig->graph->terminals[$link['neutral'][1]]) && $situation->root($link['neutral'][1]) === $root) {
                $home = $rig->graph->sources[$id]->letter;
            }
        }

        return [
            'hot' => [$ends[0]['letter'] ?? null, $ends[1]['letter'] ?? null],
            'soft' => $ends[1]['soft'] ?? false,
            'neutralLive' => $neutral[1]['letter'] ?? null,
            'neutralHome' => $home,
            'exchanged' => self::exchanged($rig, $situation, $link['hot'][1], $link['neutral'][1]),
        ];
    }

    /** Letter of the source that feeds two terminals with hot and neutral exchanged, or null. */
    private static function exchanged(Examination $rig, Situation $situation, string $hot, string $neutral): ?string
    {
        if (!isset($rig->graph->terminals[$hot], $rig->graph->terminals[$neutral])) {
            return null;
        }
        $source = $situation->hardHot($neutral);

        return $source !== null && $situation->root($rig->graph->sources[$source]->b) === $situation->root($hot)
            ? $rig->graph->sources[$source]->letter
            : null;
    }

    /**
     * @param array<string, mixed> $link
     * @return array<string, mixed>
     */
    private static function dc(Examination $rig, Situation $situation, array $link): array
    {
        $end = $link['ends'][0];
        if (!isset($rig->graph->terminals[$end])) {
            return ['on' => false, 'by' => []];
        }
        $by = [];
        foreach ($rig->graph->sources as $id => $source) {
            $on = $source->kind === 'dc' && ($source->forming || isset($situation->charging()[$id]));
            if ($on && $situation->joined($link['kind'] === 'positive' ? $source->a : $source->b, $end)) {
                $by[] = $source->letter . ($source->forming ? '' : ':' . $source->component);
            }
        }

        return ['on' => $by !== [], 'by' => $by];
    }

    /** @return list<array<string, mixed>> energised systems with their number of bonds and where */
    private static function bonds(Examination $rig, Situation $situation): array
    {
        $systems = [];
        foreach (array_keys($situation->acSources()) as $id) {
            $source = $rig->graph->sources[$id];
            $systems[] = [
                'source' => $source->letter,
                'component' => $source->component,
                'count' => count($situation->bondsOf($id)),
                'at' => $situation->bondsOf($id),
                'where' => array_map(
                    fn(string $b): string => $rig->rig->label($rig->graph->elements[$b]->component),
                    $situation->bondsOf($id),
                ),
            ];
        }

        return $systems;
    }

    /**
     * @return array<string, array{plugged: bool, words: string}> supplies by component, and whether a cord of the rig
     *      is in them
     */
    private static function supplies(Examination $rig, Settled $settled): array
    {
        $found = [];
        foreach ($rig->graph->supplies as $supply) {
            $plug = null;
            foreach ($rig->graph->elementsOf($supply->component) as $id => $element) {
                $device = $rig->graph->devices[$element->device ?? ''] ?? null;
                if ($device?->job === 'plug' && $settled->situation->isClosed($id)) {
                    $plug = $device;
                }
            }
            $source = $rig->graph->sources[$supply->source];
            $condition =
                $source->surrounding === null
                    ? 'good'
                    : $settled->setting->surroundings[$source->surrounding] ?? 'good';
            $found[$supply->component] = [
                'plugged' => $plug !== null,
                'words' => match (true) {
                    $plug === null => 'not plugged in',
                    $condition === 'dead' => 'plugged in, dead',
                    $condition === 'low' => 'plugged in, too low',
                    default => $plug->everyPosition()[$settled->positions[$plug->id]] ?? '',
                },
            ];
        }

        return $found;
    }

    /** @return array<string, array{bare: bool, live: list<string>, words: string}> male pins by component */
    private static function pins(Examination $rig, Settled $settled): array
    {
        $found = [];
        foreach ($rig->graph->exposed as $pins) {
            $bare = in_array($settled->positions[$pins->device] ?? '', $pins->exposedIn, true);
            $live = $bare
                ? array_keys(
                    array_filter(
                        $pins->pins,
                        fn(string $terminal): bool => $settled->situation->hotAt($terminal) !== null,
                    ),
                )
                : [];
            $found[$pins->component] = [
                'bare' => $bare,
                'live' => $live,
                'words' => match (true) {
                    !$bare => ($rig->graph->devices[$pins->device] ?? null)?->everyPosition()[
                        $settled->positions[$pins->device] ?? ''
                    ] ?? '',
                    $live !== [] => implode(' and ', $live) . (count($live) === 1 ? ' pin live!' : ' pins live!'),
                    default => 'pins bare, not live',
                },
            ];
        }

        return $found;
    }

    /** @return list<array<string, mixed>> */
    private static function charging(Examination $rig, Situation $situation): array
    {
        $charging = [];
        foreach ($situation->charging() as $id => $ac) {
            $charging[] = [
                'component' => $rig->graph->sources[$id]->component,
                'on' => $rig->graph->sources[$ac]->letter,
                'amps' => $rig->graph->sources[$id]->limitA,
            ];
        }

        return $charging;
    }
}
