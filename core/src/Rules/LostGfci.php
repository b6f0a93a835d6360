<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\CircuitEnd;
use Hollin\Core\Network\Graph;
use Hollin\Core\Reference\Source;

/** A receptacle that had GFCI protection has lost it, or one that needs it never had it. */
final class LostGfci implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'lost_gfci',
            Severity::Danger,
            'GFCI protection lost',
            'Receptacles by a sink, in the bath and outside need GFCI protection from every source. Moving a ' .
                'circuit off its GFCI breaker, or off the load side of another circuit\'s GFCI, leaves the ' .
                'outlets without it. A GFCI ahead of the inverter does not protect while inverting.',
            Source::recalled('NFPA 70 551.41(C)'),
            [
                Sample::found(
                    'a GFCI breaker left behind in the main panel',
                    Sample::survey('c_wet', '/gfci', 'breaker'),
                    Sample::choose('subpanel', ['circuits' => ['c_wet' => true]]),
                ),
                Sample::found('never had it', Sample::survey('c_wet', '/gfci', 'none')),
                Sample::silent(
                    'GFCI receptacle moves with its circuit',
                    Sample::choose('subpanel', ['circuits' => ['c_wet' => true]]),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->circuits as $id => $circuit) {
            if (self::isProtected($rig->graph, $circuit)) {
                continue;
            }
            $before = $rig->asFound?->graph->circuits[$id] ?? null;
            $had = $rig->asFound !== null && $before !== null && self::isProtected($rig->asFound->graph, $before);
            if (!$had && !$circuit->wantsGfci()) {
                continue;
            }
            $hits[] = new Hit(
                $id . ($had ? '|lost' : '|never'),
                $had
                    ? sprintf('%s had GFCI protection as found and has none in the plan.', $circuit->label)
                    : sprintf('%s needs GFCI protection where it is used and has none.', $circuit->label),
                [$id, (string) ($circuit->panel ?? $circuit->behind)],
                [],
                [
                    Remedy::set(
                        "Put a GFCI receptacle first on {$circuit->label}",
                        'protects from every source',
                        $id,
                        '/gfci',
                        'receptacle',
                    ),
                    Remedy::set(
                        "Fit a GFCI breaker for {$circuit->label}",
                        'must be listed for that panel',
                        $id,
                        '/gfci',
                        'breaker',
                    ),
                ],
                severity: $had ? Severity::Danger : Severity::Warning,
                title: $had ? 'GFCI protection lost' : 'No GFCI protection',
            );
        }

        return $hits;
    }

    private static function isProtected(Graph $graph, CircuitEnd $circuit): bool
    {
        for ($at = $circuit, $hops = 0; $at !== null && $hops < 20; $hops++) {
            if ($at->gfci !== 'none') {
                return true;
            }
            $at = $graph->circuits[(string) $at->behind] ?? null;
        }

        return false;
    }
}
