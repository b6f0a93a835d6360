<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;

/** Detectors and breakaway brakes must not hang behind something that can leave them dead. */
final class LifeSafety implements RigRule
{
    public static function definition(): Definition
    {
        $detector = [
            Sample::add('detector', [
                'type' => 'dc_load',
                'label' => 'Gas detector',
                'use' => 'detector',
                'amps' => 0.1,
            ]),
            Sample::add('ld_detector', [
                'type' => 'lead',
                'label' => 'To detector',
                'from' => 'dc_panel.fused',
                'to' => 'detector.pos',
                'pole' => 'positive',
                'cable' => ['size' => 'awg:14', 'lengthM' => 2],
            ]),
            Sample::add('ld_detector_neg', [
                'type' => 'lead',
                'label' => 'From detector',
                'from' => 'dc_panel.neg',
                'to' => 'detector.neg',
                'pole' => 'negative',
                'cable' => ['size' => 'awg:14', 'lengthM' => 2],
            ]),
        ];

        return new Definition(
            'life_safety',
            Severity::Danger,
            'Life safety behind a switch',
            'Gas and CO detectors must be live whenever somebody is on board, breakaway brakes whenever the ' .
                'rig is towed: never only behind a disconnect, a low-voltage cut-off or a battery-management ' .
                'system that can open.',
            Source::recalled('NFPA 1192 for detectors; breakaway by FMVSS and state law; common practice'),
            [
                Sample::found('a detector behind the new disconnect', ...$detector, ...[Sample::choose('in_line')]),
                Sample::silent('a detector on the old battery', ...$detector),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->users as $load) {
            if ($load->safety === '') {
                continue;
            }
            $brakes = $load->safety === 'breakaway';
            $id = $load->component;
            $without = self::missing($rig, $load);
            if ($without !== null) {
                $hits[] = new Hit(
                    "{$id}|dead",
                    sprintf('%s %s: it is dead.', $load->label, $without),
                    [$id],
                    severity: Severity::Danger,
                    title: 'Life safety without a supply',
                );
                continue;
            }
            $behind = self::behind($rig, $load);
            if ($behind !== []) {
                $hits[] = new Hit(
                    "{$id}|{$behind[0]}",
                    sprintf(
                        '%s is dead while %s open%s.',
                        $load->label,
                        count($behind) === 1
                            ? $rig->graph->label($behind[0]) . ' is'
                            : implode(' and ', array_map($rig->graph->label(...), $behind)) . ' are',
                        $brakes ? ': in tow its brakes do nothing' : ', with people on board or not',
                    ),
                    [$id, ...$behind],
                    severity: $brakes ? Severity::Danger : Severity::Warning,
                );
            } elseif (self::onManagedOnly($rig, $load)) {
                $hits[] = new Hit(
                    "{$id}|bms",
                    sprintf('%s hangs on a battery whose battery management can open and leave it dead.', $load->label),
                    [$id],
                    severity: Severity::Advice,
                    title: 'Life safety on a battery that can open',
                );
            }
        }

        return $hits;
    }

    /** What it lacks, in words; null when a battery reaches both its ends. */
    private static function missing(Examination $rig, Load $load): ?string
    {
        $pos = false;
        foreach ($rig->graph->batteries as $battery) {
            if (Walk::feeds($rig->graph, $load, $battery->pos, $battery->neg)) {
                return null;
            }
            $pos = $pos || Walk::way($rig->graph, $load->a, $battery->pos, Walk::direct(...)) !== null;
        }

        return $pos ? 'has no negative' : 'is fed by nothing';
    }

    /** @return list<string> the switch, or the two switches together, that every way from a battery goes through */
    private static function behind(Examination $rig, Load $load): array
    {
        $switches = [];
        // What a battery's own management does is told apart from what stands behind it.
        $own = array_flip(array_map(fn(Battery $b): string => $b->component, $rig->graph->batteries));
        foreach ($rig->graph->elements as $element) {
            if ($element->device !== null && Walk::direct($element) && !isset($own[$element->component])) {
                $switches[$element->component] = true;
            }
        }
        $switches = array_keys($switches);
        $fed = function (array $open) use ($rig, $load): bool {
            foreach ($rig->graph->batteries as $battery) {
                if (
                    Walk::feeds(
                        $rig->graph,
                        $load,
                        $battery->pos,
                        $battery->neg,
                        fn(Element $e): bool => !in_array($e->component, $open, true),
                    )
                ) {
                    return true;
                }
            }

            return false;
        };
        foreach ($switches as $one) {
            if (!$fed([$one])) {
                return [$one];
            }
        }
        foreach ($switches as $i => $one) {
            foreach (array_slice($switches, $i + 1) as $other) {
                if (!$fed([$one, $other])) {
                    return [$one, $other];
                }
            }
        }

        return [];
    }

    private static function onManagedOnly(Examination $rig, Load $load): bool
    {
        foreach ($rig->graph->batteries as $battery) {
            if (
                !$battery->managed &&
                Walk::feeds($rig->graph, $load, $battery->pos, $battery->neg, fn(Element $e): bool => true)
            ) {
                return false;
            }
        }

        return true;
    }
}
