<?php

declare(strict_types=1);

namespace Hollin\Core\States;

/** What a hot reaches through loads: the soft closure of a situation. */
final class ThroughLoads
{
    /** @return array<int, string> root => source whose hot reaches it through loads, with no return in between */
    public static function of(Situation $now): array
    {
        $next = [];
        foreach ($now->network->graph->circuits as $end) {
            $a = $now->root($end->hot);
            $b = $now->root($end->neutral);
            $next[$a][] = $b;
            $next[$b][] = $a;
        }
        foreach ($now->network->graph->sources as $source) {
            if ($source->runsOnAc !== null && $source->device === null) {
                $a = $now->root($source->runsOnAc[0]);
                $b = $now->root($source->runsOnAc[1]);
                $next[$a][] = $b;
                $next[$b][] = $a;
            }
        }
        $soft = [];
        foreach ($now->acSources() as $id => [$hotRoot, $neutralRoot]) {
            $queue = [$hotRoot];
            $seen = [$hotRoot => true, $neutralRoot => true];
            $home = $now->bonded($neutralRoot);
            while ($queue !== []) {
                foreach ($next[array_pop($queue)] ?? [] as $root) {
                    // What a bond holds to the source's neutral does not come up: the current goes home there.
                    if (!isset($seen[$root]) && $now->bonded($root) !== $home) {
                        $seen[$root] = true;
                        $soft[$root] ??= $id;
                        $queue[] = $root;
                    }
                }
            }
        }

        return $soft;
    }
}
