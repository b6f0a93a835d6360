<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Network\Walk;
use Hollin\Core\Sizing\DirectShares;
use Hollin\Core\Sizing\InverterCurrent;

/** The most that every conductor, device and bar of a rig carries in its usual states, and when. */
final class Carried
{
    /** @var array<string, array{float, string}> element => A at most, and when */
    public array $by = [];

    /** @var array<string, array{float, string}> terminal of a bar => A that pass it at most, and when */
    public array $bars = [];

    public function __construct(private readonly Examination $rig)
    {
        $this->alternating();
        $this->direct();
    }

    /** 120 V by the sums along the way from the source, of what the needs run together. */
    private function alternating(): void
    {
        foreach ($this->rig->currents()->amps as $state => $scenarios) {
            foreach ($scenarios as $scenario => $amps) {
                foreach ($amps as $element => $a) {
                    if (isset($this->rig->graph->elements[$element]) && $a > ($this->by[$element][0] ?? 0.0)) {
                        $title = $this->rig->needs->scenarios[$scenario]['title'] ?? (string) $scenario;
                        $this->by[$element] = [$a, "{$title}, {$this->rig->named[$state]->title}"];
                    }
                }
            }
        }
    }

    /** The battery side by load flow, and each inverter at its full output. */
    private function direct(): void
    {
        $graph = $this->rig->graph;
        $seen = [];
        foreach ($this->rig->settled as $state => $settled) {
            $named = $this->rig->named[$state];
            // The same takers on the same leads carry the same.
            $alike = json_encode(
                [
                    $settled->situation->directKey(),
                    $settled->situation->charging(),
                    $settled->situation->givingDirect(),
                ],
                JSON_THROW_ON_ERROR,
            );
            if ($named->group !== 'usual' || isset($seen[$alike])) {
                continue;
            }
            $seen[$alike] = true;
            $this->note($this->rig->flows()->of($settled, [], $named->charge)->dcA, 1.0, $named->title);
        }
        foreach ($graph->converters as $unit) {
            if ($unit->kind === PowerConverter::INVERTER) {
                $this->note(
                    (new DirectShares($graph, ...$unit->input))->shares(),
                    InverterCurrent::ofUnit($unit)->nominalA,
                    sprintf('%s at full output', $graph->label($unit->component)),
                );
            }
        }
    }

    /** @param array<string, float> $flow element => A, or a share of what is drawn */
    private function note(array $flow, float $times, string $why): void
    {
        $graph = $this->rig->graph;
        foreach ($flow as $element => $amps) {
            $a = abs($amps) * $times;
            if (
                isset($graph->elements[$element]) &&
                $graph->elements[$element]->role->isDc() &&
                $a > ($this->by[$element][0] ?? 0.0)
            ) {
                $this->by[$element] = [$a, $why];
            }
        }
        foreach (array_keys($graph->junctions) as $terminal) {
            $a = Walk::passing($graph, (string) $terminal, $flow) * $times;
            if ($a > ($this->bars[$terminal][0] ?? 0.0)) {
                $this->bars[$terminal] = [$a, $why];
            }
        }
    }
}
