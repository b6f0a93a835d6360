<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Closure;
use Hollin\Core\Network\PanelArray;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Place\Bend;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\FuseFamily;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Sizing\ConductorChoice;
use Hollin\Core\Sizing\InverterCircuit;
use Hollin\Core\Sizing\InverterCurrent;

/** Where practitioners choose differently on sizes: each way with its consequences in figures. */
final readonly class Options
{
    private const DROP_SHARE = 0.03;

    /** @param Closure(string): ?float $price of a metre of battery cable of a size; null where nobody knows */
    public function __construct(private Examination $rig, private Ampacity $school, private Closure $price) {}

    /** @return list<array{ask: string, ways: list<array{name: string, words: string}>, decides: string}> */
    public function all(): array
    {
        $said = [];
        foreach ($this->circuits() as [$unit, $circuit]) {
            array_push(
                $said,
                $this->oneOrTwo($circuit),
                $this->families($circuit),
                $this->cap($unit, $circuit),
                $this->schools($unit, $circuit),
                $this->volts($unit, $circuit),
            );
        }
        foreach ($this->rig->graph->arrays as $array) {
            $said[] = $this->strings($array);
        }
        $said[] = $this->controllers();
        $said = array_filter($said);
        if ($said !== []) {
            $said[] = [
                'ask' => 'Solid or stranded for 120 V?',
                'ways' => [
                    [
                        'name' => 'Solid NM-B',
                        'words' =>
                            'as factories run it; supported within a hand of each box, retorqued after the ' .
                            'first drive',
                    ],
                    ['name' => 'Stranded', 'words' => 'does not tire by shaking; wants ferrules under screws'],
                ],
                'decides' => 'what is there, how far it shakes, what the terminals take',
            ];
        }

        return array_values(array_filter($said));
    }

    /** @return list<array{PowerConverter, array<string, mixed>}> the largest battery of each inverter */
    private function circuits(): array
    {
        $graph = $this->rig->graph;
        $circuits = [];
        foreach ($graph->converters as $unit) {
            if ($unit->kind !== PowerConverter::INVERTER) {
                continue;
            }
            $batteries = $graph->batteries;
            uasort($batteries, fn($a, $b): int => $b->capacityAh * $b->ratedV <=> $a->capacityAh * $a->ratedV);
            foreach ($batteries as $battery) {
                $circuit = InverterCircuit::of($graph, $unit, $battery, $this->school);
                if ($circuit !== null) {
                    $circuits[] = [$unit, $circuit->answer];
                    break;
                }
            }
        }

        return $circuits;
    }

    /**
     * @param array<string, mixed> $circuit
     * @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string}
     */
    private function oneOrTwo(array $circuit): ?array
    {
        $ways = [];
        foreach ($circuit['choices'] as $choice) {
            $name = $choice['parallel'] === 1 ? 'One' : 'Two side by side';
            if ($choice['possible'] !== true) {
                $ways[] = ['name' => $name, 'words' => $choice['why']];
                continue;
            }
            $size = ConductorSize::of($choice['size']);
            $price = ($this->price)($choice['size']);
            $ways[] = [
                'name' => $name,
                'words' => sprintf(
                    '%s: %.0f A, loses %.2f V, %d lugs, turns in %.0f cm%s',
                    $choice['spoken'],
                    $choice['ampacityA'],
                    $choice['dropV'],
                    4 * $choice['parallel'],
                    100 * Bend::roomM($size),
                    $price === null
                        ? ''
                        : sprintf(
                            ', ~%.0f for the way there and back',
                            $price * $choice['parallel'] * $circuit['roundTripM'],
                        ),
                ),
            ];
        }

        return count($ways) < 2
            ? null
            : [
                'ask' => 'One large cable, or two side by side?',
                'ways' => $ways,
                'decides' => 'what bends there and what the studs take; two must be equally long',
            ];
    }

    /**
     * @param array<string, mixed> $circuit
     * @return array{ask: string, ways: list<array{name: string, words: string}>, decides: string}
     */
    private function families(array $circuit): array
    {
        $ways = [];
        foreach ($circuit['fuse']['families'] as $f) {
            $ways[] = [
                'name' => (string) $f['label'],
                'words' =>
                    ($f['ratingA'] === null ? '' : sprintf('%g A; ', $f['ratingA'])) .
                    ($f['suits'] ? '' : 'not here: ') .
                    $f['why'],
            ];
        }
        $breaker = FuseFamily::ThermalBreaker;
        $needs = $circuit['fuse']['neededA'];
        $rating = $breaker->ratingAtLeast($needs);
        $short = $circuit['fuse']['short']['value'] ?? null;
        $breaks = $breaker->interruptingA(16.0) ?? 0.0;
        $ways[] = [
            'name' => 'breaker',
            'words' => match (true) {
                $rating === null => sprintf('not made for %.0f A', $needs),
                $short !== null && $short > $breaks => sprintf(
                    'not here: breaks %.1f kA, the bank delivers %.1f kA; behind a fuse it serves as a switch',
                    $breaks / 1000,
                    $short / 1000,
                ),
                default => sprintf('%g A; resets and switches, breaks %.1f kA', $rating, $breaks / 1000),
            },
        ];

        return [
            'ask' => 'Which fuse, or a breaker?',
            'ways' => $ways,
            'decides' => 'what the bank delivers into a short, where it sits, who has a spare',
        ];
    }

    /**
     * The size that carries all of it, beside one size less with its watts said.
     *
     * @param array<string, mixed> $circuit
     * @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string}
     */
    private function cap(PowerConverter $unit, array $circuit): ?array
    {
        $one = $circuit['choices'][0] ?? null;
        if ($one === null || $one['possible'] !== true) {
            return null;
        }
        $full = ConductorSize::of($one['size']);
        $less = null;
        foreach (ConductorSize::all() as $size) {
            if ($size->isAwg() && $size->areaMm2 < 0.68 * $full->areaMm2 && $size->areaMm2 > 0.3 * $full->areaMm2) {
                $less = $size;
            }
        }
        $ampacity = $less === null ? null : $this->school->ofSize($less);
        if ($less === null || $ampacity === null) {
            return null;
        }
        $fuse = null;
        foreach (FuseFamily::ClassT->ratingsA() as $rating) {
            $fuse = $rating <= $ampacity ? $rating : $fuse;
        }
        if ($fuse === null) {
            return null;
        }
        $watts = $unit->limitA * $unit->holdsV;
        $cap = InverterCurrent::capW((float) $fuse, $unit->nominalV, $unit->efficiency);

        return [
            'ask' => sprintf('%s, or %s with its watts on a label?', $full->spoken(), $less->spoken()),
            'ways' => [
                [
                    'name' => $full->spoken(),
                    'words' => sprintf('all %.0f W of the unit for good', $watts),
                ],
                [
                    'name' => $less->spoken(),
                    'words' => sprintf(
                        'a fuse of %g A at most, and with it %.0f W for good (%.0f %%): on a label at the unit',
                        $fuse,
                        min($watts, $cap),
                        100 * min(1.0, $cap / $watts),
                    ),
                ],
            ],
            'decides' => 'what must run together, and whether the smaller one bends where the larger does not',
        ];
    }

    /**
     * @param array<string, mixed> $circuit
     * @return array{ask: string, ways: list<array{name: string, words: string}>, decides: string}
     */
    private function schools(PowerConverter $unit, array $circuit): array
    {
        $current = InverterCurrent::ofUnit($unit);
        $fuseA = (float) (FuseFamily::ClassT->ratingAtLeast($current->designA) ?? $current->designA);
        $ways = [];
        foreach ([[Ampacity::Marine, 'Marine tables'], [Ampacity::Building, 'Building tables']] as [$school, $name]) {
            $choice = ConductorChoice::smallest(
                $school,
                $fuseA,
                $current->nominalA,
                $circuit['roundTripM'],
                self::DROP_SHARE * $unit->nominalV,
            );
            $ways[] = [
                'name' => $name,
                'words' =>
                    $choice === null
                        ? sprintf('no single size carries %g A', $fuseA)
                        : sprintf(
                            '%s (%.0f A) behind %g A; %s governs',
                            $choice->size->spoken(),
                            $choice->ampacityA,
                            $fuseA,
                            $choice->governs,
                        ),
            ];
        }

        return [
            'ask' => 'Marine or building tables for the battery side?',
            'ways' => $ways,
            'decides' => 'whose inspection it is; marine wants 105 °C cable in free air',
        ];
    }

    /**
     * @param array<string, mixed> $circuit
     * @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string}
     */
    private function volts(PowerConverter $unit, array $circuit): ?array
    {
        $watts = $unit->limitA * $unit->holdsV;
        if ($watts < 1500) {
            return null;
        }
        $ways = [];
        foreach ([12, 24, 48] as $volts) {
            $cut = ($unit->cutOffV * $volts) / $unit->nominalV;
            $current = InverterCurrent::of($watts, $watts, (float) $volts, $cut, $unit->efficiency);
            $choice = ConductorChoice::smallest(
                $this->school,
                (float) (FuseFamily::ClassT->ratingAtLeast($current->designA) ?? $current->designA),
                $current->nominalA,
                $circuit['roundTripM'],
                self::DROP_SHARE * $volts,
            );
            $ways[] = [
                'name' => "{$volts} V",
                'words' => sprintf(
                    '%.0f A, %s%s',
                    $current->nominalA,
                    $choice === null ? 'no single cable' : $choice->size->spoken(),
                    $volts === 12
                        ? '; everything of 12 V stays as it is'
                        : '; a converter for all that is 12 V, and its charger',
                ),
            ];
        }

        return [
            'ask' => '12, 24 or 48 V?',
            'ways' => $ways,
            'decides' => 'how much of the rig is 12 V and stays so, against copper',
        ];
    }

    /** @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string} */
    private function strings(PanelArray $array): ?array
    {
        $part = $this->rig->graph->partAt($array->component);
        $count = (int) (($part?->number('series', 1) ?? 1) * ($part?->number('parallel', 1) ?? 1));
        $vmp = $part?->number('panelVmp') ?? 0.0;
        $amps = $vmp > 0 ? ($part?->number('panelW') ?? 0.0) / $vmp : 0.0;
        $cold = $array->openV > 0 ? $array->coldV() / $array->openV : 1.0;
        $open = ($part?->number('panelVoc') ?? 0.0) * $count * $cold;
        $series = sprintf(
            '%.0f V, %.1f A: thin wire (a %.0fth of the loss); one in the shade holds the string; ' .
                'cold %.0f V of %.0f V%s',
            $vmp * $count,
            $amps,
            $count ** 2,
            $open,
            $array->limitV,
            $open > $array->limitV ? ', too much for this controller' : '',
        );

        return $count < 2
            ? null
            : [
                'ask' => 'Panels in series or in parallel?',
                'ways' => [
                    ['name' => 'Series', 'words' => $series],
                    [
                        'name' => 'Parallel',
                        'words' => sprintf(
                            '%.0f V, %.1f A: the shade of one costs that one; a fuse a string from three on',
                            $vmp,
                            $amps * $count,
                        ),
                    ],
                ],
                'decides' => 'shade, length of the wire, the controller\'s volts on the coldest morning',
            ];
    }

    /**
     * One controller for all panels, or one for each group.
     *
     * @return ?array{ask: string, ways: list<array{name: string, words: string}>, decides: string}
     */
    private function controllers(): ?array
    {
        $arrays = $this->rig->graph->arrays;
        $watts = array_sum(array_map(fn(PanelArray $a): float => $a->arrayW, $arrays));
        $most = max([0.0, ...array_map(fn(PanelArray $a): float => $a->takesW, $arrays)]);

        return $arrays === []
            ? null
            : [
                'ask' => 'One solar controller, or several?',
                'ways' => [
                    [
                        'name' => 'One',
                        'words' => sprintf(
                            'all %.0f W of panels on one that takes %.0f W%s; its panels must be alike and lie alike',
                            $watts,
                            $most,
                            $watts > $most ? ': it clips' : '',
                        ),
                    ],
                    [
                        'name' => 'Several',
                        'words' => sprintf(
                            '%d here; what lies in the shade or is tilted otherwise costs the others nothing, ' .
                                'one can fail alone',
                            count($arrays),
                        ),
                    ],
                ],
                'decides' => 'shade and tilt that differ, price, room for the wires',
            ];
    }
}
