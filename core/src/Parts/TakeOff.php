<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\FuseFamily;

/**
 * What a plan takes: parts that are new, cable by run with slack and a loop at each end, cut from stock, lugs and
 * sleeves by size, fuses with a spare, labels; and what comes out.
 */
final readonly class TakeOff
{
    /** Of a measured route, for bends that nobody has measured. Common practice, no source. */
    public const SLACK = 0.1;

    /** At each end, to be made again once, m. Common practice, no source. */
    public const LOOP_M = 0.1;

    /** Leads are held every 18 in (ABYC E-11), m. */
    public const LEAD_HELD_M = 0.457;

    /** Sheathed cable is held every 4 1/2 ft (NEC 334.30, 551.47), m. */
    public const SHEATHED_HELD_M = 1.37;

    /** To hold a part. Common practice, no source. */
    private const SCREWS = 4;

    /** Cables, which are not counted among the parts. */
    private const CABLES = ['lead', 'feeder', 'circuit', 'frame_bond'];

    /** What a part wants besides, that no plan draws. Common practice, no source. */
    private const ALSO_WANTS = [
        'shunt' => 'a fused feed of an ampere for its monitor, and the cable to it',
        'inverter' => 'screws into something that holds it in a crash, and its remote cable',
        'inverter_charger' => 'screws into something that holds it in a crash, and its remote cable',
        'battery_bank' => 'a tray and straps',
        'solar_charger' => 'a gland through the roof, and sealant',
        'dcdc_charger' => 'a wire from the ignition, where it asks for one',
        'panel' => 'its breakers, and collars for the cables',
    ];

    public function __construct(private Graph $before, private Graph $after) {}

    /**
     * @param float $stockM length of the stock that cable is bought in
     * @return array<string, mixed>
     */
    public function toArray(float $stockM): array
    {
        $runs = $this->runs();

        return [
            'stockM' => $stockM,
            'cables' => array_map(fn(array $of): array => $this->cut($of, $stockM), array_values($runs)),
            'lugs' => $this->lugs($runs),
            'fuses' => $this->fuses(),
            'parts' => $this->parts(),
            'small' => $this->small($runs),
            'out' => $this->out(),
            'labels' => $this->labels($runs),
            'terminals' => (new Terminals($this->before, $this->after))->all(),
            'missing' => $this->missing($runs),
        ];
    }

    /** What is cut for a run: its route, slack on it, a loop at each end. */
    public static function cutM(float $lengthM): float
    {
        return round($lengthM * (1 + self::SLACK) + 2 * self::LOOP_M, 2);
    }

    /**
     * Cables that are new or changed, by size and kind.
     *
     * @return array<string, array{size: string, spoken: string, kind: string, runs: list<array{component: string,
     *      label: string, lengthM: float, cutM: float, assumed: bool}>}>
     */
    private function runs(): array
    {
        $runs = [];
        foreach ($this->after->elements as $id => $element) {
            $cable = $element->cable;
            if ($cable === null || !self::isRun($element) || !$this->isNew((string) $id, $element)) {
                continue;
            }
            $kind = match (true) {
                $element->role === Role::L1 => $cable->sheath === 'cord' ? 'cord' : 'sheathed',
                $element->role === Role::DcPositive => 'positive',
                $element->role === Role::DcNegative => 'negative',
                default => 'bond',
            };
            $key = "{$kind} {$cable->size->designation}";
            $runs[$key] ??= [
                'size' => $cable->size->designation,
                'spoken' => $cable->size->spoken(),
                'kind' => $kind,
                'runs' => [],
            ];
            for ($n = 1; $n <= $cable->parallel; $n++) {
                $runs[$key]['runs'][] = [
                    'component' => $element->component,
                    'label' => $this->after->label($element->component) . ($cable->parallel > 1 ? " ({$n})" : ''),
                    'lengthM' => $cable->lengthM,
                    'cutM' => self::cutM($cable->lengthM),
                    'assumed' => $this->after->partAt($element->component)?->isAssumed('cable/lengthM') === true,
                ];
            }
        }
        ksort($runs);

        return $runs;
    }

    /** One element a cable: the hot of a sheathed one, each lead, each bond. */
    private static function isRun(Element $element): bool
    {
        return $element->role === Role::L1 ||
            Walk::direct($element) ||
            ($element->role === Role::PE && $element->cable?->sheath === 'single');
    }

    /** Whether it is not there as found, or of another size, or longer. */
    private function isNew(string $id, Element $element): bool
    {
        $was = $this->before->elements[$id]->cable ?? null;

        return $was === null ||
            $was->size->designation !== $element->cable?->size->designation ||
            $element->cable->lengthM > $was->lengthM + 1e-9;
    }

    /**
     * @param array{size: string, spoken: string, kind: string, runs: list<array{component: string, label: string,
     *      lengthM: float, cutM: float, assumed: bool}>} $of
     * @return array<string, mixed>
     */
    private function cut(array $of, float $stockM): array
    {
        $short = array_filter($of['runs'], fn(array $r): bool => $r['cutM'] <= $stockM);
        $long = array_values(array_filter($of['runs'], fn(array $r): bool => $r['cutM'] > $stockM));
        $list = CutList::of($stockM, array_column($short, 'cutM'));
        $waiting = [];
        foreach ($short as $run) {
            $waiting[(string) round($run['cutM'], 3)][] = $run;
        }
        $pieces = [];
        foreach ($list->pieces as $piece) {
            $pieces[] = array_map(function (float $m) use (&$waiting): array {
                $run = array_shift($waiting[(string) round($m, 3)]) ?? throw new \LogicException('a run is cut once');

                return ['component' => $run['component'], 'label' => $run['label'], 'cutM' => $run['cutM']];
            }, $piece);
        }

        return $of + [
            'totalM' => round(array_sum(array_column($of['runs'], 'cutM')), 2),
            'pieces' => $pieces,
            'wasteM' => round($list->waste(), 2),
            'atLeast' => $list->atLeast,
            'proved' => $list->proved,
            'tooLong' => array_column($long, 'label'),
        ];
    }

    /**
     * One to each end of a lead, by size and by the stud it goes on.
     *
     * @param array<string, array{size: string, spoken: string, kind: string, runs: list<array{component: string,
     *      label: string, lengthM: float, cutM: float, assumed: bool}>}> $runs
     * @return list<array{size: string, spoken: string, kind: string, stud: ?string, studWords: string, count: int}>
     */
    private function lugs(array $runs): array
    {
        $terminals = new Terminals($this->before, $this->after);
        $lugs = [];
        foreach ($runs as $of) {
            if (!in_array($of['kind'], ['positive', 'negative', 'bond'], true)) {
                continue;
            }
            foreach ($of['runs'] as $run) {
                $lead = $this->after->partAt($run['component']);
                foreach (['from', 'to'] as $end) {
                    $stud = $lead === null ? null : $terminals->studAt($lead->text($end));
                    $key = "{$of['kind']} {$of['size']} " . ($stud->value ?? '');
                    $lugs[$key] ??= [
                        'size' => $of['size'],
                        'spoken' => $of['spoken'],
                        'kind' => $of['kind'],
                        'stud' => $stud?->value,
                        'studWords' => $stud === null ? '' : $stud->label(),
                        'count' => 0,
                    ];
                    $lugs[$key]['count']++;
                }
            }
        }

        return array_values($lugs);
    }

    /**
     * @return list<array{label: string, family: string, ratingA: float, count: int, spares: int, of: list<string>}>
     */
    private function fuses(): array
    {
        $fuses = [];
        foreach ($this->fresh() as $part) {
            if ($part->is('dc_fuse')) {
                $family = FuseFamily::tryFrom($part->text('family'));
                $rating = $part->number('ratingA');
                $key = "{$part->text('family')} {$rating}";
                $fuses[$key] ??= [
                    'label' => sprintf('%g A %s', $rating, $family === null ? $part->text('family') : $family->label()),
                    'family' => $part->text('family'),
                    'ratingA' => $rating,
                    'count' => 0,
                    // A breaker is its own spare.
                    'spares' => str_contains($part->text('family'), 'breaker') ? 0 : 1,
                    'of' => [],
                ];
                $fuses[$key]['count']++;
                $fuses[$key]['of'][] = $part->label;
            }
        }

        return array_values($fuses);
    }

    /** @return list<array{type: string, label: string, words: string}> */
    private function parts(): array
    {
        $parts = [];
        foreach ($this->fresh() as $part) {
            if (!$part->is('dc_fuse', ...self::CABLES)) {
                $parts[] = ['type' => $part->type, 'label' => $part->label, 'words' => self::facts($part)];
            }
        }

        return $parts;
    }

    /** What is written on a part, for whoever orders it. */
    private static function facts(Part $part): string
    {
        $said = [];
        foreach (
            [
                'continuousW' => '%g W',
                'surgeW' => '%g W for seconds',
                'unitAh' => '%g Ah',
                'unitV' => '%g V',
                'parallel' => '%g side by side',
                'chargerA' => 'charger %g A',
                'outputA' => '%g A out',
                'ratingA' => '%g A',
                'passThroughA' => 'passes %g A',
                'slots' => '%g slots',
                'panelW' => 'panels of %g W',
            ]
            as $name => $words
        ) {
            $value = $part->numberOrNull($name);
            if ($value !== null && !($name === 'parallel' && $value < 2)) {
                $said[] = sprintf($words, $value);
            }
        }

        return implode(', ', $said);
    }

    /**
     * What holds it all: clamps along the runs, screws for clamps and parts.
     *
     * @param array<string, array{size: string, spoken: string, kind: string, runs: list<array{component: string,
     *      label: string, lengthM: float, cutM: float, assumed: bool}>}> $runs
     * @return list<array{kind: string, label: string, count: int}>
     */
    private function small(array $runs): array
    {
        $clamps = 0;
        foreach ($runs as $of) {
            $apart = in_array($of['kind'], ['sheathed', 'cord'], true) ? self::SHEATHED_HELD_M : self::LEAD_HELD_M;
            foreach ($of['runs'] as $run) {
                $clamps += (int) ceil($run['lengthM'] / $apart - 1e-9);
            }
        }
        $hung = count(array_filter($this->fresh(), fn(Part $p): bool => !$p->is('instruction', ...self::CABLES)));

        return array_values(
            array_filter(
                [
                    ['kind' => 'clamp', 'label' => 'Clamps', 'count' => $clamps],
                    ['kind' => 'screw', 'label' => 'Screws', 'count' => $clamps + self::SCREWS * $hung],
                ],
                fn(array $s): bool => $s['count'] > 0,
            ),
        );
    }

    /** @return list<string> what comes out */
    private function out(): array
    {
        $gone = array_diff_key($this->before->parts, $this->after->parts);

        return array_values(array_map(fn(Part $p): string => $p->label, $gone));
    }

    /** @return array<string, Part> parts that are new */
    public function fresh(): array
    {
        return array_diff_key($this->after->parts, $this->before->parts);
    }

    /**
     * One to each new part, two to each new cable: its name at both ends.
     *
     * @param array<string, array{size: string, spoken: string, kind: string, runs: list<array{component: string,
     *      label: string, lengthM: float, cutM: float, assumed: bool}>}> $runs
     * @return list<string>
     */
    private function labels(array $runs): array
    {
        $labels = array_map(
            fn(Part $p): string => $p->label,
            array_values(array_filter($this->fresh(), fn(Part $p): bool => !$p->is(...self::CABLES))),
        );
        foreach ($runs as $of) {
            foreach ($of['runs'] as $run) {
                array_push($labels, $run['label'], $run['label']);
            }
        }

        return $labels;
    }

    /**
     * What must be known or bought yet before it can be ordered.
     *
     * @param array<string, array{size: string, spoken: string, kind: string, runs: list<array{component: string,
     *      label: string, lengthM: float, cutM: float, assumed: bool}>}> $runs
     * @return list<string>
     */
    private function missing(array $runs): array
    {
        $missing = [];
        $assumed = [];
        foreach ($runs as $of) {
            foreach ($of['runs'] as $run) {
                if ($run['assumed']) {
                    $assumed[$run['label']] = true;
                }
            }
        }
        if ($assumed !== []) {
            $missing[] = 'Lengths nobody has measured: ' . implode(', ', array_keys($assumed)) . '.';
        }
        $bare = [];
        foreach ((new Terminals($this->before, $this->after))->all() as $terminal) {
            if ($terminal['stud'] === null) {
                $bare[explode('.', $terminal['terminal'])[0]] = true;
            }
            foreach ($terminal['wrong'] as $wrong) {
                $missing[] = "{$terminal['label']}: {$wrong}.";
            }
        }
        if ($bare !== []) {
            $named = array_map($this->after->label(...), array_map(strval(...), array_keys($bare)));
            $missing[] = 'Studs, for the holes of the lugs: ' . implode(', ', $named) . '.';
        }
        foreach ($this->fresh() as $part) {
            if ($part->is('inverter', 'inverter_charger') && !$part->has('largestLug')) {
                $missing[] = "Largest cable that the studs of {$part->label} take.";
            }
            $also = self::ALSO_WANTS[$part->type] ?? null;
            if ($also !== null) {
                $missing[] = "For {$part->label}: {$also}.";
            }
        }

        return array_values(array_unique($missing));
    }
}
