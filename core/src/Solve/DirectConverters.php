<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\States\Situation;

/**
 * What gives direct current from sun, shaft or another battery in one solve. A converter from one battery to another
 * takes at its input what it gives, with its losses; one whose input falls below its cut-off gives up, as does one
 * whose wire cannot bring the power at any volts.
 */
final class DirectConverters
{
    /** @var array<string, PowerConverter> that are on */
    public readonly array $units;

    /** @var array<string, PowerInjection> what goes into those that take direct current */
    public readonly array $drawn;

    /** @var array<string, float> W at which one gave up on the way to rest */
    private array $asked = [];

    /** @var array<string, true> that have given up */
    private array $out = [];

    public function __construct(Situation $situation)
    {
        $this->units = array_intersect_key($situation->network->graph->converters, $situation->givingDirect());
        $drawn = [];
        foreach ($this->units as $id => $unit) {
            if ($unit->kind === PowerConverter::DC_DC) {
                $drawn[$id] = new PowerInjection(
                    "{$id}.in",
                    $unit->input[0],
                    $unit->input[1],
                    $unit->idleW,
                    0.0,
                    $unit->inputV,
                    true,
                    max(0.5, min(0.95, $unit->cutOffV / $unit->inputV)),
                );
            }
        }
        $this->drawn = $drawn;
    }

    /** Tells the battery side what sun and shaft leave each of them at most. */
    public function bound(DcSide $dc): void
    {
        foreach ($this->units as $id => $unit) {
            if ($unit->fieldW > 0) {
                $dc->stages->mostW[$id] = $unit->fieldW;
            } elseif (isset($this->drawn[$id]) && $unit->inputLimitA !== null) {
                // From below: at first nobody knows the volts its limit leaves.
                $dc->stages->mostW[$id] = $unit->inputLimitA * $unit->cutOffV * $unit->efficiency;
            }
        }
    }

    /** @return float by how much what they take has moved, as a share */
    public function feed(DcSide $dc): float
    {
        $moved = 0.0;
        foreach ($this->drawn as $id => $input) {
            $unit = $this->units[$id];
            $needs = max($unit->idleW, ($dc->givenA($id) * $dc->chargerV($id)) / $unit->efficiency);
            if ($input->collapsed && !isset($this->out[$id])) {
                // What it was asked for on the way here may be more than it needs in the end.
                $dc->revive($input);
                if ($needs > 0.999 * ($this->asked[$id] ?? INF)) {
                    $this->out[$id] = true;
                    $dc->stages->mostW[$id] = 0.0;
                }
                $this->asked[$id] = $needs;
                $moved = 1.0;
            }
            $out = isset($this->out[$id]);
            if (!$out && $unit->inputLimitA !== null) {
                $most = max(0.0, $unit->inputLimitA * $dc->voltsOf($input) * $unit->efficiency);
                $full = $unit->limitA * $unit->holdsV;
                $moved = max(
                    $moved,
                    abs(min($most, $full) - min($dc->stages->mostW[$id] ?? INF, $full)) / max(1.0, $full),
                );
                $dc->stages->mostW[$id] = $most;
            }
            $needs = $out ? 0.0 : $needs;
            $moved = max($moved, abs($needs - $input->watts) / max(1.0, $needs));
            $input->watts = $needs;
        }

        return $moved;
    }

    /** @return list<string> that have given up */
    public function starved(): array
    {
        return array_keys($this->out);
    }
}
