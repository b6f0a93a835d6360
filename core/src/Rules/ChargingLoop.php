<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Conversion\InverterCharger;
use Hollin\Core\Components\Conversion\Inverting;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Plan\Slots;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/** The converter runs on the inverter that its own battery feeds: the bank charges itself at a loss. */
final class ChargingLoop implements StateRule
{
    public static function definition(): Definition
    {
        $fed = ['circuits' => ['c_outlets' => true, 'c_converter' => true]];

        return new Definition(
            'charging_loop',
            Severity::Danger,
            'The bank charges itself',
            'The converter takes 120 V from the inverter, which takes it from the battery the converter charges. Nothing is gained: the difference becomes heat, the bank runs down, and the inverter\'s capacity is taken.',
            Source::commonPractice(),
            [
                Sample::found('in line, converter left', Sample::choose('in_line', ['converter' => 'left'])),
                Sample::found('in line, switched off by hand: fails by forgetting, and by an outage with the inverter left on', Sample::choose('in_line', ['converter' => 'by_hand'])),
                Sample::found('converter circuit moved to the inverter panel', Sample::choose('subpanel', $fed + ['converter' => 'left'])),
                Sample::silent('converter stays on the main panel', Sample::choose('subpanel', ['circuits' => ['c_outlets' => true], 'converter' => 'left'])),
                Sample::silent('in line, converter ahead of the transfer point', Sample::choose('in_line', ['converter' => 'ahead'])),
                Sample::silent('converter taken out', Sample::choose('in_line', ['converter' => 'removed'])),
            ],
        );
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach ($situation->charging() as $id => $ac) {
            $charger = $rig->graph->sources[$id];
            $converter = $rig->rig->find($charger->component);
            $inverter = $rig->rig->find($rig->graph->sources[$ac]->component);
            if (!$converter instanceof Converter || !$inverter instanceof Inverting || !$situation->joined($charger->a, "{$inverter->id}.pos")) {
                continue;
            }
            $dcW = $converter->outputA() * $converter->outputV();
            $lossW = $dcW * (1 / ($inverter->efficiency() * $converter->efficiency()) - 1) + $inverter->values->number('idleW');
            $bankV = $inverter->values->number('dcNominalV');
            foreach ($rig->rig->all(Bank::class) as $bank) {
                $bankV = $bank->ratedV();
            }
            $ah = $lossW * 24 / $bankV;
            $share = $converter->inputW() / $inverter->continuousW() * 100;
            $assumed = $converter->values->basis('efficiency')?->value === 'assumed';
            $hits[] = new Hit(
                "{$converter->id}|{$inverter->id}",
                sprintf(
                    '%s runs on %s, which its own bank feeds. %.0f W become heat and %.0f A leave the bank for nothing, %.0f Ah a day. %.0f %% of the inverter is taken.',
                    $converter->label(),
                    $inverter->label(),
                    $lossW,
                    $lossW / $bankV,
                    $ah,
                    $share,
                ),
                [$converter->id, $inverter->id, ...self::feeding($rig, $converter)],
                [
                    new Figure('Lost', $lossW, 'W', sprintf('%.0f W × (1 ÷ (%g × %g) − 1) + %g W idle', $dcW, $inverter->efficiency(), $converter->efficiency(), $inverter->values->number('idleW')), Source::commonPractice(), 0.0, $assumed),
                    new Figure('Taken from the bank', $ah, 'Ah a day', sprintf('%.0f W × 24 h ÷ %g V', $lossW, $bankV), Source::computed('arithmetic'), 0.0, $assumed),
                ],
                self::remedies($rig, $situation, $converter, $inverter),
                [["{$inverter->id}.ac_out.l", "{$converter->id}.ac_in.l"], [$charger->a, "{$inverter->id}.pos"]],
            );
        }

        return $hits;
    }

    /** @return list<string> the circuit that feeds the converter */
    private static function feeding(Examination $rig, Converter $converter): array
    {
        $plug = $converter->values->text('plug');
        if ($plug !== '') {
            return [$plug];
        }
        foreach ($rig->rig->all(Circuit::class) as $circuit) {
            if ($circuit->feedsComponent() === $converter->id) {
                return [$circuit->id];
            }
        }

        return [];
    }

    /** @return list<Remedy> */
    private static function remedies(Examination $rig, Situation $situation, Converter $converter, Inverting $inverter): array
    {
        $remedies = [];
        $circuit = self::feeding($rig, $converter)[0] ?? null;
        if ($circuit !== null) {
            foreach ($rig->rig->all(Panel::class) as $panel) {
                // A panel that stays dark while this inverter runs is on the shore side.
                if (!$situation->joined($panel->bus(), "{$inverter->id}.ac_out.l") && Slots::hasRoom($rig->rig, $panel)) {
                    $remedies[] = Remedy::move(
                        sprintf('Move %s to %s', $rig->rig->label($circuit), $panel->label()),
                        'it charges on shore only',
                        $circuit,
                        $panel->id,
                    );
                }
            }
        }
        if ($inverter instanceof InverterCharger) {
            $remedies[] = new Remedy("Take {$converter->label()} out", 'the inverter/charger charges', ['kind' => 'plan_remove', 'component' => $converter->id]);
        }
        if ($rig->graph->instructions === [] && $circuit !== null) {
            $remedies[] = new Remedy("Switch {$rig->rig->label($circuit)} off by hand when inverting", 'fails by forgetting', [
                'kind' => 'plan_fit', 'id' => 'switch_converter_off', 'component' => [
                    'type' => 'instruction', 'label' => 'Converter off when inverting', 'device' => $converter->values->text('plug') !== '' ? $converter->id : $circuit, 'while' => 'inverting',
                ],
            ]);
        }

        return $remedies;
    }
}
