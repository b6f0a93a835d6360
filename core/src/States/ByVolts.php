<?php

declare(strict_types=1);

namespace Hollin\Core\States;

use Hollin\Core\Network\VoltContact;

/**
 * Where contacts that go by volts stand in a setting, as far as connectivity tells: by what charges at their terminals
 * and by the rest volts of the batteries there. What currents do to those volts is for a load flow (Operation\Rest).
 */
final class ByVolts
{
    /** A setting settled with every such contact where it wants to be. */
    public static function settled(Engine $engine, Setting $setting, string $charge = 'half'): Settled
    {
        $contacts = $engine->network->graph->voltContacts;
        $settled = $engine->settle($setting);
        for ($round = 0; $round <= 2 * count($contacts); $round++) {
            $moved = $setting;
            foreach ($contacts as $contact) {
                $at = $settled->positions[$contact->device];
                $wants = self::wish($contact, $settled, $charge);
                $moved = $wants === $at ? $moved : $moved->with($contact->device, $wants);
            }
            if ($moved === $setting) {
                break;
            }
            $setting = $moved;
            $settled = $engine->settle($setting, $settled->positions);
        }

        return $settled;
    }

    /** The position a contact wants by connectivity alone; the one it has where nothing tells. */
    private static function wish(VoltContact $contact, Settled $settled, string $charge): string
    {
        return $contact->wish(
            array_map(
                fn(array $at): float => self::volts($settled->situation, $at[0], $at[1], $charge),
                $contact->senses,
            ),
            $settled->positions,
        );
    }

    /** The highest volts that something holds or a battery rests at between two terminals; 0 for nothing. */
    public static function volts(Situation $situation, string $pos, string $neg, string $charge): float
    {
        $volts = 0.0;
        foreach ($situation->batteriesAt($pos, $neg) as $id) {
            $volts = max($volts, $situation->network->graph->batteries[$id]->restV($charge));
        }
        $giving = $situation->charging() + $situation->givingDirect();
        foreach ($situation->network->graph->converters as $id => $unit) {
            if (isset($giving[$id]) && $situation->paired([$pos, $neg], $unit->output)) {
                $volts = max($volts, $unit->holdsV);
            }
        }

        return $volts;
    }
}
