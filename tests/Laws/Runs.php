<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Rules\AcRun;
use Hollin\Core\Rules\Carried;
use Hollin\Core\Rules\Examination;
use Hollin\Core\Rules\RatedParts;
use Hollin\Core\Rules\Ruler;
use Hollin\Core\Sizing\ProspectiveShort;

/**
 * Each row of the sizes can be followed by hand: its drop from a table of copper, what is usual from its volts, what a
 * branch may be fused with, which gauge would do, and what is out of order in it from the figures beside.
 */
final class Runs
{
    /** Small conductors end at these devices: NFPA 70 240.4(D), from memory. */
    private const SMALL = ['awg:14' => 15.0, 'awg:12' => 20.0, 'awg:10' => 30.0];

    /** Of a branch or a feeder three per cent is usual: NFPA 70 210.19, informational note, from memory. */
    private const USUAL = 0.03;

    /** Solid or stranded, coated or not: tables differ by so much. */
    private const TABLES_DIFFER = 0.04;

    /** A joint that turns more than so much into heat is told, W. Common practice, no source. */
    private const WARM_W = 8.0;

    /** Shorts take long to work out again: on one rig of so many. */
    private const SHORTS = 6;

    /** @var list<Violation> */
    public array $broken = [];

    /** Rows looked at. */
    public int $held = 0;

    private string $title = '';

    private string $of = '';

    public function hold(Specimen $rig, Said $said): void
    {
        $this->title = $rig->title();
        $cables = $volts = [];
        foreach ($said->rig->graph->elements as $id => $element) {
            if ($element->cable !== null) {
                $cables[(string) $id] = $cables[$element->component] = $element->cable;
            }
        }
        foreach ($said->rig->graph->batteries as $battery) {
            $volts[] = self::USUAL * $battery->systemV();
        }
        $carried = new Carried($said->rig);
        $runs = AcRun::of($said->rig);
        $rows = Ruler::of($said->rig, $carried);
        $parts = RatedParts::of($said->rig, $carried);
        $this->whole($said->rig, array_column($runs, 'kind', 'component'), array_column($rows, 'kind', 'id'), $parts);
        $this->runs($runs, $cables);
        $this->rows($rows, $cables, $volts, self::breaking($said->rig));
        if (crc32($this->title) % self::SHORTS === 0) {
            $this->shorts($said->rig, $rows);
        }
        $this->parts($parts);
        $this->most($said->rig, $carried, $parts);
    }

    /**
     * Every cable that carries has a row, called by what it is, and so has every part with a rating.
     *
     * @param array<string, string> $runs component => kind
     * @param array<string, string> $rows element => kind
     * @param list<array<string, mixed>> $parts
     */
    public function whole(Examination $rig, array $runs, array $rows, array $parts): void
    {
        $bars = array_column(
            array_filter($parts, fn(array $p): bool => $p['kind'] === 'bar'),
            'component',
            'component',
        );
        foreach ($rig->graph->junctions as [$component]) {
            $this->of = $component;
            $this->claim(isset($bars[$component]), 'a bar is not among the parts');
        }
        $parts = array_column($parts, 'component', 'component');
        foreach ($rig->graph->elements as $id => $element) {
            $this->of = $element->component;
            $alternating = $element->role === Role::L1;
            $direct = in_array($element->role, [Role::DcPositive, Role::DcNegative], true);
            $part = $rig->graph->partAt($element->component);
            if ($element->cable !== null) {
                $kind = $part?->is('circuit') === true ? 'branch' : ($part?->is('inlet') === true ? 'cord' : 'feeder');
                $this->claim(
                    !$alternating || ($runs[$element->component] ?? null) === $kind,
                    'a run is called something else',
                );
                $pole = $element->role === Role::DcNegative ? 'negative' : 'positive';
                $this->claim(
                    !isset($rows[$id]) || $rows[$id] === ($alternating ? 'alternating' : $pole),
                    'a row is called something else',
                );
                $this->claim(!$alternating || isset($runs[$element->component]), 'a cable is not among the runs');
                $this->claim(!($alternating || $direct) || isset($rows[$id]), 'a cable is not among the sizes');
            } elseif ($element->component !== '' && $element->ratingA() !== null) {
                $this->claim(isset($parts[$element->component]), 'a part with a rating is not among the parts');
            }
        }
    }

    /**
     * @param list<array<string, mixed>> $runs
     * @param array<string, Cable> $cables by component
     */
    public function runs(array $runs, array $cables): void
    {
        foreach ($runs as $run) {
            $this->of = $run['component'];
            $this->held++;
            $this->run($run, $cables[$run['component']]->sheath, $cables[$run['component']]->parallel);
        }
        $holds = $sorted = array_column($runs, 'holds');
        sort($sorted);
        $this->claim($holds === $sorted, 'what does not hold is not told first');
    }

