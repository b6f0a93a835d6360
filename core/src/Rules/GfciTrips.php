<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/** A GFCI whose neutral is grounded beyond it, or has a second way back: it trips, also with nothing switched on. */
final class GfciTrips implements StateRule, Unclaimed
{
    public static function definition(): Definition
    {
        $breaker = Sample::survey('c_wet', '/gfci', 'breaker');

        return new Definition(
            'gfci_trips',
            Severity::Warning,
            'GFCI trips',
            'A GFCI compares what goes out with what comes back, and listens for a neutral that is grounded ' .
                'on its load side. A bond beyond it, an inverter\'s for example, or a neutral joined to another ' .
                'one beyond it, lets part of the current come home past it: it trips, often with nothing ' .
                'switched on, and gets replaced by one without protection.',
            Source::recalled('UL 943: a grounded neutral on the load side of 4 Ω or less trips a class A device'),
            [
                Sample::found(
                    'one-pole transfer beyond a GFCI breaker, the inverter\'s output bonded',
                    $breaker,
                    Sample::alone('transfer_circuit', ['circuit' => 'c_wet', 'poles' => 'one']),
                ),
                Sample::silent(
                    'two-pole transfer',
                    $breaker,
                    Sample::alone('transfer_circuit', ['circuit' => 'c_wet', 'poles' => 'two']),
                ),
                Sample::silent(
                    'one-pole, the output floats',
                    $breaker,
                    Sample::choose('transfer_circuit', [
                        'circuit' => 'c_wet',
                        'poles' => 'one',
                        'converter' => 'left',
                        'continuousW' => 2000,
                        'outputNeutral' => 'floating',
                    ]),
                ),
                Sample::silent(
                    'GFCI at the outlet, beyond the switch',
                    Sample::alone('transfer_circuit', ['circuit' => 'c_wet', 'poles' => 'one']),
                ),
            ],
        );
    }

    public static function whyUnclaimed(): string
    {
        return 'It is how neutrals and grounds are wired beyond a GFCI: no device keeps it off.';
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->circuits as $id => $end) {
            if ($end->gfci === 'none') {
                continue;
            }
            $source = $situation->hardHot($end->hot);
            $beyond = $source === null ? null : $this->beyond($situation, $rig, "{$id}.neutral", $end->neutral);
            if ($source === null || $beyond === null) {
                continue;
            }
            [$terminal, $component] = $beyond;
            $hits[] = new Hit(
                "{$id}|{$component}",
                $terminal === $rig->graph->elements["{$id}.neutral"]->a
                    ? sprintf(
                        'The neutral of %s has a second way back, by %s: its GFCI sees current go out that ' .
                            'does not come home through it, and trips.',
                        $end->label,
                        $rig->graph->label($component),
                    )
                    : sprintf(
                        'The neutral of %s is grounded beyond its GFCI, in %s: part of the return goes by ' .
                            'the ground, and it trips, also with nothing switched on.',
                        $end->label,
                        $rig->graph->label($component),
                    ),
                [$id, $component],
                paths: [[$rig->graph->sources[$source]->a, $end->hot], [$end->neutral, $terminal]],
            );
        }

        return $hits;
    }

    /**
     * Where the neutral behind a GFCI meets a closed bond, or its own line side, without going back through the GFCI.
     *
     * @return ?array{string, string} terminal, and the component that does it
     */
    private function beyond(Situation $situation, Examination $rig, string $own, string $from): ?array
    {
        $line = $rig->graph->elements[$own]->a ?? null;
        $seen = [$from => true];
        for ($next = [$from]; $next !== []; ) {
            $at = array_shift($next);
            foreach ($situation->network->neighbours()[$at] ?? [] as [$to, $element]) {
                $e = $rig->graph->elements[$element];
                if ($element === $own || !$situation->isClosed($element)) {
                    continue;
                }
                if ($e->kind === ElementKind::Bond) {
                    return [$at, $e->component];
                }
                if ($e->role !== Role::N || isset($seen[$to])) {
                    continue;
                }
                if ($to === $line) {
                    return [$to, $e->component];
                }
                $seen[$to] = true;
                $next[] = $to;
            }
        }

        return null;
    }
}
