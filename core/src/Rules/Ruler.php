<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Sizing\NegativeReach;
use Hollin\Core\Sizing\ProspectiveShort;

/**
 * Every conductor on one scale: what it carries, what its device lets through, what it may carry, what a short
 * delivers and the device can break. In order, each is below the next; what is out of order is told.
 */
final class Ruler
{
    /** Conductor temperature of drop checks, °C. */
    private const DROP_C = 75.0;

    /** Drop of a conductor that is worth a word, as a share of nominal volts. */
    private const DROP_SHARE = 0.03;

    private readonly NegativeReach $negative;

    private readonly InterruptingCapacity $interrupting;

    /** @var array<string, array{?array{ProspectiveShort, ?float, bool}}> part => what its device must break */
    private array $ruled = [];

    /** @var array<string, ?ProspectiveShort> terminal => short there */
    private array $shorts = [];

    private function __construct(private readonly Examination $rig, private readonly Carried $carried)
    {
        $this->interrupting = new InterruptingCapacity();
        $this->negative = new NegativeReach($rig->graph, $rig->reach()->at);
    }

    /** @return list<array<string, mixed>> worst first, then by name */
    public static function of(Examination $rig, ?Carried $carried = null): array
    {
        $make = new self($rig, $carried ?? new Carried($rig));
        $rows = [];
        foreach ($rig->graph->elements as $id => $element) {
            if ($element->cable !== null && ($element->role === Role::L1 || Walk::direct($element))) {
                $rows[] = $make->row((string) $id, $element);
            }
        }
        usort(
            $rows,
            fn(array $a, array $b): int => [count($b['trouble']), $a['label']] <=> [count($a['trouble']), $b['label']],
        );

        return $rows;
    }

    /** @return array<string, mixed> */
    private function row(string $id, Element $element): array
    {
        $rig = $this->rig;
        $cable = $element->cable ?? throw new \LogicException('a ruler is of a cable');
        $direct = Walk::direct($element);
        $school = ConductorProtection::school($element, $rig);
        $back = $direct ? $this->negative->through($element) : null;
        [$ahead, $device] = $back ?? (ConductorProtection::arriving($rig, $element) ?? [0.0, '']);
        $fused = $ahead > 0 && !is_infinite($ahead);
        $carries = $this->carried->by[$id] ?? null;
        $ampacity = $school->ofCable($cable);
        $largest = $school->largestDevice($cable);
        $ruled = $direct && $fused ? ($this->ruled[$device] ??= [$this->interrupting->ruled($rig, $device)]) : [null];
        [$short, $breaks, $stands] = $ruled[0] ?? [$direct ? $this->short($element) : null, null, true];
        $tap = ConductorProtection::isTap($rig, $element, $cable, $ahead, $largest ?? 0.0, $school, $back === null);
        $part = $rig->graph->partAt($element->component);
        $nominalV = $direct ? $this->nominalV($element) : 120.0;
        $ohm = $cable->ohm(self::DROP_C) * ($direct ? 1 : 2);
        $dropV = ($carries[0] ?? 0.0) * $ohm;
        $place = $part?->is('inlet') === true ? 'cord' : 'cable';
        $row = [
            'id' => $id,
            'component' => $element->component,
            'label' => $rig->graph->label($element->component),
            'kind' => $direct ? ($element->role === Role::DcNegative ? 'negative' : 'positive') : 'alternating',
            'place' => $place,
            'size' => $cable->size->designation,
            'spoken' => $cable->spoken(),
            'parallel' => $cable->parallel,
            'lengthM' => $cable->lengthM,
            'assumed' => array_values(
                array_filter(
                    ['size', 'lengthM'],
                    fn(string $name): bool => $part?->isAssumed("{$place}/{$name}") === true,
                ),
            ),
            'carriesA' => $carries === null ? null : round($carries[0], 1),
            'carriesWhy' => $carries[1] ?? '',
            'deviceA' => $fused ? round($ahead, 1) : null,
            'device' => match (true) {
                !$fused => '',
                $device === '' => 'its source',
                default => $rig->graph->label($device),
            },
            'ampacityA' => $ampacity === null ? null : round($ampacity, 1),
            'limitA' => $largest,
            'school' => $school->label(),
            'shortA' => $short === null ? null : round($short->currentA),
            'shortAssumed' => $short?->assumed === true,
            'shortWhy' => $short->arithmetic ?? '',
            'breaksA' => $breaks,
            'backedUp' => $stands && $breaks !== null && ($short->currentA ?? 0.0) > $breaks,
            'dropV' => round($dropV, 3),
            'dropLimitV' => self::DROP_SHARE * $nominalV,
            'dropWhy' => sprintf(
                '%.1f A × %s%.1f m × %.3f mΩ/m at 75 °C = %.3f V',
                $carries[0] ?? 0.0,
                $direct ? '' : '2 × ',
                $cable->lengthM,
                ($cable->ohm(self::DROP_C) / max(1e-9, $cable->lengthM)) * 1000,
                $dropV,
            ),
        ];

        return $row + ['tap' => $tap, 'trouble' => self::trouble($row, $tap)];
    }

