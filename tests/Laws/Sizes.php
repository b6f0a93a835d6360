<?php

declare(strict_types=1);

namespace Tests\Laws;

use Hollin\Core\Network\Graph;

/**
 * What is said of an inverter's battery side can be followed by hand: amps from watts, the design current from both,
 * cable that carries what its fuse lets through, a fuse that breaks what the bank delivers, the drop from a table.
 */
final class Sizes
{
    /** Fuses of three families as their makers' sheets have them, breaking amps (common practice, no source). */
    private const BREAKS_A = ['mrbf' => 10000, 'anl' => 6000, 'class_t' => 20000];

    /** @var list<Violation> */
    public array $broken = [];

    /** Sizings looked at. */
    public int $held = 0;

    private string $title = '';

    private string $unit = '';

    public function hold(Specimen $rig, Said $said): void
    {
        $this->title = $rig->title();
        $leads = [];
        foreach ($said->rig->graph->elements as $element) {
            if ($element->cable !== null) {
                $leads[$element->component] = [
                    $element->cable->size->designation,
                    $element->cable->lengthM,
                    $element->cable->parallel,
                ];
            }
        }
        foreach ($said->answer()['sizes'] as $sizing) {
            $this->unit = $sizing['inverter'];
            $this->held++;
            $this->amps($rig, $sizing);
            $this->fuse($sizing);
            $this->choices($sizing);
            $this->interim($sizing, $said->rig->graph);
            $this->fitted($sizing, array_intersect_key($leads, array_flip($sizing['way'])));
        }
    }

    /** @param array<string, mixed> $sizing */
    private function amps(Specimen $rig, array $sizing): void
    {
        $value = fn(string $path): ?float => is_numeric($rig->value($this->unit, $path))
            ? (float) $rig->value($this->unit, $path)
            : null;
        $figures = array_column($sizing['figures'], 'value', 'label');
        $nominal = $figures['Continuous at nominal volts'] ?? 0.0;
        $low = $figures['Continuous at cut-off'] ?? 0.0;
        $each = [
            ['Continuous at nominal volts', $value('continuousW'), $value('dcNominalV')],
            ['Continuous at cut-off', $value('continuousW'), $value('cutOffV')],
            ['Peak, while surging', $value('surgeW'), $value('cutOffV')],
        ];
        foreach ($each as [$label, $watts, $volts]) {
            $by = $value('efficiency');
            if ($watts !== null && $volts !== null && $by !== null && isset($figures[$label])) {
                $this->claim(Copper::near($figures[$label], $watts / ($volts * $by)), "{$label}: not W ÷ (V × η)");
            }
        }
        $design = $figures['Design current'] ?? 0.0;
        $this->claim(
            Copper::near($design, max(1.25 * $nominal, $low)),
            'design current is not the larger of 125 % and cut-off',
        );
    }

    /** @param array<string, mixed> $sizing */
    private function fuse(array $sizing): void
    {
        $design = array_column($sizing['figures'], 'value', 'label')['Design current'] ?? 0.0;
        $short = $sizing['fuse']['short']['value'] ?? null;
        foreach ($sizing['fuse']['families'] as $family) {
            $rating = $family['ratingA'];
            $this->claim(
                $rating === null || $rating >= $design - 0.05,
                "a fuse smaller than the design current: {$family['label']}",
            );
            $breaks = self::BREAKS_A[$family['family']] ?? null;
            $this->claim(
                $breaks === null || $family['interruptingA'] == $breaks,
                "breaks other amps: {$family['label']}",
            );
            $this->claim(
                $short === null || $family['breaks'] === $family['interruptingA'] >= $short,
                "breaks what it does not, or not what it does: {$family['label']}",
            );
            $this->claim(
                !$family['suits'] || ($family['breaks'] && $rating !== null),
                "suits and does not: {$family['label']}",
            );
        }
    }

    /** @param array<string, mixed> $sizing */
    private function choices(array $sizing): void
    {
        $figures = array_column($sizing['figures'], 'value', 'label');
        foreach ($sizing['choices'] as $choice) {
            if (!$choice['possible']) {
                continue;
            }
            $design = $figures['Design current'] ?? 0.0;
            $limit = (float) ($sizing['fitted']['dropLimitV'] ?? 0.36);
            $this->claim($choice['ampacityA'] >= $design - 0.05, 'a cable for less than the design current');
            $this->claim($choice['dropV'] <= $limit + 0.001, 'a cable that drops more than is allowed');
            $drop = Copper::drop(
                $figures['Continuous at nominal volts'] ?? 0.0,
                $choice['size'],
                (float) $sizing['roundTripM'],
                $choice['parallel'],
            );
            $this->claim(
                $drop === null || Copper::near($choice['dropV'], $drop, 0.02),
                'a drop that the table does not give',
            );
        }
    }

    /**
     * A fuse below the design current, or a part below the continuous one, caps the unit and is told as interim.
     *
     * @param array<string, mixed> $sizing
     */
    private function interim(array $sizing, Graph $graph): void
    {
        $figures = array_column($sizing['figures'], 'value', 'label');
        $least = INF;
        $short = false;
        foreach ($graph->elements as $element) {
            $rating = $element->ratingA();
            if ($rating !== null && $element->cable === null && in_array($element->component, $sizing['way'], true)) {
                $below = $element->rating?->protects === true ? 'Design current' : 'Continuous at nominal volts';
                if ($rating < $least) {
                    $least = $rating;
                    $short = $rating < ($figures[$below] ?? 0.0) - 0.05;
                }
            }
        }
        $this->claim(
            ($sizing['fuse']['interim'] !== null) === $short,
            'an interim part is not told, or one that is none',
        );
        $this->claim(($sizing['fuse']['capW'] !== null) === $short, 'a cap without an interim part, or none with one');
    }

    /**
     * @param array<string, mixed> $sizing
     * @param array<string, array{string, ?float, int}> $leads component => size, m, in parallel
     */
    private function fitted(array $sizing, array $leads): void
    {
        $size = $sizing['fitted']['size'] ?? null;
        if ($size === null || $leads === []) {
            return;
        }
        $gauges = array_column($leads, 0);
        $this->claim(in_array($size, $gauges, true), 'a size that no lead on the way has');
        $order = array_flip(Copper::sizes());
        $single = array_filter($leads, fn(array $l): bool => $l[2] === 1);
        // Of metric ones and those in parallel nothing is claimed.
        $known = array_intersect_key($order, array_flip($gauges));
        if (count($single) === count($leads) && count($known) === count(array_unique($gauges))) {
            $thinnest = array_search(max($known), $known, true);
            $this->claim($size === $thinnest, 'not the thinnest lead on the way is called the weakest');
        }
    }

    private function claim(bool $holds, string $what): void
    {
        if (!$holds) {
            $this->broken[] = new Violation('sizes', $this->title, 'as it is', 'sizes', [$this->unit], $what);
        }
    }
}
