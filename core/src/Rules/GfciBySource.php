<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** An outlet that a GFCI protects from one source and not from another. */
final class GfciBySource implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'gfci_by_source',
            Severity::Danger,
            'GFCI bypassed from one source',
            'A GFCI protects what is behind it. When a transfer switch or an inverter comes in beyond it, ' .
                'the outlet is protected on shore and not while inverting.',
            Source::recalled('NFPA 70 551.41(C)'),
            [
                Sample::found(
                    'the transfer switch lands beyond the GFCI breaker',
                    Sample::survey('c_wet', '/gfci', 'breaker'),
                    Sample::alone('transfer_circuit', ['circuit' => 'c_wet']),
                ),
                Sample::silent('GFCI at the receptacle', Sample::alone('transfer_circuit', ['circuit' => 'c_wet'])),
                Sample::silent(
                    'the whole panel is transferred',
                    Sample::survey('c_wet', '/gfci', 'breaker'),
                    Sample::alone('transfer_whole'),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->circuits as $id => $circuit) {
            if (!$circuit->wantsGfci() && $circuit->gfci === 'none') {
                continue;
            }
            $by = [];
            foreach ($rig->settled as $state => $settled) {
                $end = $rig->graph->circuits[$id];
                $source = $settled->situation->workingSource($end->hot, $end->neutral);
                if ($source !== null && !isset($by[$source])) {
                    $by[$source] = [
                        'state' => $state,
                        'protected' => self::isProtected($rig, $settled->situation, $source, $id),
                    ];
                }
            }
            $without = array_filter($by, fn(array $b): bool => !$b['protected']);
            if ($without === [] || count($without) === count($by)) {
                continue;
            }
            $source = (string) array_key_first($without);
            $from = $rig->graph->sources[$source]->component;
            $hits[] = new Hit(
                "{$id}|{$source}",
                sprintf(
                    '%s has GFCI protection from %s and none from %s, which comes in beyond it.',
                    $circuit->label,
                    implode(
                        ', ',
                        array_map(
                            fn(string $s): string => $rig->graph->label($rig->graph->sources[$s]->component),
                            array_keys(array_diff_key($by, $without)),
                        ),
                    ),
                    $rig->graph->label($from),
                ),
                [$id, $from],
                remedies: [
                    Remedy::set(
                        "Put a GFCI receptacle first on {$circuit->label}",
                        'protects from every source',
                        $id,
                        '/gfci',
                        'receptacle',
                    ),
                ],
                paths: [[$rig->graph->sources[$source]->a, $rig->graph->circuits[$id]->hot]],
                state: $without[$source]['state'],
            );
        }

        return $hits;
    }

    /** Whether a GFCI stands on the way from a source to an outlet. */
    private static function isProtected(
        Examination $rig,
        \Hollin\Core\States\Situation $situation,
        string $source,
        string $id,
    ): bool {
        if ($rig->graph->circuits[$id]->gfci === 'receptacle') {
            return true;
        }
        foreach (
            Path::between($situation, $rig->graph->sources[$source]->a, $rig->graph->circuits[$id]->hot)['elements']
            as $element
        ) {
            $on = $rig->graph->circuits[$rig->graph->elements[$element]->component ?? ''] ?? null;
            if ($on !== null && $on->gfci !== 'none') {
                return true;
            }
        }

        return false;
    }
}
