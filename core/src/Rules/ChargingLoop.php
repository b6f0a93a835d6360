<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Panels;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Naming;
use Hollin\Core\States\Situation;

/** The converter runs on the inverter that its own battery feeds: the bank charges itself at a loss. */
final class ChargingLoop implements StateRule, Claims
{
    /** What else a plan can make of the factory converter: choice => words, effect. */
    private const FATES = [
        'contactor_safe' => ['fed through a contactor, coil on the outside supply', 'it charges on shore only'],
        'contactor' => ['locked out by a contactor', 'it charges on shore only'],
        'ahead' => ['moved ahead of the transfer point', 'it charges on shore only'],
        'removed' => ['taken out', 'the inverter/charger charges'],
    ];

    public static function definition(): Definition
    {
        $fed = ['circuits' => ['c_outlets' => true, 'c_converter' => true]];

        return new Definition(
            'charging_loop',
            Severity::Danger,
            'The bank charges itself',
            'The converter takes 120 V from the inverter, which takes it from the battery the converter ' .
                'charges. Nothing is gained: the difference becomes heat, the bank runs down, and the ' .
                'inverter\'s capacity is taken.',
            Source::commonPractice(),
            [
                Sample::found('in line, converter left', Sample::choose('in_line', ['converter' => 'left'])),
                Sample::found(
                    'in line, switched off by hand: fails by forgetting, and by an outage with the inverter left on',
                    Sample::choose('in_line', ['converter' => 'by_hand']),
                ),
                Sample::found(
                    'converter circuit moved to the inverter panel',
                    Sample::choose('subpanel', $fed + ['converter' => 'left']),
                ),
                Sample::silent(
                    'converter stays on the main panel',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'left']),
                ),
                Sample::silent(
                    'in line, converter ahead of the transfer point',
                    Sample::choose('in_line', ['converter' => 'ahead']),
                ),
                Sample::silent('converter taken out', Sample::choose('in_line', ['converter' => 'removed'])),
            ],
            passing: Severity::Advice,
        );
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach ($situation->charging() as $id => $ac) {
            $charger = $rig->graph->converters[$id];
            $inverter = $rig->graph->inverterOf($rig->graph->sources[$ac]->component);
            if ($inverter === null || !$situation->paired($charger->output, $inverter->input)) {
                continue;
            }
            $hits[] = $this->hit($situation, $rig, $charger, $inverter);
        }

        return $hits;
    }

    public function claims(Examination $rig): array
    {
        $pairs = [];
        foreach ($rig->graph->converters as $charger) {
            foreach ($rig->graph->converters as $inverter) {
                if (
                    $charger->kind === PowerConverter::CHARGER &&
                    $inverter->kind === PowerConverter::INVERTER &&
                    $charger->component !== $inverter->component
                ) {
                    $pairs["{$charger->component}|{$inverter->component}"] = sprintf(
                        '%s on %s',
                        Naming::component($charger->component),
                        Naming::component($inverter->component),
                    );
                }
            }
        }

        return array_map(
            fn(string $key, string $words): Claim => new Claim(
                $key,
                'the bank charging itself' . (count($pairs) > 1 ? ": {$words}" : ''),
            ),
            array_keys($pairs),
            $pairs,
        );
    }

    private function hit(Situation $situation, Examination $rig, PowerConverter $charger, PowerConverter $inverter): Hit
    {
        $dcW = $charger->limitA * $charger->holdsV;
        $lossW = $dcW * (1 / ($inverter->efficiency * $charger->efficiency) - 1) + $inverter->idleW;
        $bankV = $inverter->nominalV;
        foreach ($rig->graph->batteries as $battery) {
            if ($situation->joined($battery->pos, $inverter->input[0])) {
                $bankV = $battery->ratedV;
            }
        }
        $ah = ($lossW * 24) / $bankV;
        $share = ($charger->fullInputW() / ($inverter->limitA * $inverter->holdsV)) * 100;
        $assumed = $rig->graph->partAt($charger->component)?->isAssumed('efficiency') === true;

        return new Hit(
            "{$charger->component}|{$inverter->component}",
            sprintf(
                '%s runs on %s, which its own bank feeds. %.0f W become heat and %.0f A leave the bank for ' .
                    'nothing, %.0f Ah a day. %.0f %% of the inverter is taken.',
                $rig->graph->label($charger->component),
                $rig->graph->label($inverter->component),
                $lossW,
                $lossW / $bankV,
                $ah,
                $share,
            ),
            [$charger->component, $inverter->component, ...self::feeding($rig, $charger->component)],
            [
                new Figure(
                    'Lost',
                    $lossW,
                    'W',
                    sprintf(
                        '%.0f W × (1 ÷ (%g × %g) − 1) + %g W idle',
                        $dcW,
                        $inverter->efficiency,
                        $charger->efficiency,
                        $inverter->idleW,
                    ),
                    Source::commonPractice(),
                    0.0,
                    $assumed,
                    of: new Of(Quantity::Heat, $charger->id),
                ),
                new Figure(
                    'Taken from the bank',
                    $ah,
                    'Ah a day',
                    sprintf('%.0f W × 24 h ÷ %g V', $lossW, $bankV),
                    Source::computed('arithmetic'),
                    0.0,
                    $assumed,
                    of: new Of(Quantity::Charge, $inverter->id),
                ),
            ],
            self::remedies($rig, $situation, $charger->component, $inverter),
            [[$inverter->output[0], $charger->input[0]], [$charger->output[0], $inverter->input[0]]],
        );
    }

    /** @return list<string> the circuit that feeds a converter */
    private static function feeding(Examination $rig, string $converter): array
    {
        $plug = $rig->graph->partAt($converter)?->text('plug') ?? '';
        if ($plug !== '') {
            return [$plug];
        }
        foreach ($rig->graph->circuits as $id => $circuit) {
            if ($circuit->feeds === $converter) {
                return [$id];
            }
        }

        return [];
    }

    /** @return list<Remedy> */
    private static function remedies(
        Examination $rig,
        Situation $situation,
        string $converter,
        PowerConverter $inverter,
    ): array {
        $remedies = [];
        $label = $rig->graph->label($converter);
        $circuit = self::feeding($rig, $converter)[0] ?? null;
        if ($circuit !== null) {
            foreach (Panels::of($rig->graph) as $panel) {
                // A panel that stays dark while this inverter runs is on the shore side.
                if (
                    !$situation->joined(Panels::bus($panel), $inverter->output[0]) &&
                    Panels::hasRoom($rig->graph, $panel)
                ) {
                    $remedies[] = Remedy::move(
                        sprintf('Move %s to %s', $rig->graph->label($circuit), $panel->label),
                        'it charges on shore only',
                        $circuit,
                        $panel->id,
                    );
                }
            }
        }
        if (isset($rig->graph->converters["{$inverter->component}.charger"])) {
            $remedies[] = new Remedy("Take {$label} out", 'the inverter/charger charges', [
                'kind' => 'plan_remove',
                'component' => $converter,
            ]);
        }
        if ($rig->graph->instructions === [] && $circuit !== null) {
            $plugged = ($rig->graph->partAt($converter)?->text('plug') ?? '') !== '';
            $remedies[] = new Remedy(
                "Switch {$rig->graph->label($circuit)} off by hand when inverting",
                'fails by forgetting',
                [
                    'kind' => 'plan_fit',
                    'id' => 'switch_converter_off',
                    'component' => [
                        'type' => 'instruction',
                        'label' => 'Converter off when inverting',
                        'device' => $plugged ? $converter : $circuit,
                        'while' => 'inverting',
                    ],
                ],
            );
        }

        foreach (self::FATES as $fate => [$words, $effect]) {
            $remedies[] = Remedy::option("Plan it with {$label} {$words}", $effect, 'converter', $fate);
        }

        return $remedies;
    }
}
