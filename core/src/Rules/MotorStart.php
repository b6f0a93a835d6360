<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Load;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;

/** A motor that somebody switches on where an inverter feeds it: whether it starts there, and on what wave it runs. */
final class MotorStart implements RigRule
{
    public static function definition(): Definition
    {
        $motor = fn(float $lockedRotorA): array => Sample::survey('c_outlets', '/loads', [
            'press' => ['label' => 'Drill press', 'watts' => 900, 'kind' => 'motor', 'lockedRotorA' => $lockedRotorA],
        ]);
        $scenario = [
            'kind' => 'set_need',
            'path' => '/scenarios/shop',
            'value' => ['title' => 'Shop', 'running' => ['c_outlets.press' => true, 'c_water.element' => true]],
        ];

        return new Definition(
            'motor_start',
            Severity::Warning,
            'Motor may not start on the inverter',
            'At standstill a motor draws five to eight times what it draws running, for up to a second. An ' .
                'inverter that cannot give that beside what runs already shuts down. On modified sine motors run ' .
                'hot.',
            Source::commonPractice(),
            [
                Sample::found(
                    'a motor that needs more to start than the unit gives',
                    $motor(60),
                    Sample::choose('in_line', ['continuousW' => 1500, 'surgeW' => 3000]),
                ),
                Sample::found(
                    'one that would start alone, beside a water heater',
                    $motor(20),
                    $scenario,
                    Sample::choose('in_line', ['continuousW' => 2400, 'surgeW' => 3000]),
                ),
                Sample::silent(
                    'a unit large enough',
                    $motor(30),
                    $scenario,
                    Sample::choose('in_line', ['continuousW' => 3000, 'surgeW' => 6000]),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->settled as $state => $settled) {
            foreach (str_starts_with($state, 'inverting') ? $rig->graph->loads : [] as $id => $load) {
                $source =
                    $load->startsByItself || ($load->kind !== 'motor' && $load->lockedRotorA === null)
                        ? null
                        : $settled->situation->workingSource($load->a, $load->b);
                $unit = $source === null ? null : $rig->graph->inverterOf($rig->graph->sources[$source]->component);
                if ($unit === null || $source === null) {
                    continue;
                }
                $key = "{$unit->component}|{$id}";
                $hits[$key] ??= $this->start($rig, $state, $unit, $load, $key);
                if ($rig->graph->sources[$source]->waveform === 'modified') {
                    $hits["{$key}|wave"] ??= new Hit(
                        "{$key}|wave",
                        sprintf(
                            '%s makes modified sine; %s runs hot on it.',
                            $rig->graph->label($unit->component),
                            $load->label,
                        ),
                        [$unit->component, $load->circuit],
                        severity: Severity::Advice,
                        title: 'Modified sine on a motor',
                        state: $state,
                    );
                }
            }
        }

        return array_values(array_filter($hits));
    }

    /** What it needs beside what runs with it in the worst of the owner's scenarios; alone where none has it. */
    private function start(Examination $rig, string $state, PowerConverter $unit, Load $load, string $key): ?Hit
    {
        if ($load->lockedRotorA === null) {
            return null;
        }
        $beside = 0.0;
        $with = null;
        foreach ($rig->needs->scenarios as $scenario => $what) {
            $amps =
                ($rig->currents()->amps[$state][$scenario]["{$unit->component}.inverter"] ?? 0.0) - $load->currentA();
            if (isset($what['running'][$load->id]) && $amps > $beside) {
                $beside = $amps;
                $with = $what['title'];
            }
        }
        if ($load->lockedRotorA + $beside <= $unit->surgeA + 1e-6) {
            return null;
        }

        return new Hit(
            $key,
            sprintf(
                '%s needs %.0f A to start%s; %s gives %.0f A for a moment.',
                $load->label,
                $load->lockedRotorA,
                $with === null || $load->lockedRotorA > $unit->surgeA
                    ? ''
                    : sprintf(' beside %.0f A that run already in "%s"', $beside, $with),
                $rig->graph->label($unit->component),
                $unit->surgeA,
            ),
            [$unit->component, $load->circuit],
            [
                new Figure(
                    'Current to start',
                    $load->lockedRotorA + $beside,
                    'A',
                    sprintf(
                        '%g A at standstill%s',
                        $load->lockedRotorA,
                        $beside > 0 ? sprintf(' + %.1f A running', $beside) : '',
                    ),
                    Source::commonPractice(),
                    $unit->surgeA,
                    of: new Of(Quantity::Starting, $unit->id),
                ),
            ],
            severity: $with === null ? Severity::Advice : Severity::Warning,
            state: $state,
        );
    }
}
