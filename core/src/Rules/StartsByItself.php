<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Panels;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/** Loads that start as soon as 120 V appears, on an inverter: they drain the bank, and a motor may not start at all. */
final class StartsByItself implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'starts_by_itself',
            Severity::Warning,
            'Starts by itself on the inverter',
            'An absorption fridge on automatic, a water heater\'s element, tank heaters and an air ' .
                'conditioner on its thermostat start when 120 V appears, also from the battery. A motor draws ' .
                'several times its running current to start.',
            Source::commonPractice(),
            [
                Sample::found('whole panel on the inverter', Sample::choose('in_line')),
                Sample::silent(
                    'only outlets on the inverter',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->settled as $state => $settled) {
            if (!str_starts_with($state, 'inverting')) {
                continue;
            }
            $by = [];
            foreach ($rig->graph->loads as $id => $load) {
                $source = $load->startsByItself ? $settled->situation->workingSource($load->a, $load->b) : null;
                if ($source !== null) {
                    $by[$rig->graph->sources[$source]->component][$id] = $load;
                }
            }
            foreach ($by as $component => $loads) {
                $unit = $rig->graph->inverterOf($component);
                if ($unit === null || isset($hits[$component])) {
                    continue;
                }
                $watts = array_sum(array_map(fn($l): float => $l->watts, $loads));
                $hits[$component] = new Hit(
                    $component,
                    sprintf(
                        '%s start%s by %s as soon as %s runs: %.0f W without anybody switching them on.',
                        self::names($loads),
                        count($loads) === 1 ? 's' : '',
                        count($loads) === 1 ? 'itself' : 'themselves',
                        $rig->graph->label($component),
                        $watts,
                    ),
                    array_values(array_unique([$component, ...array_map(fn($l): string => $l->circuit, $loads)])),
                    [
                        new Figure(
                            'Starts by itself',
                            $watts,
                            'W',
                            implode(' + ', array_map(fn($l): string => sprintf('%g', $l->watts), $loads)) . ' W',
                            Source::commonPractice(),
                            $unit->limitA * $unit->holdsV,
                            of: new Of(Quantity::Starting, $unit->id),
                        ),
                    ],
                    self::remedies($rig, $settled->situation, $unit, $loads),
                    severity: $watts > $unit->limitA * $unit->holdsV ? Severity::Warning : Severity::Advice,
                    state: $state,
                );
                foreach ($loads as $id => $load) {
                    if ($load->lockedRotorA !== null && $load->lockedRotorA > $unit->surgeA) {
                        $hits["{$component}|{$id}"] = new Hit(
                            "{$component}|start|{$id}",
                            sprintf(
                                '%s needs %.0f A to start; %s gives %.0f A for a moment.',
                                $load->label,
                                $load->lockedRotorA,
                                $rig->graph->label($component),
                                $unit->surgeA,
                            ),
                            [$component, $load->circuit],
                            [
                                new Figure(
                                    'Locked-rotor current',
                                    $load->lockedRotorA,
                                    'A',
                                    'read off the part',
                                    Source::commonPractice(),
                                    $unit->surgeA,
                                    of: new Of(Quantity::Starting, $load->id),
                                ),
                            ],
                            self::remedies($rig, $settled->situation, $unit, [$load]),
                            title: 'Motor may not start on the inverter',
                            state: $state,
                        );
                    }
                }
                if ($rig->graph->sources["{$component}.inverter"]->waveform === 'modified') {
                    $motors = array_filter($loads, fn($l): bool => $l->kind === 'motor');
                    if ($motors !== []) {
                        $hits["{$component}|wave"] = new Hit(
                            "{$component}|wave",
                            sprintf(
                                '%s makes modified sine; %s runs hot on it and some chargers and GFCIs fail.',
                                $rig->graph->label($component),
                                self::names($motors),
                            ),
                            [$component, ...array_values(array_map(fn($l): string => $l->circuit, $motors))],
                            severity: Severity::Advice,
                            title: 'Modified sine on a motor',
                            state: $state,
                        );
                    }
                }
            }
        }

        return array_values($hits);
    }

    /**
     * The largest first: off the inverter, or switched off by somebody before it runs.
     *
     * @param array<int|string, \Hollin\Core\Network\Load> $loads
     * @return list<Remedy>
     */
    private static function remedies(Examination $rig, Situation $situation, PowerConverter $unit, array $loads): array
    {
        usort($loads, fn($a, $b): int => $b->watts <=> $a->watts);
        $circuit = $loads[0]->circuit;
        $label = $rig->graph->label($circuit);
        $remedies = [];
        foreach (Panels::of($rig->graph) as $panel) {
            if (!$situation->joined(Panels::bus($panel), $unit->output[0]) && Panels::hasRoom($rig->graph, $panel)) {
                $remedies[] = Remedy::move(
                    "Move {$label} to {$panel->label}",
                    'it runs on shore only',
                    $circuit,
                    $panel->id,
                );
            }
        }
        if (isset($rig->graph->devices["{$circuit}.breaker"])) {
            $remedies[] = new Remedy("Switch {$label} off by hand when inverting", 'fails by forgetting', [
                'kind' => 'plan_fit',
                'id' => "switch_{$circuit}_off",
                'component' => [
                    'type' => 'instruction',
                    'label' => "{$label} off when inverting",
                    'device' => $circuit,
                    'while' => 'inverting',
                ],
            ]);
        }

        return $remedies;
    }

    /** @param array<string, \Hollin\Core\Network\Load> $loads */
    private static function names(array $loads): string
    {
        $names = array_values(array_map(fn($l): string => $l->label, $loads));
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names) . ' and ' . lcfirst((string) $last);
    }
}