    /**
     * @param list<array<string, mixed>> $rows
     * @param array<string, Cable> $cables by element
     * @param list<float> $usual drops of the rig's batteries, V
     * @param array<string, true> $breaking labels of devices of which it is known what they break
     */
    public function rows(array $rows, array $cables, array $usual, array $breaking = []): void
    {
        foreach ($rows as $row) {
            $this->of = $row['id'];
            $this->held++;
            $alternating = $row['kind'] === 'alternating';
            $this->row($row, $cables[$row['id']]->parallel, $alternating ? [self::USUAL * 120] : $usual);
            $this->claim(
                $alternating ? $row['shortA'] === null && $row['breaksA'] === null : true,
                "a bank's short in an alternating run",
            );
            $this->claim(
                $alternating || !$row['shortA'] || !isset($breaking[$row['device']]) || $row['breaksA'] !== null,
                'what its device breaks is known and not told',
            );
        }
        $this->worstFirst($rows);
    }

    /**
     * Where no fuse of its own is ruled, the larger short at either end of a battery's lead is what can flow.
     *
     * @param list<array<string, mixed>> $rows
     */
    public function shorts(Examination $rig, array $rows): void
    {
        $fuses = $at = [];
        foreach ($rig->graph->elements as $element) {
            if (self::isFuse($rig, $element)) {
                $fuses[$rig->graph->label($element->component)] = true;
            }
        }
        foreach ($rows as $row) {
            if ($row['kind'] === 'alternating' || isset($fuses[$row['device']])) {
                continue;
            }
            $this->of = $row['id'];
            $element = $rig->graph->elements[$row['id']];
            foreach ([$element->a, $element->b] as $end) {
                $at[$end] ??= round(ProspectiveShort::at($rig->graph, $end)->currentA ?? 0.0);
            }
            $this->claim(
                ($row['shortA'] ?? 0.0) === max($at[$element->a], $at[$element->b]),
                'another short than at either end',
            );
        }
    }

    /** @return array<string, true> labels of devices that break a known current at any volts of the rig */
    private static function breaking(Examination $rig): array
    {
        $systems = array_map(fn(Battery $b): float => $b->systemV(), $rig->graph->batteries);
        // No bank is charged above so much of its nominal volts.
        $highest = 1.25 * ($systems === [] ? 0.0 : max($systems));
        $known = $unknown = [];
        foreach ($rig->graph->elements as $element) {
            if ($element->rating?->protects === true) {
                // What stands in a panel or a load is not asked what it breaks.
                $breaks = $element->rating->family?->interruptingA($highest) !== null && self::isFuse($rig, $element);
                $label = $rig->graph->label($element->component);
                $breaks ? ($known[$label] = true) : ($unknown[$label] = true);
            }
        }

        return array_diff_key($known, $unknown);
    }

    private static function isFuse(Examination $rig, Element $element): bool
    {
        return $rig->graph->partAt($element->component)?->is('dc_fuse') === true;
    }

    /**
     * Of the contacts of one part the one that carries most speaks for it.
     *
     * @param list<array<string, mixed>> $parts
     */
    public function most(Examination $rig, Carried $carried, array $parts): void
    {
        $most = [];
        foreach ($rig->graph->elements as $id => $element) {
            if ($element->cable === null && ($element->ratingA() !== null || isset($rig->graph->joints[$id]))) {
                $amps = round($carried->by[$id][0] ?? 0.0, 1);
                $most[$element->component] = max($most[$element->component] ?? 0.0, $amps);
            }
        }
        foreach ($parts as $part) {
            $this->of = $part['component'];
            $this->claim(
                $part['kind'] === 'bar' || ($part['carriesA'] ?? 0.0) === ($most[$part['component']] ?? null),
                'a part carries something else than its contacts',
            );
        }
    }

    /** @param list<array<string, mixed>> $parts */
    public function parts(array $parts): void
    {
        foreach ($parts as $part) {
            $this->of = $part['component'];
            $this->held++;
            $this->part($part);
        }
        $this->worstFirst($parts);
    }

    /** @param list<array<string, mixed>> $told */
    private function worstFirst(array $told): void
    {
        $counts = $worst = array_map(fn(array $r): int => count($r['trouble']), $told);
        rsort($worst);
        $this->claim($counts === $worst, 'the worst is not told first');
    }