    /**
     * What is out of order.
     *
     * @param array<string, mixed> $row
     * @return list<array{kind: string, words: string}>
     */
    private static function trouble(array $row, bool $tap): array
    {
        $trouble = [];
        $tell = function (string $kind, string $words, float ...$figures) use (&$trouble): void {
            $trouble[] = ['kind' => $kind, 'words' => vsprintf($words, $figures)];
        };
        if ($row['ampacityA'] === null) {
            $tell('table', 'no table here has this cable');
        }
        if (
            !$tap &&
            $row['deviceA'] !== null &&
            $row['ampacityA'] !== null &&
            $row['deviceA'] > ($row['limitA'] ?? 0.0) + 1e-6
        ) {
            $tell('wire', '%g A can arrive, the wire may carry %g A', $row['deviceA'], $row['ampacityA']);
        }
        if ($row['carriesA'] !== null && $row['deviceA'] !== null && $row['carriesA'] > $row['deviceA'] + 0.05) {
            $tell('device', 'carries %g A through a %g A device', $row['carriesA'], $row['deviceA']);
        }
        if ($row['carriesA'] !== null && $row['ampacityA'] !== null && $row['carriesA'] > $row['ampacityA'] + 0.05) {
            $tell('load', 'carries %g A, the wire may carry %g A', $row['carriesA'], $row['ampacityA']);
        }
        if (!$row['backedUp'] && $row['shortA'] !== null && $row['shortA'] > ($row['breaksA'] ?? INF)) {
            $tell(
                'short',
                '%.1f kA can flow, the device breaks %.1f kA',
                $row['shortA'] / 1000,
                $row['breaksA'] / 1000,
            );
        }
        if ($row['dropV'] > $row['dropLimitV'] + 1e-9) {
            $tell('drop', 'loses %.2f V, %.2f V are usual', $row['dropV'], $row['dropLimitV']);
        }

        return $trouble;
    }

    /** The larger short at either end. */
    private function short(Element $element): ?ProspectiveShort
    {
        $worst = null;
        foreach ([$element->a, $element->b] as $end) {
            if (!array_key_exists($end, $this->shorts)) {
                $this->shorts[$end] = ProspectiveShort::at($this->rig->graph, $end);
            }
            $short = $this->shorts[$end];
            $worst = $short !== null && $short->currentA > ($worst->currentA ?? 0.0) ? $short : $worst;
        }

        return $worst;
    }

    private function nominalV(Element $element): float
    {
        $situation = $this->rig->settled['nothing']->situation;
        foreach ($this->rig->graph->batteries as $battery) {
            foreach ([$battery->pos, $battery->neg] as $post) {
                if ($situation->joined($element->a, $post)) {
                    return $battery->systemV();
                }
            }
        }

        return 12.0;
    }
}
