<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Situation;

/** Exactly one neutral-ground bond per energised system, at its source: none or two is a hazard. */
final class BondCount implements StateRule, Claims
{
    public static function definition(): Definition
    {
        return new Definition(
            'bond_count',
            Severity::Danger,
            'Two neutral-ground bonds',
            'Each energised system has exactly one neutral-ground bond, at its source. With two, load ' .
                'current shares the frame and the grounds and an upstream GFCI trips; with none, a line-to-case ' .
                'fault trips nothing.',
            Source::recalled('NFPA 70 551.54 and 250.30; UL 458 for the inverter\'s own bond'),
            [
                Sample::found(
                    'a bonding screw left in the main panel',
                    Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off']),
                ),
                Sample::found(
                    'common neutral: the pedestal\'s bond stays connected while inverting on a dead pedestal',
                    Sample::choose('in_line', ['neutral' => 'common']),
                ),
                Sample::found(
                    'no bond while inverting',
                    Sample::choose('in_line'),
                    Sample::set('inverter', '/bond', 'none'),
                ),
                Sample::silent('switched neutral, bonding relay', Sample::choose('in_line')),
                Sample::silent('as found, neutral floats in the panel'),
            ],
        );
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach (array_keys($situation->acSources()) as $id) {
            $source = $rig->graph->sources[$id];
            $bonds = $situation->bondsOf($id);
            if (count($bonds) === 1 && $source->neutral !== 'half') {
                continue;
            }
            $where = array_values(
                array_unique(array_map(fn(string $b): string => $rig->graph->elements[$b]->component, $bonds)),
            );
            $paths = array_map(fn(string $b): array => [$source->b, $rig->graph->elements[$b]->a], $bonds);
            $figure = new Figure(
                'Bonds',
                count($bonds),
                '',
                'closed bonds between its neutral and ground',
                Source::computed('connectivity, bonds not followed through'),
                1.0,
                of: new Of(Quantity::Number, $source->id),
            );
            if ($source->neutral === 'half') {
                array_push($hits, ...self::onHalf($rig, $source, $bonds, $figure, $paths));
            }
            if ($bonds === []) {
                // A half-voltage output has none and must have none: what is wrong with it is told where it is wired.
                if ($source->neutral === 'half' || !self::feedsAnything($situation, $rig, $id)) {
                    continue;
                }
                $own = self::onlyItsOwn($situation, $rig, $id);
                $hits[] = new Hit(
                    "none|{$id}",
                    $own
                        ? sprintf(
                            '%s floats and feeds only its own outlets: a first line-to-case fault trips ' .
                                'nothing and is not noticed, a second one is a shock.',
                            ucfirst($rig->graph->label($source->component)),
                        )
                        : sprintf(
                            'While %s feeds the fixed wiring nothing bonds neutral to ground: the first ' .
                                'line-to-case fault trips nothing.',
                            $rig->graph->label($source->component),
                        ),
                    [$source->component],
                    [$figure],
                    self::bondRemedies($rig, $source->component),
                    $paths,
                    $own ? Severity::Advice : Severity::Warning,
                    'No neutral-ground bond',
                );
                continue;
            }
            if ($source->neutral === 'half') {
                continue;
            }
            // One cause, one finding: the bond that should not be there, whichever source feeds.
            foreach ($bonds as $bond) {
                $owner = $rig->graph->elements[$bond]->component;
                if ($owner === $source->component) {
                    continue;
                }
                $hits[] = new Hit(
                    self::key($rig, $bond, $source->component),
                    sprintf(
                        'The system fed by %s has %d bonds: at %s. Part of every load\'s current returns ' .
                            'through frame and grounds.',
                        $rig->graph->label($source->component),
                        count($bonds),
                        implode(' and at ', array_map($rig->graph->label(...), $where)),
                    ),
                    array_values(array_unique([$owner, $source->component, ...$where])),
                    [$figure],
                    self::remedies($rig, $bond, $source->component),
                    $paths,
                );
            }
        }

        return $hits;
    }

    /** Key of the finding about a bond that a source's system should not have. */
    public static function key(Examination $rig, string $bond, string $sourceComponent): string
    {
        $owner = $rig->graph->elements[$bond]->component;
        $pair = [$owner, $sourceComponent];
        sort($pair);

        return 'two|' . ($rig->graph->partAt($owner)?->is('panel') === true ? $bond : implode('+', $pair));
    }

