<?php

declare(strict_types=1);

namespace Hollin\Core\Energy;

use Hollin\Core\Needs\Needed;
use Hollin\Core\Rules\Examination;

/** What of the day runs in each usual state, and which energy is missing to what does not. */
final class InStates
{
    /**
     * @param list<Needed> $loads
     * @return list<array{state: string, letter: string, title: string,
     *      missing: list<array{load: string, label: string, energy: string}>}>
     */
    public static function of(Examination $rig, array $loads): array
    {
        $house = House::battery($rig)->id ?? '';
        $said = [];
        foreach ($rig->named as $id => $state) {
            if ($state->group !== 'usual') {
                continue;
            }
            $wiring = new Wiring($rig->settled[$id]);
            $missing = [];
            foreach ($loads as $load) {
                $energy = self::missing($load, $wiring, $house);
                if ($energy !== '') {
                    $missing[] = ['load' => $load->id, 'label' => $load->label(), 'energy' => $energy];
                }
            }
            $said[] = [
                'state' => (string) $id,
                'letter' => $state->letter,
                'title' => $state->title,
                'missing' => $missing,
            ];
        }

        return $said;
    }

    /** What it has not: 120 V, 12 V, or the 12 V of a gas appliance; empty where it runs. */
    private static function missing(Needed $load, Wiring $wiring, string $house): string
    {
        $house = self::isUp($wiring->railOf[$house] ?? null, $wiring);
        if ($load->isAlternating()) {
            $source = $load->at() === '' ? $wiring->anySource() : $wiring->sourceOn($load->at());
            if ($source === null) {
                return '120 V';
            }
        } else {
            $rail = $load->at() === '' ? null : $wiring->railOfPart($load->at());
            if ($rail === null ? !$house : !self::isUp($rail, $wiring)) {
                return self::direct($load, '12 V');
            }
        }

        return $load->also12W() > 0 && !$house ? self::direct($load, 'its own 12 V') : '';
    }

    /** A gas appliance burns nothing without its 12 V: that is what it misses. */
    private static function direct(Needed $load, string $else): string
    {
        return $load->fuel() === '' ? $else : "12 V to burn {$load->fuel()}";
    }

    /** Whether a battery that gives, or a charger, stands on a pair of rails. */
    private static function isUp(?string $rail, Wiring $wiring): bool
    {
        if ($rail === null) {
            return false;
        }
        foreach ($wiring->railOf as $battery => $on) {
            if ($on === $rail && !isset($wiring->noDischarge[$battery])) {
                return true;
            }
        }

        return isset($wiring->chargers[$rail]);
    }
}
