<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\Potentials;
use Hollin\Core\Network\Source;
use Hollin\Core\Network\SupplyCondition;

/**
 * The alternating sources of a situation: which are joined and which are shorted, by what is joined and
 * nothing solved. Each source lays its windings between nets; a way around that closes with volts left
 * over is a short when they are all of one group, and two sources joined when they are of several. What
 * two groups leave over is never nothing, whatever their phase: nobody keeps them in step.
 */
final class AlternatingPotentials
{
    /** Less than this left over around a way is no short, V. */
    private const NOTHING_V = 1.0;

    /**
     * @var array<string, array{string, string, bool}> pairs of sources: first, second, whether a bond closes the way
     */
    public array $joined = [];

    /** @var array<string, array{string, float, bool}> source => itself, V left over, whether a bond closes the way */
    public array $shorted = [];

    /** @param ?array<string, mixed> $of sources by id; those that are active when left out */
    public function __construct(Situation $situation, ?array $of = null)
    {
        $sources = $of === null ? $situation->acSources() : array_intersect_key($situation->acSources(), $of);
        if (!self::closes($situation, $sources)) {
            return;
        }
        foreach ([false, true] as $bonded) {
            $potentials = new Potentials();
            if ($bonded) {
                foreach ($situation->network->bonds as [$element, $neutral, $ground]) {
                    if ($situation->isClosed($element)) {
                        $potentials->join($situation->rootOf($neutral), $situation->rootOf($ground), []);
                    }
                }
            }
            foreach ($sources as $id => $_) {
                foreach (self::windings($situation, $id) as [$a, $b, $volts]) {
                    $left = $potentials->join($a, $b, $volts);
                    $this->close(
                        $situation,
                        $id,
                        array_filter($left ?? [], fn(array $v): bool => hypot(...$v) > self::NOTHING_V),
                        $bonded,
                    );
                }
            }
        }
        // Two hots on one conductor meet in metal, whatever becomes of their neutrals.
        foreach ($sources as $first => [$hot]) {
            foreach ($sources as $second => [$other]) {
                if ($hot === $other && strcmp($first, $second) < 0) {
                    $this->joined["{$first}|{$second}"] ??= [$first, $second, false];
                }
            }
        }
    }

    /**
     * Whether any source closes a way around at all, bonds taken for metal: of most situations that is all
     * there is to ask.
     *
     * @param array<string, array{int, int}> $sources
     */
    private static function closes(Situation $situation, array $sources): bool
    {
        if ($sources === []) {
            return false;
        }
        $edges = [];
        foreach ($situation->network->bonds as [$element, $neutral, $ground]) {
            if ($situation->isClosed($element)) {
                $edges[] = [$situation->rootOf($neutral), $situation->rootOf($ground), false];
            }
        }
        $hots = [];
        foreach ($sources as $id => [$hot, $neutral]) {
            $source = $situation->network->graph->sources[$id];
            if (isset($hots[$hot])) {
                return true;
            }
            $hots[$hot] = true;
            if ($source->neutral === 'half') {
                $case = $situation->root($source->ground);
                array_push($edges, [$hot, $case, true], [$case, $neutral, true]);
            } else {
                $edges[] = [$hot, $neutral, true];
            }
        }
        $parent = [];
        foreach ($edges as [$a, $b, $gives]) {
            while (isset($parent[$a])) {
                $a = $parent[$a];
            }
            while (isset($parent[$b])) {
                $b = $parent[$b];
            }
            if ($a !== $b) {
                $parent[$a] = $b;
            } elseif ($gives) {
                return true;
            }
        }

        return false;
    }

    /**
     * Nets of each winding of a source, and the volts it puts between them, by group.
     *
     * @return list<array{int, int, array<string, array{float, float}>}>
     */
    private static function windings(Situation $situation, string $id): array
    {
        $source = $situation->network->graph->sources[$id];
        $volts = SupplyCondition::volts($situation->condition($id), $source->volts);
        $phasor = fn(float $share): array => [
            $source->group() => [
                $share * $volts * cos(deg2rad($source->angleDeg)),
                $share * $volts * sin(deg2rad($source->angleDeg)),
            ],
        ];
        $hot = $situation->root($source->a);
        $neutral = $situation->root($source->b);
        if ($source->neutral !== 'half') {
            return [[$hot, $neutral, $phasor(1.0)]];
        }
        $case = $situation->root($source->ground);

        return [[$hot, $case, $phasor(0.5)], [$case, $neutral, $phasor(0.5)]];
    }

    /** @param array<string, array{float, float}> $left group => V left over */
    private function close(Situation $situation, string $id, array $left, bool $bonded): void
    {
        if (count($left) === 1) {
            $this->shorted[$id] ??= [$id, max(array_map(fn(array $v): float => hypot(...$v), $left)), $bonded];
        }
        if (count($left) < 2) {
            return;
        }
        $with = array_filter(
            $situation->network->graph->sources,
            fn(Source $s): bool => isset($left[$s->group()]) && isset($situation->acSources()[$s->id]),
        );
        foreach (array_keys($with) as $first) {
            foreach (array_keys($with) as $second) {
                if (strcmp($first, $second) < 0 && $with[$first]->group() !== $with[$second]->group()) {
                    $this->joined["{$first}|{$second}"] ??= [$first, $second, $bonded];
                }
            }
        }
    }
}