    /**
     * A driven half-voltage output stands at half the voltage from its case on both wires: any bond is a short.
     *
     * @param list<string> $bonds
     * @param list<array{string, string}> $paths
     * @return list<Hit>
     */
    private static function onHalf(
        Examination $rig,
        \Hollin\Core\Network\Source $source,
        array $bonds,
        Figure $figure,
        array $paths,
    ): array {
        return array_map(function (string $bond) use ($rig, $source, $figure, $paths): Hit {
            $owner = $rig->graph->elements[$bond]->component;
            $unit = $rig->graph->partAt($source->component);
            $unknown = $unit !== null && $unit->text('neutral') === 'unknown';

            return new Hit(
                "half|{$source->id}|{$bond}",
                sprintf(
                    '%s bonds the neutral of %s, %s: half its output is shorted to the case.',
                    ucfirst($rig->graph->label($owner)),
                    $rig->graph->label($source->component),
                    $unknown
                        ? 'of which nobody knows that it may be bonded'
                        : 'whose both wires are driven at half the voltage',
                ),
                [$owner, $source->component],
                [$figure],
                self::remedies($rig, $bond, $source->component),
                $paths,
                title: 'Bond on a half-voltage output',
            );
        }, $bonds);
    }

    private static function feedsAnything(Situation $situation, Examination $rig, string $id): bool
    {
        $hot = $situation->acSources()[$id][0];
        foreach ($rig->graph->circuits as $end) {
            if ($situation->root($end->hot) === $hot) {
                return true;
            }
        }

        return false;
    }

    /** Whether a source feeds nothing but outlets wired straight to it. */
    private static function onlyItsOwn(Situation $situation, Examination $rig, string $id): bool
    {
        $source = $rig->graph->sources[$id];
        foreach ($rig->graph->circuits as $circuit => $end) {
            if ($situation->hardHot($end->hot) === $id && $end->hotFrom !== $source->component) {
                return false;
            }
        }

        return true;
    }

    public function claims(Examination $rig): array
    {
        $claims = [new Claim('two|', 'two neutral-ground bonds')];
        $own = array_filter(
            $rig->graph->sources,
            fn(\Hollin\Core\Network\Source $s): bool => $s->kind === 'ac' &&
                $s->forming &&
                $s->device !== null &&
                $s->neutral !== 'half',
        );
        foreach ($own as $source) {
            $claims[] = new Claim(
                "none|{$source->id}",
                count($own) === 1
                    ? 'no bond while inverting'
                    : 'no bond while ' . Naming::component($source->component) . ' runs',
            );
        }

        return $claims;
    }

    /** @return list<Remedy> */
    private static function remedies(Examination $rig, string $bond, string $source): array
    {
        $component = $rig->graph->partAt($rig->graph->elements[$bond]->component);
        if ($component?->is('panel') === true) {
            return [
                Remedy::set(
                    "Take the bonding screw out of {$component->label}",
                    'its neutral floats, as it must in a vehicle',
                    $component->id,
                    '/bondScrew',
                    ['value' => false, 'basis' => 'told'],
                ),
            ];
        }
        $remedies = [];
        foreach ($rig->graph->partsOf('inverter_charger') as $inverter) {
            if ($inverter->text('neutral') === 'common') {
                $remedies[] = Remedy::set(
                    "Use a unit that switches its neutral for {$inverter->label}",
                    'the pedestal\'s bond is cut off while inverting',
                    $inverter->id,
                    '/neutral',
                    'switched',
                );
            }
            if ($inverter->text('bond') === 'fixed') {
                $remedies[] = Remedy::set(
                    "Use a unit with a bonding relay for {$inverter->label}",
                    'its bond opens when shore passes through',
                    $inverter->id,
                    '/bond',
                    'relay',
                );
            }
        }

        return $remedies;
    }

    /** @return list<Remedy> */
    private static function bondRemedies(Examination $rig, string $source): array
    {
        $inverter = $rig->graph->partAt($source);
        if ($inverter !== null && $inverter->is('inverter') && $inverter->text('neutral') === 'floating') {
            return [
                Remedy::set(
                    "Bond the neutral of {$inverter->label} at the unit",
                    'only as its instructions say: its own jumper, or a plug made for it',
                    $source,
                    '/neutral',
                    'bonded',
                ),
            ];
        }
        if ($inverter !== null && $inverter->is('generator') && $inverter->text('bond') === 'floating') {
            return [
                Remedy::set(
                    "Use a bonding plug in {$inverter->label}",
                    'one bond, at the source; only with a set that floats',
                    $source,
                    '/bond',
                    'plug',
                ),
            ];
        }

        return $inverter?->is('inverter_charger') === true
            ? [
                Remedy::set(
                    "Use a unit with a bonding relay for {$inverter->label}",
                    'one bond while inverting, none while passing through',
                    $source,
                    '/bond',
                    'relay',
                ),
            ]
            : [];
    }
}
