<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Rig;
use stdClass;

/** What becomes of the factory converter. */
final class ConverterFate
{
    /**
     * What becomes of the factory converter; "ahead" is the arrangement's own affair.
     *
     * @param string $coilPort of the inverter that a lock-out's coil hangs on: the contact that follows inverting, or a
     *      stand-alone unit's output
     * @return list<stdClass>
     */
    public static function of(Rig $rig, Options $options, string $coilPort = 'follow'): array
    {
        [$converter, $circuit] = FoundParts::converter($rig);
        if ($converter === null) {
            return [];
        }

        return match ($options->converter()) {
            'removed' => self::takenOut($rig, $converter, $circuit),
            'by_hand' => self::switchedOff($converter, $circuit),
            'contactor' => self::lockOut($rig, $converter, $circuit, 'nc', $coilPort),
            'contactor_safe' => self::lockOut($rig, $converter, $circuit, 'no', ''),
            'lifted' => self::lifted($rig, $converter),
            'replaced' => [
                Changes::set(
                    $converter->id,
                    '/label',
                    sprintf('Converter %g A for lithium', $converter->outputA()),
                    'replaced by one suited to the chemistry',
                ),
                Changes::set($converter->id, '/profile', 'lithium', 'replaced by one suited to the chemistry'),
                Changes::set($converter->id, '/outputV', 14.4, 'replaced by one suited to the chemistry'),
            ],
            default => [],
        };
    }

    /**
     * A contactor between the converter's breaker and the converter.
     *
     * @return list<stdClass>
     */
    private static function lockOut(
        Rig $rig,
        Converter $converter,
        ?Circuit $circuit,
        string $contact,
        string $port,
    ): array {
        $coil =
            $contact === 'nc'
                ? ['at' => 'inverter', 'port' => $port]
                : ['at' => FoundParts::inlet($rig)->id, 'port' => 'out'];
        $plug = $converter->values->text('plug');
        $feed = $circuit ?? $rig->find($plug);
        if (!($feed instanceof Circuit)) {
            throw new NotPossible('The survey does not say which circuit feeds the converter: say so first.');
        }
        $changes = [
            Changes::fit('lock_out', [
                'type' => 'contactor',
                'label' => $contact === 'nc' ? 'Converter lock-out' : 'Converter contactor',
                'contact' => $contact,
                'coil' => (object) $coil,
                'coilW' => (object) ['value' => 5, 'basis' => 'assumed'],
                'ratingA' => 20,
                'lamp' => $contact === 'nc' ? 'none' : 'output',
            ]),
            Changes::set(
                $feed->id,
                '/feeds',
                (object) ['at' => 'lock_out', 'port' => 'in'],
                'the converter\'s feed goes through the contactor',
            ),
        ];
        if ($plug === '') {
            $changes[] = Changes::fit('lock_out_feed', [
                'type' => 'feeder',
                'label' => 'Contactor to converter',
                'from' => (object) ['at' => 'lock_out', 'port' => 'out'],
                'to' => (object) ['at' => $converter->id, 'port' => 'ac_in'],
                'cable' => (object) Changes::branchCable('awg:14', 1.0),
            ]);

            return $changes;
        }
        $changes[] = Changes::fit('converter_outlet', [
            'type' => 'circuit',
            'label' => 'Converter outlet',
            'hot' => (object) ['at' => 'lock_out', 'port' => 'out'],
            'neutral' => (object) ['at' => 'lock_out', 'port' => 'out'],
            'cable' => (object) Changes::branchCable('awg:14', 1.0),
            'gfci' => 'none',
            'place' => 'fixed',
        ]);
        $changes[] = Changes::move($converter->id, '/plug', 'converter_outlet', 'plugged in behind the contactor');

        return $changes;
    }

    /** @return list<stdClass> the converter's positive lead taken off; idle loss remains */
    private static function lifted(Rig $rig, Converter $converter): array
    {
        $changes = [];
        foreach ($rig->all(Lead::class) as $lead) {
            if ($lead->isPositive() && in_array("{$converter->id}.pos", [$lead->from(), $lead->to()], true)) {
                $changes[] = Changes::remove(
                    $lead->id,
                    'lifted, insulated and labelled; it may also have fed the 12 V panel',
                );
            }
        }

        return $changes;
    }

    /**
     * Converter out, its leads with it; its circuit stays on its breaker, capped and without a load.
     *
     * @return list<stdClass>
     */
    public static function takenOut(Rig $rig, Converter $converter, ?Circuit $circuit): array
    {
        $changes = [];
        foreach ($rig->all(Lead::class) as $lead) {
            if (
                in_array($lead->from(), $converter->leadTerminals(), true) ||
                in_array($lead->to(), $converter->leadTerminals(), true)
            ) {
                $changes[] = Changes::remove($lead->id, 'its converter comes out');
            }
        }
        if ($circuit !== null) {
            $changes[] = Changes::remove($circuit->id, 'its converter comes out; cap the cable and label it');
        }
        $changes[] = Changes::remove($converter->id, 'the inverter/charger charges instead');

        return $changes;
    }

    /** @return list<stdClass> */
    public static function switchedOff(Converter $converter, ?Circuit $circuit): array
    {
        return [
            Changes::fit('switch_converter_off', [
                'type' => 'instruction',
                'label' => 'Converter off when inverting',
                'device' => $circuit !== null ? $circuit->id : $converter->id,
                'while' => 'inverting',
            ]),
        ];
    }
}
