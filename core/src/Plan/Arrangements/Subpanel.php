<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** Inverter/charger on a main-panel breaker, feeding a subpanel with chosen circuits. */
final class Subpanel implements Arrangement
{
    public static function id(): string
    {
        return 'subpanel';
    }

    public static function title(): string
    {
        return 'On a main-panel breaker, feeding a subpanel';
    }

    public static function gains(): string
    {
        return 'Heavy loads stay off the battery; each circuit keeps its breaker.';
    }

    public static function risks(): string
    {
        return 'A hot moved without its neutral; GFCI protection left behind; box fill at the splices; the ' .
            'directory must change.';
    }

    public static function options(): array
    {
        return [
            'circuits' => Field::map('Circuits the inverter feeds', []),
            'feedA' => Field::integer('Breaker that feeds the inverter/charger, A', 15, 50)->usual(30),
            'slots' => Field::integer('Slots of the subpanel', 2, 24)->usual(6),
        ] + Options::common();
    }

    public function changes(Rig $rig, Options $options): array
    {
        $panel = FoundParts::mainPanel($rig);
        [, $converterCircuit] = FoundParts::converter($rig);
        $feedA = (int) $options->number('feedA');
        $moving = [];
        foreach ($options->circuits() as $id) {
            $circuit = $rig->find($id);
            if (!($circuit instanceof Circuit)) {
                throw new NotPossible(sprintf('There is no circuit "%s" to move.', $id));
            }
            // What hangs behind another circuit's GFCI moves with that circuit.
            if ($circuit->behind() === null) {
                $moving[$id] = $circuit;
            }
        }
        // A converter that stays with the shore, or comes out, is not moved first.
        if ($converterCircuit !== null && in_array($options->converter(), ['ahead', 'removed'], true)) {
            unset($moving[$converterCircuit->id]);
        }
        $slots = max((int) $options->number('slots'), count($moving) + 1);
        $changes = [...Units::inverter($options), ...BankAssembly::of($rig, $options)];
        $changes[] = Changes::fit('inverter_panel', [
            'type' => 'panel',
            'label' => 'Inverter panel',
            'role' => 'sub',
            'slots' => $slots,
            'tandem' => true,
            'bondScrew' => (object) ['value' => false, 'basis' => 'told'],
            'bondedToFrame' => (object) ['value' => true, 'basis' => 'told'],
        ]);
        $free = self::freeSlots($rig, $panel, $moving);
        if ($free === []) {
            throw new NotPossible(
                sprintf(
                    '%s has no slot for the breaker that feeds the inverter/charger: move at least one circuit off it.',
                    $panel->label(),
                ),
            );
        }
        $slot = 0;
        foreach ($moving as $circuit) {
            array_push($changes, ...Changes::moveCircuit($circuit, 'inverter_panel', ++$slot));
        }
        $changes[] = Changes::fit('inverter_feed', [
            'type' => 'circuit',
            'label' => 'Inverter/charger feed',
            'hot' => (object) $free[0],
            'neutral' => (object) ['panel' => $panel->id],
            'breakerA' => (object) ['value' => $feedA, 'basis' => 'told'],
            'cable' => (object) Changes::branchCable(Changes::sizeFor($feedA), 2.0),
            'gfci' => 'none',
            'place' => 'fixed',
            'feeds' => (object) ['at' => 'inverter', 'port' => 'ac_in'],
        ]);
        $changes[] = Changes::fit('inverter_out', [
            'type' => 'feeder',
            'label' => 'Inverter to its panel',
            'from' => (object) ['at' => 'inverter', 'port' => 'ac_out'],
            'to' => (object) ['at' => 'inverter_panel', 'port' => 'line'],
            'cable' => (object) Changes::branchCable(Changes::sizeFor($feedA), 2.0),
        ]);
        array_push($changes, ...ConverterFate::of($rig, $options));

        return $changes;
    }

    /**
     * @param array<string, Circuit> $moving
     * @return list<array<string, int|string>> hot landings free in the panel once the moving circuits are gone
     */
    private static function freeSlots(Rig $rig, Panel $panel, array $moving): array
    {
        $taken = [$panel->values->integer('mainSlot') => true];
        foreach ($rig->all(Circuit::class) as $circuit) {
            if ($circuit->hotPanel() === $panel->id && !isset($moving[$circuit->id])) {
                $taken[$circuit->slot()] = true;
            }
        }
        $free = [];
        for ($slot = 1; $slot <= $panel->slots(); $slot++) {
            if (!isset($taken[$slot])) {
                $free[] = ['panel' => $panel->id, 'slot' => $slot];
            }
        }

        return $free;
    }
}
