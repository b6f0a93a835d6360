<?php

declare(strict_types=1);

namespace Hollin\Core\Solve;

use Hollin\Core\Network\Source;
use Hollin\Core\States\Settled;

/** Reads what a settled pair of sides says: volts, amps, watts, and what is past its limit. */
final readonly class LoadFlowOutcome
{
    /**
     * @param array<string, Source> $live
     * @param array<string, PowerInjection> $added
     * @param array<string, PowerInjection> $taken
     * @param array<string, PowerInjection> $inputs
     * @param list<string> $shutDown
     * @param array<string, PowerInjection> $drawn by converters of direct current
     */
    public function __construct(
        private Settled $settled,
        private array $live,
        private AcSide $ac,
        private DcSide $dc,
        private array $added,
        private array $taken,
        private array $inputs,
        private array $shutDown,
        private array $drawn = [],
    ) {}

    /** The figures, with terminals' volts and everything's watts worked out. */
    public function result(): LoadFlowResult
    {
        $volts = $this->ac->volts();
        $dcVolts = $this->dc->volts();
        $ac = $this->ac->network();
        $dc = $this->dc->network();
        $acV = self::named($ac, $volts);
        $dcV = array_map(fn(array $v): float => $v[0], self::named($dc, $dcVolts));
        [$acA, $lost] = self::amps($ac, $volts);
        [$dcA, $dcLost] = self::amps($dc, $dcVolts, true);
        foreach ($this->dc->oneWays() as $id => [$amps, $watts]) {
            $dcA[$id] = $amps;
            $dcLost += $watts;
        }
        $other = null;
        $single = [];
        if (count($this->live) > 1) {
            [$acA, $other, $single] = $this->alone($ac, $acA);
        }
        $network = $this->settled->situation->network->graph;
        $sources = $floating = [];
        foreach ($this->live as $id => $source) {
            $amps = $this->ac->amps($id);
            $across = hypot(...self::across($ac, $volts, $source->a, $source->b));
            $sources[$id] = [
                'volts' => $across,
                'amps' => $amps,
                'watts' => $this->ac->watts($id),
                'overloaded' =>
                    isset($this->ac->limited[$id]) ||
                    ($source->surrounding === null && $amps > $source->limitA * 1.0001),
            ];
            if ($source->neutral === 'floating' && $this->settled->situation->bondsOf($id) === []) {
                $floating[] = $id;
            }
        }
        foreach ($network->batteries as $id => $battery) {
            $v = self::across($dc, $dcVolts, $battery->pos, $battery->neg)[0];
            $amps = $this->dc->batteryA($id);
            $sources[$id] = [
                'volts' => $v,
                'amps' => $amps,
                'watts' => $v * $amps,
                'overloaded' => $battery->limitA !== null && $amps > $battery->limitA * 1.0001,
            ];
        }
        foreach ($this->dc->stages->chargers as $id => $charger) {
            $v = self::across($dc, $dcVolts, ...$charger->output)[0];
            $sources[$id] = [
                'volts' => $v,
                'amps' => $this->dc->givenA($id),
                'watts' => $v * $this->dc->givenA($id),
                'overloaded' => false,
            ];
        }
        $loads = [];
        foreach (
            [[$this->ac->injections, $ac, $volts], [$this->dc->injections, $dc, $dcVolts]]
            as [$injections, $in, $at]
        ) {
            foreach ($injections as $injection) {
                [$vRe, $vIm] = self::across($in, $at, $injection->a, $injection->b);
                [$iRe, $iIm] = $injection->currentAt($vRe, $vIm);
                $loads[$injection->id] = [
                    'volts' => hypot($vRe, $vIm),
                    'amps' => hypot($iRe, $iIm),
                    'watts' => $vRe * $iRe + $vIm * $iIm,
                    'collapsed' => $injection->collapsed,
                ];
            }
        }

        return new LoadFlowResult(
            $acV,
            $dcV,
            $acA,
            $dcA,
            $sources,
            $loads,
            $lost + $dcLost,
            max($ac->residual($volts, $this->ac->corrections()), $dc->residual($dcVolts, $this->dc->corrections())),
            $this->ac->rounds + $this->dc->rounds,
            $floating,
            null,
            $ac,
            $dc,
            $this->ac->injections,
            $this->dc->injections,
            array_map(
                fn($c): array => [$c->output[0], $c->output[1], $this->dc->stages->mode[$c->id] ?? 'off', $c->holdsV],
                $this->dc->stages->chargers,
            ),
            $other,
            $this->converters($sources, $loads),
            $single,
            $this->shutDown,
        );
    }

    /**
     * Watts in and out of every power converter that runs.
     *
     * @param array<string, array{volts: float, amps: float, watts: float, overloaded: bool}> $sources
     * @param array<string, array{volts: float, amps: float, watts: float, collapsed: bool}> $loads
     * @return array<string, array{inW: float, outW: float}>
     */
    private function converters(array $sources, array $loads): array
    {
        $found = [];
        foreach ($this->inputs as $id => $_) {
            $found[$id] = ['inW' => $loads[$id]['watts'], 'outW' => $sources[$id]['watts']];
        }
        foreach ($this->drawn as $id => $input) {
            $found[$id] = ['inW' => $loads[$input->id]['watts'], 'outW' => $sources[$id]['watts']];
        }
        foreach ($this->taken as $id => $taken) {
            $made = isset($this->added[$id]) ? -$loads[$id]['watts'] : 0.0;
            foreach (isset($this->added[$id]) ? [] : $this->live as $source => $s) {
                $made += "{$s->component}.dc" === $taken->id ? $sources[$source]['watts'] : 0.0;
            }
            $found[$id] = ['inW' => $loads[$taken->id]['watts'], 'outW' => $made];
        }

        return $found;
    }

    /**
     * Systems without a common phase, each alone at its operating point: amps of a conductor they share
     * are the sum of their magnitudes, volts between them lie between in step and against.
     *
     * @param array<string, float> $together
     * @return array{array<string, float>, array<string, array{float, float}>, array<string, array<string, array{float,
     *      float}>>}
     */
    private function alone(NodalNetwork $ac, array $together): array
    {
        $amps = $against = $single = [];
        $n = 0;
        foreach ($this->ac->alone() as $id => $volts) {
            $single[$id] = self::named($ac, $volts);
            foreach (self::amps($ac, $volts)[0] as $element => $a) {
                $amps[$element] = ($amps[$element] ?? 0.0) + $a;
            }
            foreach ($single[$id] as $name => [$re, $im]) {
                $sign = $n === 0 ? 1.0 : -1.0;
                $against[$name] = [
                    ($against[$name][0] ?? 0.0) + $sign * $re,
                    ($against[$name][1] ?? 0.0) + $sign * $im,
                ];
            }
            $n++;
        }
        foreach ($together as $element => $a) {
            $amps[$element] = max($a, $amps[$element] ?? 0.0);
        }

        return [$amps, $against, $single];
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @return array<string, array{float, float}>
     */
    private static function named(NodalNetwork $network, array $volts): array
    {
        $named = [];
        foreach ($network->names as $n => $name) {
            $named[$name] = [$volts[0][$n], $volts[1][$n]];
        }

        return $named;
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @return array{array<string, float>, float} amps of each conductor, with their sign when direct, and W lost in
     *      them
     */
    private static function amps(NodalNetwork $network, array $volts, bool $signed = false): array
    {
        $amps = [];
        $lost = 0.0;
        foreach ($network->branches as $branch) {
            if ($branch->kind === 'wire' || $branch->kind === 'bond') {
                $i = NodalNetwork::current($branch, $volts);
                $size = hypot(...$i);
                $amps[$branch->of] = $signed ? $i[0] : $size;
                $lost += $size ** 2 / $branch->re;
            }
        }

        return [$amps, $lost];
    }

    /**
     * @param array{array<int, float>, array<int, float>} $volts
     * @return array{float, float}
     */
    private static function across(NodalNetwork $network, array $volts, string $a, string $b): array
    {
        $i = $network->node[$a] ?? -1;
        $j = $network->node[$b] ?? -1;

        return [$volts[0][$i] - $volts[0][$j], $volts[1][$i] - $volts[1][$j]];
    }
}
