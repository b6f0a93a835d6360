<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\ConductorChoice;
use Hollin\Core\Sizing\DirectShares;
use Hollin\Core\Sizing\InverterCurrent;

/** A run on the battery side loses more volts than it may. */
final class VoltageDrop implements RigRule
{
    private const MAIN = 0.03;

    private const OTHER = 0.1;

    public static function definition(): Definition
    {
        return new Definition(
            'voltage_drop',
            Severity::Warning,
            'Voltage drop too high',
            'At full output the way from battery to inverter, both poles, may lose 3 % of nominal volts, and ' .
                'so may the feed of a 12 V panel and of what lives hang on; other loads 10 %. What is lost heats ' .
                'the cable and makes the unit cut off early.',
            Source::recalled(
                'ABYC E-11: 3 % for main feeders and critical loads, 10 % for others; resistance at 75 °C, ' .
                    'NFPA 70 chapter 9 table 8',
            ),
            [
                Sample::found(
                    'long thin leads',
                    Sample::choose('in_line'),
                    Sample::set('ld_bar_inv', '/cable/lengthM', ['value' => 6, 'basis' => 'measured']),
                ),
                Sample::found(
                    'one lead that alone loses a little more than is usual',
                    Sample::choose('in_line'),
                    Sample::set('ld_bar_inv', '/cable/lengthM', ['value' => 7, 'basis' => 'measured']),
                ),
                Sample::found(
                    'a long lead of a thinner cable',
                    Sample::choose('in_line'),
                    Sample::set('ld_bar_inv', '/cable/lengthM', ['value' => 5, 'basis' => 'measured']),
                    Sample::set('ld_bar_inv', '/cable/size', ['value' => 'awg:1/0', 'basis' => 'measured']),
                ),
                Sample::silent('the usual bank chain', Sample::choose('in_line')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $graph = $rig->graph;
        foreach ($graph->converters as $unit) {
            if ($unit->kind === PowerConverter::INVERTER) {
                $hits[] = $this->hit(
                    $rig,
                    $unit->component,
                    $unit->input,
                    InverterCurrent::ofUnit($unit)->nominalA,
                    $unit->nominalV,
                    self::MAIN,
                    'at full output',
                );
            }
        }
        foreach ($graph->users as $load) {
            if ($load->direct && $load->amps > 0) {
                $critical = $load->safety !== '' || $graph->partAt($load->component)?->is('dc_panel') === true;
                $hits[] = $this->hit(
                    $rig,
                    $load->component,
                    [$load->a, $load->b],
                    (float) $load->amps,
                    12.0,
                    $critical ? self::MAIN : self::OTHER,
                    'at its usual load',
                );
            }
        }

        return array_values(array_filter($hits));
    }

    /** @param array{string, string} $at */
    private function hit(
        Examination $rig,
        string $component,
        array $at,
        float $amps,
        float $nominalV,
        float $share,
        string $when,
    ): ?Hit {
        $way = new DirectShares($rig->graph, $at[0], $at[1], ConductorChoice::DROP_C);
        $drop = $way->isFed() ? $amps * $way->ohms($at[1]) : 0.0;
        $limit = $share * $nominalV;
        if ($drop <= $limit + 1e-9) {
            return null;
        }
        $worst = [];
        $longest = [];
        foreach ($way->shares() as $id => $part) {
            $element = $rig->graph->elements[$id] ?? null;
            if ($element?->cable !== null && $part > 1e-3) {
                $worst[$element->component] =
                    ($worst[$element->component] ?? 0.0) + $part ** 2 * $element->cable->ohm(ConductorChoice::DROP_C);
                $longest[$element->component] = $element;
            }
        }
        arsort($worst);
        $first = (string) array_key_first($worst);

        return new Hit(
            $component,
            sprintf(
                '%s loses %.2f V on the way from its battery %s; %.2f V are allowed. Most of it on %s.',
                $rig->graph->label($component),
                $drop,
                $when,
                $limit,
                $rig->graph->label($first),
            ),
            [$component, ...array_slice(array_keys($worst), 0, 3)],
            [
                new Figure(
                    'Drop',
                    $drop,
                    'V',
                    sprintf('%.1f A × %.2f mΩ of cable, both poles, at 75 °C', $amps, ($drop / $amps) * 1000),
                    Source::recalled('NFPA 70 chapter 9 table 8, IEC 60228'),
                    $limit,
                    of: new Of(Quantity::Drop, $component),
                ),
            ],
            $this->remedies($rig, $longest[$first] ?? null, $amps * ($worst[$first] ?? 0.0), $drop, $limit),
            severity: $drop > 0.1 * $nominalV || $share === self::MAIN ? Severity::Warning : Severity::Advice,
        );
    }

    /**
     * For what loses most, the size that would do if all on the way grew by the same share.
     *
     * @param float $ownV lost on that cable, V
     * @param float $dropV lost on all, V
     * @param float $limitV what may be lost, V
     * @return list<Remedy>
     */
    private function remedies(Examination $rig, ?Element $element, float $ownV, float $dropV, float $limitV): array
    {
        $cable = $element?->cable;
        if ($element === null || $cable === null || !$cable->size->isAwg()) {
            return [];
        }
        $larger = array_filter(
            ConductorSize::all(),
            fn(ConductorSize $size): bool => $size->isAwg() && $size->areaMm2 > $cable->size->areaMm2,
        );
        $enough = array_filter(
            $larger,
            fn(ConductorSize $size): bool => $size->areaMm2 * $limitV >= $cable->size->areaMm2 * $dropV,
        );
        $designation = $enough === [] ? array_key_last($larger) : array_key_first($enough);
        if ($designation === null) {
            return [];
        }
        $saved = $ownV * (1 - $cable->size->areaMm2 / $larger[$designation]->areaMm2);

        return [
            Remedy::set(
                sprintf('Run %s for %s', $larger[$designation]->spoken(), $rig->graph->label($element->component)),
                $saved >= $dropV - $limitV
                    ? 'loses little enough'
                    : sprintf('saves %.2f V; what else is on the way needs it too', $saved),
                $element->component,
                '/cable/size',
                ['value' => $designation, 'basis' => 'told'],
            ),
        ];
    }
}
