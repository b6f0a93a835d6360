<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Components\Conversion\Inverting;
use Hollin\Core\Components\Supply\Generator;
use Hollin\Core\Reference\Source;

/** In a load scenario something carries more than it may: supply, inlet, breaker, relay or inverter. */
final class Overload implements RigRule
{
    public static function definition(): Definition
    {
        $all = ['kind' => 'set_need', 'path' => '/scenarios/all', 'value' => ['title' => 'Everything', 'running' => ['c_air.unit' => true, 'c_water.element' => true, 'c_fridge.element' => true]]];
        $little = ['kind' => 'set_need', 'path' => '/scenarios/little', 'value' => ['title' => 'Fridge', 'running' => ['c_fridge.element' => true]]];

        return new Definition(
            'overload',
            Severity::Warning,
            'More than it may carry',
            'In a load scenario the current through a device is above its rating, or above 80 % of it for three hours or more. Sums are W ÷ (V × power factor); charging counts at full output, as after a night on the battery.',
            Source::recalled('NFPA 70 210.20(A): continuous loads at 80 %'),
            [
                Sample::found('air conditioner and water heater off the inverter', Sample::choose('in_line', ['continuousW' => 2000]), $all),
                Sample::found('nobody has said what runs together', Sample::choose('in_line')),
                Sample::silent('a fridge', Sample::choose('subpanel', ['circuits' => ['c_fridge' => true], 'inputLimitA' => 12, 'chargerA' => 40, 'converter' => 'removed']), $little),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        if ($rig->needs->scenarios === []) {
            return [new Hit('no scenario', 'Nobody has said yet which loads run together, so nothing was checked for overload.', [], severity: Severity::Advice, title: 'Overload not checked')];
        }
        /** @var array<string, array{float, Hit}> $worst */
        $worst = [];
        foreach ($rig->currents()->amps as $state => $scenarios) {
            foreach ($scenarios as $scenario => $amps) {
                foreach ($this->checked($rig, $state) as [$key, $element, $component, $what, $ratingA]) {
                    $current = $amps[$element] ?? 0.0;
                    $share = $current / $ratingA;
                    if ($share <= 0.8 + 1e-9 || $share <= ($worst[$key][0] ?? 0.0)) {
                        continue;
                    }
                    $over = $share > 1 + 1e-9;
                    $worst[$key] = [$share, new Hit(
                        $key,
                        sprintf('%s carries %.1f A of %.4g A in "%s" (%s).', ucfirst($what), $current, $ratingA, $rig->needs->scenarios[$scenario]['title'], $rig->named[$state]->title),
                        [$component],
                        [new Figure($what, $current, 'A', $this->sum($rig, $amps, $element, $current), Source::recalled('NFPA 70 210.20(A)'), $over ? $ratingA : 0.8 * $ratingA)],
                        severity: $over ? Severity::Warning : Severity::Advice,
                        title: $over ? 'Overload: ' . lcfirst($what) : 'Near its limit: ' . lcfirst($what),
                        state: $state,
                        because: $over && $element !== self::supply($rig) && $rig->settled[$state]->situation->quality((string) self::supply($rig)) === 'good' ? 'overload|' . self::supply($rig) : null,
                    )];
                }
            }
        }

        return array_values(array_map(fn(array $w): Hit => $w[1], $worst));
    }

    /** @return list<array{string, string, string, string, float}> key, element or source, component, words, rating */
    private function checked(Examination $rig, string $state): array
    {
        $checked = [];
        $first = [];
        foreach ($rig->currents()->rated() as $rated) {
            // Ways through one device are one thing to somebody who reads its rating.
            $key = $first["{$rated['component']}|{$rated['what']}"] ??= $rated['element'];
            $checked[] = [$key, $rated['element'], $rated['component'], $rated['what'], $rated['ratingA']];
        }
        foreach ($rig->graph->sources as $id => $source) {
            $component = $rig->rig->find($source->component);
            if ($component instanceof Inverting && $source->forming) {
                $checked[] = [$id, $id, $source->component, $component->label() . ' while inverting', $component->continuousW() / 120];
            } elseif ($source->surrounding !== null) {
                $supply = $rig->currents()->supplyA($rig->settled[$state]);
                if ($supply !== null) {
                    $checked[] = [$id, $id, $source->component, sprintf('the %g A pedestal', $supply), $supply];
                }
            } elseif ($component instanceof Generator) {
                $checked[] = [$id, $id, $source->component, $component->label(), $component->ratedW() / 120];
            }
        }

        return $checked;
    }

    /** @param array<string, float> $amps */
    private function sum(Examination $rig, array $amps, string $element, float $total): string
    {
        return sprintf('sum of the running loads and charging behind it: %.1f A', $total);
    }

    /** The outside supply everything else hangs on: what is too much for it is too much behind it. */
    private static function supply(Examination $rig): ?string
    {
        foreach ($rig->graph->sources as $id => $source) {
            if ($source->surrounding !== null) {
                return $id;
            }
        }

        return null;
    }
}
