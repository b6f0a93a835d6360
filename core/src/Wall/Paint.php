<?php

declare(strict_types=1);

namespace Hollin\Core\Wall;

use Hollin\Core\Rules\Examination;
use Hollin\Core\States\Settled;
use Hollin\Core\States\Situation;

/** How a state colours the wall: what is live from which source, bonds, positions, moves. */
final class Paint
{
    private readonly Situation $situation;

    /** @var array<int, string> root => source whose hot reaches it through metal */
    private array $hard = [];

    /** @var array<int, string> root => source whose hot reaches it at all */
    private array $hot = [];

    /** @var array<int, string> root => source it is the neutral of */
    private array $home = [];

    /** @var array<string, array<int, list<string>>> positive or negative => root => what holds it up */
    private array $direct = ['positive' => [], 'negative' => []];

    private function __construct(private readonly Examination $rig, Settled $settled)
    {
        $this->situation = $settled->situation;
        foreach ($this->situation->acSources() as $id => [$hot, $neutral]) {
            $this->hard[$hot] ??= $id;
            $this->home[$neutral] = $id;
        }
        $this->hot = $this->hard + $this->situation->throughLoads();
        $charging = $this->situation->charging();
        foreach ($rig->graph->sources as $id => $source) {
            if ($source->kind === 'dc' && ($source->forming || isset($charging[$id]))) {
                $by = $source->letter . ($source->forming ? '' : ':' . $source->component);
                $this->direct['positive'][$this->situation->root($source->a)][] = $by;
                $this->direct['negative'][$this->situation->root($source->b)][] = $by;
            }
        }
    }

    /**
     * @param list<array<string, mixed>> $links of the topology
     * @return array<string, mixed>
     */
    public static function of(Examination $rig, Settled $settled, array $links): array
    {
        $situation = $settled->situation;
        $paint = new self($rig, $settled);
        $painted = [];
        foreach ($links as $link) {
            $painted[$link['id']] = match ($link['kind']) {
                'ac', 'coil' => $paint->ac($link),
                'positive', 'negative' => $paint->dc($link),
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
                $bus = $paint->root("{$id}.bus");
                $bar = $paint->root("{$id}.neutral_bar");
                $buses[$id] = [
                    'soft' => isset($paint->hot[$bus]) && !isset($paint->hard[$bus]),
                    'source' => $paint->letter($paint->hot[$bus] ?? null),
                    'neutralLive' => $paint->letter($paint->hot[$bar] ?? null),
                    'exchanged' => $paint->exchanged($bus, $bar),
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
    private function ac(array $link): array
    {
        [$from, $to] = array_map($this->root(...), $link['hot']);
        [, $home] = array_map($this->root(...), $link['neutral']);

        return [
            'hot' => [$this->letter($this->hot[$from] ?? null), $this->letter($this->hot[$to] ?? null)],
            'soft' => isset($this->hot[$to]) && !isset($this->hard[$to]),
            'neutralLive' => $this->letter($this->hot[$home] ?? null),
            'neutralHome' => $this->letter($this->home[$home] ?? null),
            'exchanged' => $this->exchanged($to, $home),
        ];
    }

    /** Root of a terminal; one that nothing has where there is no such terminal. */
    private function root(string $terminal): int
    {
        return isset($this->rig->graph->terminals[$terminal]) ? $this->situation->root($terminal) : -1;
    }

    private function letter(?string $source): ?string
    {
        return $source === null ? null : $this->rig->graph->sources[$source]->letter;
    }

    /** Letter of the source that feeds two roots with hot and neutral exchanged, or null. */
    private function exchanged(int $hot, int $neutral): ?string
    {
        $source = $hot < 0 || $neutral < 0 ? null : $this->hard[$neutral] ?? null;

        return $source !== null && $this->situation->root($this->rig->graph->sources[$source]->b) === $hot
            ? $this->letter($source)
            : null;
    }

    /**
     * @param array<string, mixed> $link
     * @return array<string, mixed>
     */
    private function dc(array $link): array
    {
        $by = $this->direct[$link['kind']][$this->root($link['ends'][0])] ?? [];

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
                        fn(string $terminal): bool => $settled->situation->strikesAt($terminal) !== null,
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
