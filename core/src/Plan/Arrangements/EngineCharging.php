<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Charging\TowPlug;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;

/** The house battery charged from the engine: by a relay, or by a DC-DC charger. */
final class EngineCharging implements Addition
{
    public static function id(): string
    {
        return 'charge_engine';
    }

    public static function family(): string
    {
        return 'engine';
    }

    public static function title(): string
    {
        return 'Charging from the engine';
    }

    public static function gains(): string
    {
        return 'Every hour on the road fills the house battery.';
    }

    public static function risks(): string
    {
        return 'A relay passes whatever the batteries pull, and stays open on an alternator that lowers its volts; a ' .
            'DC-DC charger needs a wire that brings its power. A line between two batteries is fed from both ends.';
    }

    public static function options(): array
    {
        return [
            'school' => Field::choice('By', [
                'dcdc' => 'DC-DC charger: own limit and profile, whatever the alternator does',
                'relay' => 'relay: cheap and strong, for like batteries on an alternator that holds its volts',
            ])->usual('dcdc'),
            'outputA' => Field::number('DC-DC charger, output', 'A', 5, 120)->usual(30)->only('school', 'dcdc'),
            'profile' => Field::choice('Its profile', [
                'chosen' => 'set to the bank',
                'lead' => 'lead',
                'lithium' => 'lithium',
            ])
                ->usual('chosen')
                ->only('school', 'dcdc'),
            'closesV' => Field::number('Relay closes at', 'V', 12.5, 29)->usual(13.3)->only('school', 'relay'),
            'opensV' => Field::number('Relay opens at', 'V', 12, 28)->usual(12.8)->only('school', 'relay'),
        ] + ChargingOptions::line('awg:6', 50, 6.0);
    }

    public function changes(Rig $rig, Options $options): array
    {
        $side = new HouseSide($rig);
        $engine = $side->engine() ?? throw new NotPossible('The survey has no engine: add its alternator first.');
        $starter =
            $side->engineBank() ??
            throw new NotPossible('The survey does not say which battery the alternator is on: add it first.');
        $house = $side->bank();
        $near = ChargingOptions::nearM($options);
        $run = (float) $options->surveyed('runM')->value;
        $cable = fn(float $m): \stdClass => ChargingOptions::cable($options, $m);
        $dcdc = $options->text('school') === 'dcdc';
        $unit = $dcdc ? 'dcdc' : 'charge_relay';
        [$in, $out] = $dcdc ? ["{$unit}.in_pos", "{$unit}.pos"] : ["{$unit}.a", "{$unit}.b"];
        $plug = array_values($rig->all(TowPlug::class))[0] ?? null;
        [$from, $back] =
            $plug === null ? ["{$starter->id}.pos", "{$starter->id}.neg"] : ["{$plug->id}.pos", "{$plug->id}.neg"];
        $changes = [
            ...$side->withoutJoining('separator', 'dcdc_charger'),
            // A trailer's old line from the plug to a battery comes out: the new one takes its place.
            ...$plug === null ? [] : $this->oldLine($rig, $plug),
            ChargingOptions::protection('engine_fuse', 'Charge line', $options),
            ChargingOptions::protection('house_charge_fuse', 'Charge line, house end', $options),
            $dcdc
                ? Changes::fit($unit, [
                    'type' => 'dcdc_charger',
                    'label' => 'DC-DC charger',
                    'outputA' => $options->surveyed('outputA'),
                    'outputV' => $house->ratedV() > 20 ? 28.4 : 14.4,
                    'inputNominalV' => $starter->ratedV() > 20 ? 24 : 12,
                    'efficiency' => (object) ['value' => 0.9, 'basis' => 'assumed'],
                    'cutsInV' => $starter->ratedV() > 20 ? 21 : 10.5,
                    'profile' => $options->text('profile'),
                    'ignition' => $engine->id,
                ])
                : Changes::fit($unit, [
                    'type' => 'separator',
                    'label' => 'Charging relay',
                    'ratingA' => (object) ['value' => 140, 'basis' => 'assumed'],
                    'by' => 'volts',
                    'closesV' => $options->surveyed('closesV'),
                    'opensV' => $options->surveyed('opensV'),
                    'closesAfterS' => 3,
                    'opensAfterS' => 10,
                ]),
            Changes::lead(
                'ld_engine_fuse',
                'Engine battery to fuse',
                $from,
                'engine_fuse.in',
                'positive',
                $cable($near),
            ),
            Changes::lead(
                'ld_engine_line',
                'Charge line',
                'engine_fuse.out',
                $in,
                'positive',
                $cable($run - 2 * $near - 0.5),
            ),
            Changes::lead(
                'ld_charge_out',
                "{$this->named($dcdc)} to house fuse",
                $out,
                'house_charge_fuse.out',
                'positive',
                $cable(0.5),
            ),
            Changes::lead(
                'ld_charge_house',
                'House fuse to house battery',
                'house_charge_fuse.in',
                $side->positive($house),
                'positive',
                $cable($near),
            ),
        ];
        $negative = $side->negative($house);
        if ($dcdc) {
            $changes[] = Changes::lead(
                'ld_engine_return',
                'Charge line, return',
                $back,
                "{$unit}.in_neg",
                'negative',
                $cable($run - 0.5),
            );
            $changes[] = Changes::lead(
                'ld_charge_return',
                'DC-DC charger, negative',
                "{$unit}.neg",
                $negative,
                'negative',
                $cable(0.5 + $near),
            );
        } else {
            $changes[] = Changes::lead(
                'ld_engine_return',
                'Charge line, return',
                $back,
                $negative,
                'negative',
                $cable($run),
            );
            $changes[] = Changes::lead(
                'ld_relay_sense',
                'Relay, negative',
                "{$unit}.neg",
                $negative,
                'negative',
                (object) [
                    'size' => 'awg:16',
                    'lengthM' => (object) ['value' => 0.5, 'basis' => 'assumed'],
                    'sheath' => 'single',
                ],
            );
        }

        return $changes;
    }

    /** @return list<\stdClass> */
    private function oldLine(Rig $rig, TowPlug $plug): array
    {
        $changes = [];
        foreach ($rig->all(Lead::class) as $lead) {
            if (in_array("{$plug->id}.pos", [$lead->from(), $lead->to()], true)) {
                $changes[] = Changes::remove($lead->id, 'the charge line goes through the charger');
            }
        }

        return $changes;
    }

    private function named(bool $dcdc): string
    {
        return $dcdc ? 'DC-DC charger' : 'Relay';
    }
}
