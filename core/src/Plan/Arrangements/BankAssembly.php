<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Battery\DcFuse;
use Hollin\Core\Components\Battery\FrameBond;
use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Rig;
use stdClass;

/** The bank and its chain: fuse, disconnect, bars, shunt, leads. */
final class BankAssembly
{
    /**
     * Takes the old bank out and fits bank, fuse, disconnect, shunt, bars and leads; what landed on
     * the old bank lands on the bars.
     *
     * @return list<stdClass>
     */
    public static function of(Rig $rig, Options $o): array
    {
        $changes = [];
        $lfp = $o->text('chemistry') === 'lfp';
        $run = $o->surveyed('dcRunM');
        $cable = fn(float $metres, string $basis = ''): stdClass => (object) [
            'size' => (object) ['value' => $o->text('dcSize'), 'basis' => 'told'],
            'lengthM' => (object) ['value' => round($metres, 2), 'basis' => $basis === '' ? $run->basis : $basis],
            'sheath' => 'fine',
        ];
        // Fuse, disconnect and bars stand by the battery; what is left is the long run to the unit.
        $toFuse = $o->surveyed('fuseRunM', round(min(0.15, 0.1 * $run->value), 2));
        if (!isset($o->raw->fuseRunM)) {
            // A share of the run is known as well as the run is.
            $toFuse->basis = $run->basis;
        }
        $near = min(0.3, 0.2 * $run->value);
        $long = $run->value - $toFuse->value - 2 * $near;
        if ($long < 0.01) {
            throw new NotPossible(
                sprintf(
                    'The fuse stands %g m from the battery, and the inverter %g m: give the length of the whole run, ' .
                        'or put the fuse nearer to the battery.',
                    $toFuse->value,
                    $run->value,
                ),
            );
        }
        $bmsA = $o->surveyed('bmsContinuousA', min(200.0, $o->number('unitAh')));
        $side = new HouseSide($rig);
        foreach ($rig->all(Bank::class) as $old) {
            if ($side->isEngines($old)) {
                continue;
            }
            foreach ($rig->components as $id => $part) {
                $ends = match (true) {
                    $part instanceof Lead => ['from' => $part->from(), 'to' => $part->to()],
                    $part instanceof FrameBond => ['from' => $part->values->text('from')],
                    default => [],
                };
                foreach ($ends as $end => $terminal) {
                    if (in_array($terminal, $old->leadTerminals(), true)) {
                        $bar = str_ends_with($terminal, '.pos') ? 'pos_bar.stud' : 'neg_bar.stud';
                        $changes[] = Changes::move($id, "/{$end}", $bar, 'the old bank comes out');
                    }
                }
            }
            $changes[] = Changes::remove($old->id, 'replaced by the new bank');
        }
        array_push(
            $changes,
            Changes::fit(
                'bank',
                [
                    'type' => 'battery_bank',
                    'label' => 'Bank',
                    'chemistry' => $o->text('chemistry'),
                    'unitV' => $o->number('unitV', $lfp ? 12.8 : 12),
                    'unitAh' => $o->surveyed('unitAh'),
                    'series' => (int) $o->number('series'),
                    'parallel' => (int) $o->number('parallel'),
                ] +
                    ($lfp
                        ? [
                            'bmsContinuousA' => $bmsA,
                            'bmsPeakA' => $o->surveyed('bmsPeakA', 2 * $bmsA->value),
                        ]
                        : []),
            ),
            Changes::fit('main_fuse', [
                'type' => 'dc_fuse',
                'label' => 'Main fuse',
                'family' => $o->text('fuseFamily'),
                'ratingA' => $o->surveyed('fuseA'),
            ]),
            Changes::fit('disconnect', [
                'type' => 'dc_switch',
                'label' => 'Battery disconnect',
                'ratingA' => (object) ['value' => 600, 'basis' => 'told'],
                'prechargeOhm' => 25,
            ]),
            Changes::fit('pos_bar', [
                'type' => 'bus_bar',
                'label' => 'Positive bar',
                'pole' => 'positive',
                'ratingA' => 600,
            ]),
            Changes::fit('neg_bar', [
                'type' => 'bus_bar',
                'label' => 'Negative bar',
                'pole' => 'negative',
                'ratingA' => 600,
            ]),
            Changes::fit('shunt', ['type' => 'shunt', 'label' => 'Shunt', 'ratingA' => 500]),
            Changes::lead(
                'ld_bank_fuse',
                'Bank to fuse',
                'bank.pos',
                'main_fuse.in',
                'positive',
                $cable($toFuse->value, $toFuse->basis),
            ),
            Changes::lead(
                'ld_fuse_disc',
                'Fuse to disconnect',
                'main_fuse.out',
                'disconnect.in',
                'positive',
                $cable($near),
            ),
            Changes::lead(
                'ld_disc_bar',
                'Disconnect to bar',
                'disconnect.out',
                'pos_bar.stud',
                'positive',
                $cable($near),
            ),
            Changes::lead('ld_bar_inv', 'Bar to inverter', 'pos_bar.stud', 'inverter.pos', 'positive', $cable($long)),
            Changes::lead(
                'ld_bank_shunt',
                'Bank to shunt',
                'bank.neg',
                'shunt.battery',
                'negative',
                $cable($toFuse->value + $near),
            ),
            Changes::lead('ld_shunt_bar', 'Shunt to bar', 'shunt.load', 'neg_bar.stud', 'negative', $cable($near)),
            Changes::lead(
                'ld_bar_inv_neg',
                'Bar to inverter',
                'neg_bar.stud',
                'inverter.neg',
                'negative',
                $cable($long),
            ),
        );
        // What hung on the old battery behind a small device keeps one of its own, right at the bar.
        foreach ($rig->all(Lead::class) as $lead) {
            foreach ($rig->all(Bank::class) as $old) {
                if (!$lead->isPositive() || $lead->from() !== "{$old->id}.pos") {
                    continue;
                }
                $short = (object) [
                    'size' => (object) ['value' => 'awg:4', 'basis' => 'told'],
                    'lengthM' => (object) ['value' => 0.15, 'basis' => 'told'],
                    'sheath' => 'fine',
                ];
                $fuse = $rig->find(explode('.', $lead->to())[0]);
                if ($fuse instanceof DcFuse) {
                    $changes[] = Changes::set($lead->id, '/cable', $short, 'the fuse sits right at the bar');
                    $changes[] = Changes::set(
                        $fuse->id,
                        '/family',
                        'mrbf',
                        'a thermal breaker cannot break what the new bank delivers',
                    );
                    continue;
                }
                $changes[] = Changes::fit("{$lead->id}_fuse", [
                    'type' => 'dc_fuse',
                    'label' => $lead->label() . ' fuse',
                    'family' => 'mrbf',
                    'ratingA' => (object) ['value' => 60, 'basis' => 'told'],
                ]);
                $changes[] = Changes::lead(
                    "{$lead->id}_tap",
                    'Bar to fuse',
                    'pos_bar.stud',
                    "{$lead->id}_fuse.in",
                    'positive',
                    $short,
                );
                $changes[] = Changes::move(
                    $lead->id,
                    '/from',
                    "{$lead->id}_fuse.out",
                    'it gets its own fuse at the bar',
                );
            }
        }
        if ($rig->all(FrameBond::class) === []) {
            $changes[] = Changes::fit('dc_frame_bond', [
                'type' => 'frame_bond',
                'label' => 'DC negative to frame',
                'from' => 'neg_bar.stud',
                'cable' => $cable(0.3 * $run->value),
            ]);
        }

        return $changes;
    }
}
