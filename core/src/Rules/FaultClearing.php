<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\CircuitEnd;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Reference\TripCurve;
use Hollin\Core\Solve\Impedance;
use Hollin\Core\Solve\NodalNetwork;
use Hollin\Core\States\Situation;

/** A bolted fault from hot to the case at an outlet: is there current enough to open its breaker? */
final class FaultClearing implements RigRule
{
    /** Multiple of the rating from which a breaker opens by heat within a minute or so. */
    private const HEAT = 2.0;

    /** Multiple below which it may never open. */
    private const NEVER = 1.35;

    public static function definition(): Definition
    {
        return new Definition(
            'fault_clearing',
            Severity::Warning,
            'A short to the case may not trip the breaker',
            'A line-to-case fault must open a breaker soon. A pedestal delivers hundreds of amps; an ' .
                'inverter delivers its surge for moments and then stops, so a 20 A breaker behind a small ' .
                'inverter may never open. Its own shutdown counts only if it latches off. Meanwhile the case ' .
                'stands at a voltage.',
            Source::recalled(
                'breaker curves by UL 489, from memory: from 10 times prompt, from 2 by heat in a minute or ' .
                    'more, below 1.35 perhaps never',
            ),
            [
                Sample::found(
                    'a 600 W inverter in front of 15 A breakers',
                    Sample::alone('transfer_whole', ['continuousW' => 600, 'surgeW' => 1200]),
                ),
                Sample::silent('as found, from a pedestal'),
                Sample::silent(
                    'an inverter that latches off on a short',
                    Sample::alone('transfer_whole', ['continuousW' => 600, 'surgeW' => 1200]),
                    Sample::set('inverter', '/latchesOff', true),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $worst = [];
        $seen = [];
        $wires = self::wires($rig);
        foreach ($rig->settled as $state => $settled) {
            if (isset($seen[$settled->situation->key])) {
                continue;
            }
            $seen[$settled->situation->key] = true;
            foreach ($this->currents($rig, $settled->situation, $wires) as $circuit => [$source, $amps, $breakerA]) {
                $share = $amps / $breakerA;
                if (self::lasts($rig, $source, $amps, $share) && $share < ($worst[$source]['share'] ?? INF)) {
                    $worst[$source] = [
                        'share' => $share,
                        'amps' => $amps,
                        'breakerA' => $breakerA,
                        'circuit' => $circuit,
                        'state' => $state,
                    ];
                }
            }
        }
        $hits = [];
        foreach ($worst as $source => $w) {
            $unit = $rig->graph->sources[$source]->component;
            $hits[] = new Hit(
                $source,
                sprintf(
                    'A bolted fault to the case on %s draws %.0f A from %s, %.1f times its %g A breaker: %s. ' .
                        'The case stands at %.0f V meanwhile.',
                    $rig->graph->label($w['circuit']),
                    $w['amps'],
                    $rig->graph->label($unit),
                    $w['share'],
                    $w['breakerA'],
                    $w['share'] < self::NEVER
                        ? 'it may never open'
                        : sprintf(
                            'it opens by heat %s, if the source lasts that long',
                            TripCurve::words(TripCurve::seconds('breaker', $w['share'])),
                        ),
                    self::touchV(
                        self::mesh($rig, $rig->settled[$w['state']]->situation, $wires),
                        $rig->graph->circuits[$w['circuit']],
                        $rig->graph->sources[$source]->b,
                        $w['amps'],
                    ),
                ),
                [$unit, $w['circuit']],
                [
                    new Figure(
                        'Fault current',
                        $w['amps'],
                        'A',
                        'volts over the loop\'s resistance, no more than the source\'s surge',
                        Source::computed('loop resistance at 75 °C'),
                        self::HEAT * $w['breakerA'],
                        true,
                        of: new Of(Quantity::Short, $w['circuit']),
                    ),
                ],
                [
                    Remedy::set(
                        sprintf('Put a GFCI at the first receptacle of %s', $rig->graph->label($w['circuit'])),
                        'it opens at 6 mA, whatever the source can give',
                        $w['circuit'],
                        '/gfci',
                        'receptacle',
                    ),
                ],
                severity: $w['share'] < self::NEVER ? Severity::Warning : Severity::Advice,
                state: $w['state'],
            );
        }

        return [...$hits, ...$this->withoutBreaker($rig)];
    }

    /** Whether a breaker may not open in time: too little current, or a surge that is over before it does. */
    private static function lasts(Examination $rig, string $source, float $amps, float $share): bool
    {
        $s = $rig->graph->sources[$source];

        return $share < self::HEAT ||
            ($s->surgeA > 0 &&
                $amps >= 0.99 * $s->surgeA &&
                (TripCurve::seconds('breaker', $share) ?? INF) > $s->surgeS);
    }

    /** @return list<Hit> circuits that a source reaches with nothing that opens on the way */
    private function withoutBreaker(Examination $rig): array
    {
        $hits = [];
        $seen = [];
        foreach ($rig->settled as $state => $settled) {
            $situation = $settled->situation;
            foreach (isset($seen[$situation->key]) ? [] : array_keys($situation->acSources()) as $id) {
                $source = $rig->graph->sources[$id];
                $own = $rig->graph->partAt($source->component);
                // What a receptacle's own breaker in an inverter, a set or a pedestal covers is its maker's matter.
                if (
                    $source->surrounding !== null ||
                    isset($rig->graph->supplies[$source->component]) ||
                    $own?->has('outletA') === true
                ) {
                    continue;
                }
                $reached = Walk::reach(
                    $rig->graph,
                    [$source->a],
                    fn(Element $e): bool => $e->role === Role::L1 &&
                        $e->rating?->protects !== true &&
                        $situation->isClosed($e->id),
                );
                foreach ($rig->graph->circuits as $circuit => $end) {
                    if (
                        array_key_exists($end->hot, $reached) &&
                        $end->hotFrom !== $source->component &&
                        $end->feeds === null &&
                        !isset($hits[$circuit])
                    ) {
                        $hits[$circuit] = new Hit(
                            "none|{$circuit}|{$source->component}",
                            sprintf(
                                'Between %s and %s nothing opens: a fault there draws up to %.0f A, and no ' .
                                    'breaker is on the way.',
                                $rig->graph->label($source->component),
                                $end->label,
                                $source->surgeA > 0 ? $source->surgeA : $source->volts / $source->impedanceOhm,
                            ),
                            [$circuit, $source->component],
                            paths: [[$source->a, $end->hot]],
                            title: 'No breaker on the way',
                            state: $state,
                        );
                    }
                }
            }
            $seen[$situation->key] = true;
        }

        return array_values($hits);
    }

    /**
     * @return list<array{Element, float, string}> everything a line-to-case fault can run through: its ohm, and the
     *      branch circuit with nothing but loads on it that it belongs to
     */
    private static function wires(Examination $rig): array
    {
        $wires = [];
        foreach ($rig->graph->elements as $element) {
            if ($element->kind === ElementKind::Bond || in_array($element->role, [Role::L1, Role::N, Role::PE], true)) {
                $wires[] = [
                    $element,
                    Impedance::ohm($element, $rig->graph, 75.0),
                    isset($rig->engine->network->heldClosed["{$element->component}.breaker"])
                        ? $element->component
                        : '',
                ];
            }
        }

        return $wires;
    }

    /**
     * Fault current at each outlet that works in a situation.
     *
     * @param list<array{Element, float, string}> $wires
     * @return array<string, array{string, float, float}> circuit => source, A, breaker A
     */
    private function currents(Examination $rig, Situation $situation, array $wires): array
    {
        $found = [];
        $mesh = $ohms = null;
        foreach ($rig->graph->circuits as $id => $end) {
            $source = $situation->workingSource($end->hot, $end->neutral);
            $breakerA = self::breakerA($rig, $end);
            if (self::hasGfci($rig, $end)) {
                // It opens at milliamps.
                continue;
            }
            if ($source === null || $breakerA === null || $situation->bondsOf($source) === []) {
                continue;
            }
            if (
                $rig->graph->sources[$source]->past === 'trips' &&
                $rig->graph->sources[$source]->surrounding === null &&
                $rig->graph->partAt($rig->graph->sources[$source]->component)?->is('inverter') === true
            ) {
                continue;
            }
            // No loop is longer than everything on the way laid end to end: where that clears, nothing need be solved.
            $s = $rig->graph->sources[$source];
            $ohms ??= self::ohms($situation, $wires);
            $longest = $s->impedanceOhm + $ohms[''];
            for ($at = $end, $hops = 0; $at !== null && $hops < 20; $hops++) {
                $longest += $ohms[$at->circuit] ?? 0.0;
                $at = $rig->graph->circuits[(string) $at->behind] ?? null;
            }
            $least = min($s->volts / $longest, $s->surgeA > 0 ? $s->surgeA : INF);
            if (!self::lasts($rig, $source, $least, $least / $breakerA)) {
                continue;
            }
            if ($s->surgeA > 0 && $least >= $s->surgeA) {
                $found[$id] = [$source, $s->surgeA, $breakerA];
                continue;
            }
            $mesh ??= self::mesh($rig, $situation, $wires);
            $ohm = self::acrossFault($mesh, $end);
            if ($ohm !== null) {
                $found[$id] = [
                    $source,
                    min($s->volts / max(1e-3, $ohm[0]), $s->surgeA > 0 ? $s->surgeA : INF),
                    $breakerA,
                ];
            }
        }

        return $found;
    }

    /**
     * @return ?array{float, array<int, float>} ohm of the loop that a fault to the case at an outlet closes, and V of
     *      each node for one ampere in it
     */
    private static function acrossFault(NodalNetwork $mesh, CircuitEnd $end): ?array
    {
        $a = $mesh->node[$end->hot] ?? null;
        $b = $mesh->node[$end->ground] ?? null;
        if ($a === null || $b === null) {
            return null;
        }
        [$re] = $mesh->volts([['fault', $a, $b, 1.0, 0.0]]);

        return [$re[$a] - $re[$b], $re];
    }

    /** What the case of an outlet stands at while so many amps run through a fault to it, V. */
    private static function touchV(NodalNetwork $mesh, CircuitEnd $end, string $home, float $amps): float
    {
        $across = self::acrossFault($mesh, $end);
        $home = $mesh->node[$home] ?? null;

        return $across === null || $home === null
            ? 0.0
            : abs($across[1][$mesh->node[$end->ground]] - $across[1][$home]) * $amps;
    }

    /** Whether a GFCI at the outlet or ahead of it sees a fault to the case. */
    private static function hasGfci(Examination $rig, CircuitEnd $circuit): bool
    {
        for ($at = $circuit, $hops = 0; $at !== null && $hops < 20; $hops++) {
            if ($at->gfci !== 'none') {
                return true;
            }
            $at = $rig->graph->circuits[(string) $at->behind] ?? null;
        }

        return false;
    }

    /** The breaker ahead of a circuit, its own or that of the circuit it hangs behind. */
    private static function breakerA(Examination $rig, CircuitEnd $circuit): ?float
    {
        for ($at = $circuit, $hops = 0; $at !== null && $hops < 20; $hops++) {
            if ($at->breakerA !== null && $at->behind === null) {
                return $at->breakerA;
            }
            $at = $rig->graph->circuits[(string) $at->behind] ?? null;
        }

        return null;
    }

    /**
     * @param list<array{Element, float, string}> $wires
     * @return array<string, float> ohm of all that is closed by branch circuit with nothing but loads on it; the rest
     *      together under ''
     */
    private static function ohms(Situation $situation, array $wires): array
    {
        $ohms = ['' => 0.0];
        foreach ($wires as [$element, $ohm, $of]) {
            if ($situation->isClosed($element->id)) {
                $ohms[$of] = ($ohms[$of] ?? 0.0) + $ohm;
            }
        }

        return $ohms;
    }

    /**
     * Everything closed, hot, sources as their own impedance.
     *
     * @param list<array{Element, float, string}> $wires
     */
    private static function mesh(Examination $rig, Situation $situation, array $wires): NodalNetwork
    {
        $mesh = new NodalNetwork();
        foreach ($wires as [$element, $ohm]) {
            if ($situation->isClosed($element->id)) {
                $mesh->add('wire', $element->id, $element->a, $element->b, 1 / $ohm);
            }
        }
        foreach (array_keys($situation->acSources()) as $id) {
            $source = $rig->graph->sources[$id];
            $mesh->add('source', $id, $source->a, $source->b, 1 / $source->impedanceOhm);
        }
        foreach ($mesh->names as $name) {
            $mesh->add('leak', 'air', $name, 'earth', 1e-9);
        }

        return $mesh;
    }
}
