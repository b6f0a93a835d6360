<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Components\Rig;
use Hollin\Core\Components\Topology;
use Hollin\Core\Job\Basis;
use Hollin\Core\Network\CircuitEnd;
use Hollin\Core\Network\ElementKind;
use Hollin\Core\Network\Load;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\TerminalWords;
use Hollin\Core\Network\VoltContact;
use Hollin\Core\Plan\Moves;
use Hollin\Core\Rules\AcRun;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Prevented;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Sizing\BoxVolume;
use Hollin\Core\Sizing\InverterCircuit;
use Hollin\Core\Sizing\TypicalWeight;
use Hollin\Core\States\NamedState;
use Hollin\Core\States\NamedStates;
use Hollin\Core\Wall\Paint;
use stdClass;

/** Everything Hollin says about one rig, as found or at the end of a stage. */
final class RigAnswer
{
    /** @return array<string, mixed> */
    public static function of(Examination $rig, Judge $judge): array
    {
        $topology = Topology::of($rig->rig);
        $paint = [];
        foreach ($rig->settled as $state => $settled) {
            $paint[$state] = Paint::of($rig, $settled, $topology['links']);
        }

        return [
            'rules' => RuleBook::VERSION,
            'wall' => $topology,
            'states' => array_map(self::stateName(...), array_values($rig->named)),
            'faults' => array_map(self::stateName(...), NamedStates::faults($rig->graph)),
            'controls' => self::controls($rig),
            'paint' => (object) $paint,
            'table' => self::table($rig),
            'amps' => self::amps($rig),
            'scenarios' => array_map(fn(array $s): string => $s['title'], $rig->needs->scenarios) ?: new stdClass(),
            'findings' => array_map(fn(Finding $f): array => $f->toArray(), $judge->findings),
            'prevented' => array_map(fn(Prevented $p): array => $p->toArray(), $judge->prevented),
            'checked' => $judge->coverage->toArray(),
            'sizes' => self::sizes($rig),
            'runs' => AcRun::of($rig),
            'boxes' => self::boxes($rig),
            'weight' => [
                'kg' => round(TypicalWeight::ofRig($rig->graph), 1),
                'words' => 'usual weights of batteries, inverters, panels and copper; nobody has weighed anything',
            ],
            'limits' => self::limits($rig->rig),
            'points' => (object) TerminalWords::of($rig->graph),
            'pointsOf' => (object) self::pointsOf($rig),
            'moves' => (object) array_map(fn(array $to): object => (object) $to, Moves::of($rig->rig)),
            'outlets' =>
                array_map(
                    fn(CircuitEnd $end): array => [$end->hot, $end->neutral, $end->ground],
                    $rig->graph->circuits,
                ) ?:
                new stdClass(),
            'loads' => array_map(fn(Load $load): string => $load->circuit, $rig->graph->loads) ?: new stdClass(),
            'conductors' => (object) self::conductors($rig),
            'assumptions' => self::assumptions($rig->rig),
            'labels' => array_map(fn(Part $p): string => $p->label, $rig->graph->parts) ?: new stdClass(),
        ];
    }

    /** @return list<array<string, mixed>> what parts can give or take, for the label beside the panel */
    private static function limits(Rig $rig): array
    {
        $limits = [];
        foreach ($rig->components as $id => $component) {
            foreach ($component->limits() as $limit) {
                $limits[] = $limit->toArray($rig->label($id));
            }
        }

        return $limits;
    }

    /** @return list<array<string, mixed>> splice boxes and what their conductors need */
    private static function boxes(Examination $rig): array
    {
        return array_values(
            array_map(function (Part $box) use ($rig): array {
                $needed = BoxVolume::of($rig->graph, $box);

                return [
                    'component' => $box->id,
                    'label' => $box->label,
                    'hasCm3' => $box->number('volumeCm3'),
                    'needsCm3' => round($needed->cm3, 1),
                    'arithmetic' => $needed->arithmetic,
                    'source' => BoxVolume::source()->text(),
                ];
            }, $rig->graph->partsOf('splice_box')),
        );
    }

    /** @return array<string, list<string>> component => points on it that a meter can be put to */
    private static function pointsOf(Examination $rig): array
    {
        $of = [];
        foreach ($rig->graph->elements as $element) {
            $of[$element->component][$element->a] = $of[$element->component][$element->b] = true;
        }

        return array_map(fn(array $points): array => array_map(strval(...), array_keys($points)), $of);
    }

    /** @return array<string, string> what a clamp can be put around: element => words */
    private static function conductors(Examination $rig): array
    {
        $words = [
            'hot' => 'hot',
            'hot2' => 'second hot',
            'neutral' => 'neutral',
            'ground' => 'ground',
            'positive' => 'positive',
            'negative' => 'negative',
            'series' => 'link',
            'sense' => 'sense lead',
        ];
        $conductors = [];
        foreach ($rig->graph->elements as $id => $element) {
            if ($element->kind === ElementKind::Conductor && $element->cable !== null) {
                $conductors[$id] = $rig->graph->label($element->component) . ': ' . $words[$element->role->value];
            }
        }

        return $conductors;
    }