    /** @param array<string, mixed> $run */
    private function run(array $run, string $sheath, int $parallel): void
    {
        $drop = Copper::drop($run['carriedA'], $run['size'], 2 * $run['lengthM'], $parallel);
        $this->claim(
            $drop === null || Copper::near($run['dropV'], $drop, self::TABLES_DIFFER),
            'a drop that the table does not give',
        );
        $this->claim(Copper::near($run['dropLimitV'], self::USUAL * 120), 'another drop than three per cent is usual');
        $this->claim(
            $run['holds'] === ($run['arrivingA'] === null || $run['limitA'] >= $run['arrivingA'] - 0.05),
            'holds what it does not, or not what it does',
        );
        if ($sheath !== 'nm_b') {
            return;
        }
        $small = self::SMALL[$run['size']] ?? null;
        $this->claim($small === null || $run['limitA'] == $small, 'another device than its gauge may have');
        if ($run['arrivingA'] === null) {
            return;
        }
        foreach (self::SMALL as $size => $limit) {
            $drop = Copper::drop($run['carriedA'], $size, 2 * $run['lengthM']) ?? INF;
            // Too near to the usual drop for two tables to agree.
            if (abs($drop - 3.6) < self::TABLES_DIFFER * 3.6) {
                return;
            }
            if ($limit >= $run['arrivingA'] && $drop <= 3.6) {
                $this->claim($run['suits'] === $size, 'not the smallest gauge that suits');

                return;
            }
        }
        $this->claim(!isset(self::SMALL[$run['suits'] ?? '']), 'a gauge that does not suit');
    }

    /**
     * @param array<string, mixed> $row
     * @param list<float> $usual drops, V
     */
    private function row(array $row, int $parallel, array $usual): void
    {
        [$carries, $device, $may] = [$row['carriesA'], $row['deviceA'], $row['ampacityA']];
        $times = $row['kind'] === 'alternating' ? 2 : 1;
        $drop = Copper::drop($carries ?? 0.0, $row['size'], $times * $row['lengthM'], $parallel);
        $this->claim(
            $drop === null || Copper::near($row['dropV'], $drop, self::TABLES_DIFFER),
            'a drop that the table does not give',
        );
        $near = array_filter($usual, fn(float $v): bool => Copper::near($row['dropLimitV'], $v));
        $this->claim($usual === [] || $near !== [], 'another drop than three per cent is usual');
        $trouble = array_keys(
            array_filter([
                'table' => $may === null,
                'wire' => !$row['tap'] && $device !== null && $may !== null && $device > ($row['limitA'] ?? 0.0),
                'device' => $carries !== null && $device !== null && $carries > $device + 0.05,
                'load' => $carries !== null && $may !== null && $carries > $may + 0.05,
                'short' => $row['breaksA'] !== null && $row['shortA'] > $row['breaksA'] && !$row['backedUp'],
                'drop' => $row['dropV'] > $row['dropLimitV'] + 0.001,
            ]),
        );
        $told = array_column($row['trouble'], 'kind');
        $this->claim(
            array_diff($trouble, $told) === [] &&
                // At its limit a drop may be told or not.
                array_diff($told, $trouble, abs($row['dropV'] - $row['dropLimitV']) < 0.001 ? ['drop'] : []) === [],
            'what is out of order by its figures is not what is told',
        );
    }

    /** @param array<string, mixed> $part */
    private function part(array $part): void
    {
        [$amps, $rated] = [$part['carriesA'], $part['ratedA']];
        $most = $rated ?? $part['bySectionA'];
        $this->claim(
            // Its amps are told in tenths.
            $part['heatW'] === null ||
                abs($part['heatW'] - $amps ** 2 * $part['ohm']) <= (0.11 * $amps + 0.01) * $part['ohm'] + 0.006,
            'heat is not I²R',
        );
        $this->claim(
            $amps === null || !$most || Copper::near($part['used'], $amps / $most, 0.01),
            'the share that is used is not that of its figures',
        );
        $hot = $part['kind'] === 'joint' && ($part['heatW'] ?? 0.0) > self::WARM_W;
        $over = $amps !== null && $rated !== null && $amps > $rated + 0.05;
        $unmarked = $part['kind'] === 'bar' && $rated === null && $amps !== null && $amps > 0.05;
        $this->claim(
            count($part['trouble']) === ($over || $unmarked ? 1 : 0) + ($hot ? 1 : 0),
            'what is out of order by its figures is not what is told',
        );
    }

    private function claim(bool $holds, string $what): void
    {
        if (!$holds) {
            $this->broken[] = new Violation('runs', $this->title, 'as it is', 'runs', [$this->of], $what);
        }
    }
}
