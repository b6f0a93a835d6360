<?php

declare(strict_types=1);

namespace Hollin\Core\Components;

use Hollin\Core\Network\Graph;

/** Compiles a described rig into the network it is. */
final class Wiring
{
    /** The network that the components of a rig compile to. */
    public static function of(Rig $rig): Graph
    {
        $graph = new Graph();
        foreach ($rig->components as $id => $component) {
            $graph->parts[$id] = $component->describe();
        }
        foreach ($rig->components as $component) {
            $component->compile($graph, $rig);
        }

        return $graph;
    }
}