    /** @return array<string, mixed> */
    private static function stateName(NamedState $state): array
    {
        return [
            'id' => $state->id,
            'letter' => $state->letter,
            'title' => $state->title,
            'group' => $state->group,
            'about' => $state->about->value,
            'controls' => (object) $state->setting->controls,
            'surroundings' => (object) $state->setting->surroundings,
        ];
    }

    /** @return list<array<string, mixed>> everything a person can set, and what surrounds the rig */
    private static function controls(Examination $rig): array
    {
        $controls = [];
        $byVolts = array_map(fn(VoltContact $c): string => $c->device, $rig->graph->voltContacts);
        foreach ($rig->graph->devices as $id => $device) {
            if (!$device->isAutomatic() && !in_array($id, $byVolts, true)) {
                $controls[] = [
                    'id' => $id,
                    'component' => $device->component,
                    'label' => $device->label,
                    'name' => isset($rig->graph->circuits[$device->component])
                        ? $rig->graph->label($device->component)
                        : $device->label,
                    'job' => $device->job,
                    'positions' => (object) $device->positions,
                ];
            }
        }
        foreach ($rig->graph->surroundings as $id => $surrounding) {
            $controls[] = [
                'id' => $id,
                'component' => $surrounding->component,
                'label' => $surrounding->label,
                'name' => $surrounding->label,
                'job' => 'pedestal',
                'positions' => (object) $surrounding->values,
            ];
        }

        return $controls;
    }

    /** @return list<array<string, mixed>> the what-is-live table: circuits by named states */
    private static function table(Examination $rig): array
    {
        $rows = [];
        foreach ($rig->graph->circuits as $id => $circuit) {
            $cells = [];
            foreach ($rig->settled as $state => $settled) {
                $live = $settled->situation->liveness()[$id];
                $cells[$state] = [
                    'kind' => $live->kind,
                    'words' => $live->words,
                    'source' => $live->source === null ? null : $rig->graph->sources[$live->source]->letter,
                    'by' => $live->source === null ? null : $rig->graph->sources[$live->source]->label,
                ];
            }
            $rows[] = [
                'circuit' => $id,
                'label' => $circuit->label,
                'panel' => $circuit->panel ?? $circuit->behind,
                'slot' => $circuit->slot,
                'half' => $circuit->half,
                'ratingA' => $circuit->breakerA,
                'cells' => (object) $cells,
            ];
        }
        usort(
            $rows,
            fn(array $a, array $b): int => [$a['panel'], $a['slot'], $a['half']] <=> [
                $b['panel'],
                $b['slot'],
                $b['half'],
            ],
        );

        return $rows;
    }

    private static function amps(Examination $rig): stdClass
    {
        $amps = new stdClass();
        foreach ($rig->currents()->amps as $state => $scenarios) {
            $amps->{$state} = new stdClass();
            foreach ($scenarios as $scenario => $elements) {
                $amps->{$state}->{$scenario} = (object) array_map(fn(float $a): float => round($a, 2), $elements);
            }
        }

        return $amps;
    }

    /** @return list<array<string, mixed>> the circuit of each inverter and battery, sized */
    public static function sizes(Examination $rig): array
    {
        $sizes = [];
        foreach ($rig->graph->converters as $inverter) {
            foreach ($inverter->kind === PowerConverter::INVERTER ? $rig->graph->batteries : [] as $bank) {
                $circuit = InverterCircuit::of($rig->graph, $inverter, $bank, $rig->needs->school);
                if ($circuit !== null) {
                    $sizes[] = $circuit->answer;
                }
            }
        }

        return $sizes;
    }

    /**
     * @return list<array{component: string, type: string, label: string, what: string, value: mixed}> values nobody has
     *      measured, read or been told
     */
    public static function assumptions(Rig $rig): array
    {
        $found = [];
        foreach ($rig->components as $id => $component) {
            $walk = function (stdClass $at, string $path) use (&$walk, &$found, $id, $component): void {
                if (($at->basis ?? null) === Basis::Assumed->value) {
                    $found[] = [
                        'component' => $id,
                        'type' => $component::type(),
                        'label' => $component->label(),
                        'what' => $path,
                        'value' => $at->value,
                    ];

                    return;
                }
                foreach (get_object_vars($at) as $name => $value) {
                    if ($value instanceof stdClass) {
                        $walk($value, "{$path}/{$name}");
                    }
                }
            };
            $walk($component->values->raw(), '');
        }

        return $found;
    }
}
