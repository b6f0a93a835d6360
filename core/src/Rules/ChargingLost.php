<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Battery;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/** A supply is present and nothing charges the bank. */
final class ChargingLost implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'charging_lost',
            Severity::Warning,
            'No charging on shore',
            'The rig is plugged into a good supply and nothing charges the bank: it runs down while plugged in.',
            Source::commonPractice(),
            [
                Sample::found(
                    'converter out and the charger set to nothing',
                    Sample::choose('in_line', ['converter' => 'removed', 'chargerA' => 0]),
                ),
                Sample::found('the converter\'s lead lifted', ['kind' => 'survey_remove', 'component' => 'ld_conv']),
                Sample::silent('the inverter/charger charges', Sample::choose('in_line', ['converter' => 'removed'])),
                Sample::silent('as found'),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->batteries as $bank) {
            // An engine's own battery is its engine's to charge.
            if (self::isEngines($rig, $bank)) {
                continue;
            }
            $lost = [];
            foreach ($rig->settled as $state => $settled) {
                // A management that holds it off does so on purpose.
                $held = $bank->switch !== null && $settled->positions[$bank->switch] !== 'on';
                if ($held || !self::suppliedFromOutside($rig, $settled->situation)) {
                    continue;
                }
                $charging = array_filter(
                    array_keys($settled->situation->charging()),
                    fn(string $id): bool => $rig->graph->sources[$id]->limitA > 0 &&
                        $settled->situation->joined($rig->graph->sources[$id]->a, $bank->pos),
                );
                if ($charging === []) {
                    $lost[$state] = $rig->named[$state]->title;
                }
            }
            if ($lost !== []) {
                $hits[$bank->component] ??= new Hit(
                    $bank->component,
                    sprintf(
                        'Plugged in (%s), nothing charges %s.',
                        implode(', ', $lost),
                        $rig->graph->label($bank->component),
                    ),
                    [$bank->component],
                    remedies: [
                        Remedy::option('Leave the converter where it is', 'it charges on shore', 'converter', 'left'),
                        Remedy::option(
                            'Move the converter ahead of the transfer point',
                            'it charges on shore and never from the battery',
                            'converter',
                            'ahead',
                        ),
                        Remedy::option(
                            'Replace the converter by one that suits',
                            'it charges on shore',
                            'converter',
                            'replaced',
                        ),
                    ],
                    severity: self::isChargedElse($rig, $bank) ? Severity::Advice : Severity::Warning,
                    state: array_key_first($lost),
                );
            }
        }

        return array_values($hits);
    }

    /**
     * Whether a good pedestal or a running generator reaches the rig's circuits: what a surge unit keeps out does not.
     */
    private static function suppliedFromOutside(Examination $rig, Situation $situation): bool
    {
        foreach ($situation->acSources() as $id => [$hot]) {
            if (
                $situation->quality($id) !== 'good' ||
                !isset($rig->graph->supplies[$rig->graph->sources[$id]->component])
            ) {
                continue;
            }
            foreach ($rig->graph->circuits as $end) {
                if ($situation->root($end->hot) === $hot) {
                    return true;
                }
            }
        }

        return false;
    }

    /** Whether a battery stands at an alternator whatever is switched. */
    private static function isEngines(Examination $rig, Battery $battery): bool
    {
        $wired = fn(Element $e): bool => Walk::direct($e) && $e->device === null;
        foreach ($rig->graph->shafts as $shaft) {
            if (array_key_exists($shaft->pos, Walk::reach($rig->graph, [$battery->pos], $wired))) {
                return true;
            }
        }

        return false;
    }

    /** Whether sun, engine or another battery charges it, and shore never does: so it was meant. */
    private static function isChargedElse(Examination $rig, Battery $battery): bool
    {
        $else = false;
        foreach ($rig->settled as $settled) {
            $now = $settled->situation;
            foreach ($rig->graph->converters as $id => $unit) {
                if (!$unit->charges() || !in_array($battery->id, $now->batteriesAt(...$unit->output), true)) {
                    continue;
                }
                if (isset($now->charging()[$id])) {
                    return false;
                }
                $else = $else || isset($now->givingDirect()[$id]);
            }
        }

        return $else;
    }
}
