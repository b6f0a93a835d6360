<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Panels;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/** A circuit's hot and neutral land on different halves: the hot moved, the neutral stayed behind. */
final class SplitReturn implements StateRule, Unclaimed
{
    public static function definition(): Definition
    {
        return new Definition(
            'split_return',
            Severity::Danger,
            'Hot and neutral on different halves',
            'A circuit\'s neutral must always go with its hot: same panel half, same transfer pole, same ' .
                'GFCI. Apart, the circuit is live without a return, the stray neutral bar comes up to line ' .
                'voltage through the load, and where the neutrals do meet, the current returns by a path nobody ' .
                'sized.',
            Source::recalled('NFPA 70 300.3(B): conductors of a circuit run together; common practice'),
            [
                Sample::found(
                    'hot moved to the inverter panel, neutral left',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                    Sample::move('c_outlets', 'main_panel', 'neutral'),
                ),
                Sample::found(
                    'the same with a common neutral: it works, by the wrong path',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'neutral' => 'common']),
                    Sample::move('c_outlets', 'main_panel', 'neutral'),
                ),
                Sample::silent('both moved', Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]])),
            ],
        );
    }

    public static function whyUnclaimed(): string
    {
        return 'It is how a circuit is wired: no device keeps it off, and none that fails brings it about.';
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->circuits as $id => $end) {
            if ($end->together) {
                continue;
            }
            $source = $situation->hardHot($end->hot);
            if ($source === null) {
                continue;
            }
            $works = $situation->workingSource($end->hot, $end->neutral) !== null;
            $ground = !$works && $situation->homeByGround($end->neutral, $source);
            $label = $rig->graph->label($id);
            $hits[] = new Hit(
                $id .
                    match (true) {
                        $works => '|wrong path',
                        $ground => '|by ground',
                        default => '|no return',
                    },
                $ground
                    ? sprintf(
                        '%s works, but its current leaves by %s and comes home over bonds and equipment ' .
                            'grounds, by way of %s: cases and frame carry it, and a ground that opens puts line ' .
                            'voltage on them.',
                        $label,
                        $rig->graph->label($end->hotFrom),
                        $rig->graph->label($end->neutralFrom),
                    )
                    : ($works
                        ? sprintf(
                            '%s works, but its current leaves by %s and returns by %s: a path nobody sized, ' .
                                'and it trips any GFCI on the way.',
                            $label,
                            $rig->graph->label($end->hotFrom),
                            $rig->graph->label($end->neutralFrom),
                        )
                        : sprintf(
                            'The hot of %s is live from %s, its neutral lands on %s which has no way back to ' .
                                'that source. Nothing on the circuit works, and that neutral bar stands at line ' .
                                'voltage as soon as anything is switched on.',
                            $label,
                            $rig->graph->label($end->hotFrom),
                            $rig->graph->label($end->neutralFrom),
                        )),
                [$id, $end->hotFrom, $end->neutralFrom],
                [],
                array_values(
                    array_filter([
                        self::fetch($rig, $id),
                        ($home = $rig->graph->partAt($end->neutralFrom))?->is('panel') === true &&
                        Panels::hasRoom($rig->graph, $home)
                            ? Remedy::move(
                                "Move the hot of {$label} back to {$rig->graph->label($end->neutralFrom)}",
                                'hot and neutral together',
                                $id,
                                $end->neutralFrom,
                                'hot',
                            )
                            : null,
                    ]),
                ),
                [[$rig->graph->sources[$source]->a, $end->hot]],
                $works ? Severity::Warning : Severity::Danger,
                match (true) {
                    $works => 'Return by another path than the hot',
                    $ground => 'Load current on the grounds',
                    default => 'Hot without its neutral',
                },
                because: $ground ? "split_return|{$id}|no return" : null,
            );
        }

        return $hits;
    }

    /** The neutral to where the hot is: a panel's bar, or the load side of the circuit it hangs behind. */
    public static function fetch(Examination $rig, string $circuit): Remedy
    {
        $from = $rig->graph->circuits[$circuit]->hotFrom;
        $label = sprintf('Move the neutral of %s to %s', $rig->graph->label($circuit), $rig->graph->label($from));

        return $rig->graph->partAt($from)?->is('panel') === true
            ? Remedy::move($label, 'hot and neutral together', $circuit, $from, 'neutral')
            : Remedy::set($label, 'hot and neutral together', $circuit, '/neutral', ['behind' => $from]);
    }
}
