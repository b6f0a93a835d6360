<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Reference\Source;

/** Automatic devices that do not come to rest, or end differently depending on what was before. */
final class Restless implements RigRule
{
    public static function definition(): Definition
    {
        $ownInput = Sample::set('inverter_feed', '/hot', ['panel' => 'inverter_panel', 'slot' => 4]);

        return new Definition(
            'restless',
            Severity::Warning,
            'Switches back and forth by itself',
            'Automatic devices keep switching (hunting), race each other, or end up differently depending on ' .
                'which state came before. What such a rig does cannot be promised to anybody.',
            Source::commonPractice(),
            [
                Sample::found(
                    'a contactor whose coil hangs on its own output',
                    Sample::add('lock', [
                        'type' => 'contactor',
                        'label' => 'Lock-out',
                        'contact' => 'nc',
                        'coil' => ['at' => 'lock', 'port' => 'out'],
                        'coilW' => 5,
                        'ratingA' => 20,
                    ]),
                    Sample::survey('c_converter', '/feeds', ['at' => 'lock', 'port' => 'in']),
                    Sample::add('lock_out', [
                        'type' => 'feeder',
                        'label' => 'Lock-out to converter',
                        'from' => ['at' => 'lock', 'port' => 'out'],
                        'to' => ['at' => 'converter', 'port' => 'ac_in'],
                        'cable' => ['size' => 'awg:14', 'lengthM' => 1],
                    ]),
                ),
                Sample::silent('one inverter/charger, wired as usual', Sample::choose('in_line')),
                Sample::silent(
                    'an inverter/charger fed from its own output does not see itself as shore',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                    $ownInput,
                ),
            ],
        );
    }

    /** Combinations of positions that are started from. */
    private const MOST_STARTS = 81;

    public function hits(Examination $rig): array
    {
        $hits = [];
        $starts = $this->starts($rig);
        foreach ($rig->named as $id => $state) {
            $ends = [];
            foreach ($starts as $start) {
                $settled = $rig->engine->settle($state->setting, $start);
                // What never rests has no end to compare.
                if ($settled->trouble === []) {
                    $ends[json_encode(array_intersect_key($settled->positions, $rig->engine->automatic()))] = true;
                }
                foreach ($settled->trouble as $trouble) {
                    $hits["{$trouble}"] = new Hit(
                        preg_replace('/[\d.]+/', '', $trouble) . "|{$id}",
                        sprintf('In "%s": %s.', $state->title, $trouble),
                        array_values(
                            array_unique(array_map(fn($d): string => $d->component, $rig->engine->automatic())),
                        ),
                        state: $id,
                    );
                }
            }
            if (count($ends) > 1) {
                $hits["history|{$id}"] = new Hit(
                    "history|{$id}",
                    sprintf(
                        'In "%s" the rig ends up in %d different ways, depending on what was before.',
                        $state->title,
                        count($ends),
                    ),
                    array_values(array_unique(array_map(fn($d): string => $d->component, $rig->engine->automatic()))),
                    title: 'Depends on history',
                    state: $id,
                );
            }
        }

        return array_values($hits);
    }

    /** @return list<array<string, string>> every combination of positions of the automatic devices, up to a bound */
    private function starts(Examination $rig): array
    {
        $starts = [];
        $devices = array_reverse($rig->engine->automatic(), true);
        for ($number = 0; $number < self::MOST_STARTS; $number++) {
            $rest = $number;
            $start = [];
            foreach ($devices as $id => $device) {
                $positions = $device->positionNames();
                $start[$id] = $positions[$rest % count($positions)];
                $rest = intdiv($rest, count($positions));
            }
            if ($rest > 0) {
                break;
            }
            $starts[] = $start;
        }

        return $starts;
    }
}
