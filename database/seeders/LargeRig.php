<?php

declare(strict_types=1);

namespace Database\Seeders;

use Hollin\Core\Intent\Intents;
use stdClass;

/**
 * The largest demo rig with more of everything, to measure with: switches on the battery side, panels full of circuits.
 */
final class LargeRig
{
    private const SLOTS = 12;

    public static function document(int $switches, int $panels): stdClass
    {
        $document = DemoRigs::document('tideline');
        foreach ([...self::panels($panels), ...self::switches($switches)] as $id => $component) {
            $intent = ['kind' => 'survey_add', 'id' => $id, 'component' => $component];
            $document = Intents::apply(
                $document,
                json_decode((string) json_encode($intent), false, 32, JSON_THROW_ON_ERROR),
            )->document;
        }

        return $document;
    }

    /** @return array<string, array<string, mixed>> subpanels on the inlet, each full of tandem breakers */
    private static function panels(int $count): array
    {
        $read = fn(mixed $value): array => ['value' => $value, 'basis' => 'read_off'];
        $parts = [];
        for ($p = 1; $p <= $count; $p++) {
            $panel = "more_{$p}";
            $parts[$panel] = [
                'type' => 'panel',
                'label' => "Panel {$p}",
                'role' => 'sub',
                'slots' => self::SLOTS,
                'tandem' => true,
                'mainA' => 30,
                'mainSlot' => 1,
                'bondScrew' => $read(false),
                'bondedToFrame' => $read(true),
            ];
            $parts["{$panel}_feed"] = [
                'type' => 'feeder',
                'label' => "To panel {$p}",
                'from' => ['at' => 'inlet', 'port' => 'out'],
                'to' => ['at' => $panel, 'port' => 'line'],
                'cable' => ['size' => 'awg:10', 'lengthM' => 3],
            ];
            for ($slot = 2; $slot <= self::SLOTS; $slot++) {
                foreach (['a', 'b'] as $half) {
                    $parts["{$panel}_{$slot}{$half}"] = [
                        'type' => 'circuit',
                        'label' => "Circuit {$p}.{$slot}{$half}",
                        'hot' => ['panel' => $panel, 'slot' => $slot, 'half' => $half],
                        'neutral' => ['panel' => $panel],
                        'breakerA' => 15,
                        'cable' => ['size' => 'awg:14', 'lengthM' => 5],
                        'gfci' => 'none',
                        'place' => 'general',
                        'loads' => ['one' => ['label' => 'Load', 'watts' => 200, 'kind' => 'resistive']],
                    ];
                }
            }
        }

        return $parts;
    }

    /**
     * @return array<string, array<string, mixed>> switches from the battery, every third to the 12 V panel, the others
     *      to a pump of its own
     */
    private static function switches(int $count): array
    {
        $lead = fn(string $from, string $to, string $pole = 'positive'): array => [
            'type' => 'lead',
            'label' => "{$from} to {$to}",
            'from' => $from,
            'to' => $to,
            'pole' => $pole,
            'cable' => ['size' => 'awg:10', 'lengthM' => 1],
        ];
        $parts = [];
        for ($i = 1; $i <= $count; $i++) {
            $parts["switch_{$i}"] = ['type' => 'dc_switch', 'label' => "Switch {$i}", 'ratingA' => 200];
            $parts["switch_{$i}_in"] = $lead('house.pos', "switch_{$i}.in");
            if ($i % 3 === 0) {
                $parts["switch_{$i}_out"] = $lead("switch_{$i}.out", 'dc_panel.pos');
                continue;
            }
            $parts["pump_{$i}"] = ['type' => 'dc_load', 'label' => "Pump {$i}", 'use' => 'other', 'amps' => 4];
            $parts["switch_{$i}_out"] = $lead("switch_{$i}.out", "pump_{$i}.pos");
            $parts["pump_{$i}_neg"] = $lead('dc_panel.neg', "pump_{$i}.neg", 'negative');
        }

        return $parts;
    }
}
