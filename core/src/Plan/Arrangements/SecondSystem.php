<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Battery\DcPanel;
use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Reference\Chemistry;

/** A battery system of its own beside the one there is: two switches, never one that passes through both. */
final class SecondSystem implements Addition
{
    public static function id(): string
    {
        return 'second_system';
    }

    public static function family(): string
    {
        return 'battery';
    }

    public static function title(): string
    {
        return 'A second battery system beside the first';
    }

    public static function gains(): string
    {
        return 'Lithium without giving up the lead there is; what lives hang on stays on the old one.';
    }

    public static function risks(): string
    {
        return 'Unlike batteries must never be joined, not even in passing; each charger reaches one of them; people ' .
            'must know which of two switches is which.';
    }

    public static function options(): array
    {
        return [
            'chemistry' => Field::choice(
                'New battery',
                array_combine(
                    array_map(fn(Chemistry $c): string => $c->value, Chemistry::cases()),
                    array_map(fn(Chemistry $c): string => $c->label(), Chemistry::cases()),
                ),
            )->usual('lfp'),
            'unitAh' => Field::number('Capacity of one battery', 'Ah', 20, 600)->usual(200),
            'parallel' => Field::integer('Batteries in parallel', 1, 6)->usual(1),
            'management' => Field::choice('Its management opens', [
                'together' => 'everything at once',
                'apart' => 'charging and discharging apart',
            ])
                ->usual('apart')
                ->only('chemistry', 'lfp'),
            'cold' => Field::choice('Charging below freezing', [
                'blocks' => 'its management stops it',
                'heats' => 'it warms its cells first',
                'none' => 'nothing stops it',
            ])
                ->usual('blocks')
                ->only('chemistry', 'lfp'),
            'master' => Field::choice('Its master switch', [
                'positive' => 'in the positive: usual',
                'negative' => 'in the negative: every positive stays live, every other negative path must be found',
            ])->usual('positive'),
            'panel' => Field::flag('It takes over the 12 V panel')->usual(true),
            'prechargeOhm' => Field::number('Fills capacitors first through', 'Ω', 1, 1000)
                ->optional()
                ->note('none where left out'),
        ] + ChargingOptions::line('awg:2', 150, 1.0);
    }

    public function changes(Rig $rig, Options $options): array
    {
        $o = $options;
        $lfp = $o->text('chemistry') === 'lfp';
        $near = ChargingOptions::nearM($o);
        $run = (float) $o->surveyed('runM')->value;
        $cable = fn(float $m): \stdClass => ChargingOptions::cable($o, $m);
        $negative = $o->text('master') === 'negative';
        $precharge = $o->values->numberOrNull('prechargeOhm');
        $managed = $lfp
            ? [
                'bmsContinuousA' => (object) ['value' => min(200, $o->number('unitAh')), 'basis' => 'assumed'],
                'management' => $o->text('management'),
                'cold' => $o->text('cold'),
            ]
            : [];
        $changes = [
            Changes::fit(
                'second_bank',
                [
                    'type' => 'battery_bank',
                    'label' => 'Second battery',
                    'chemistry' => $o->text('chemistry'),
                    'unitV' => $lfp ? 12.8 : 12,
                    'unitAh' => $o->surveyed('unitAh'),
                    'series' => 1,
                    'parallel' => (int) $o->number('parallel'),
                ] + $managed,
            ),
            Changes::fit('second_fuse', [
                'type' => 'dc_fuse',
                'label' => 'Second battery fuse',
                'family' => $lfp ? 'class_t' : 'mrbf',
                'ratingA' => $o->surveyed('fuseA'),
            ]),
            Changes::fit(
                'second_switch',
                [
                    'type' => 'dc_switch',
                    'label' => 'Second battery switch',
                    'ratingA' => (object) ['value' => 300, 'basis' => 'told'],
                ] + ($precharge === null ? [] : ['prechargeOhm' => $precharge]),
            ),
            Changes::fit('second_pos_bar', [
                'type' => 'bus_bar',
                'label' => 'Second positive bar',
                'pole' => 'positive',
                'ratingA' => 250,
            ]),
            Changes::fit('second_neg_bar', [
                'type' => 'bus_bar',
                'label' => 'Second negative bar',
                'pole' => 'negative',
                'ratingA' => 250,
            ]),
            Changes::lead(
                'ld_second_fuse',
                'Second battery to fuse',
                'second_bank.pos',
                'second_fuse.in',
                'positive',
                $cable($near),
            ),
        ];
        array_push(
            $changes,
            ...$negative
                ? [
                    Changes::lead(
                        'ld_second_bar',
                        'Fuse to second positive bar',
                        'second_fuse.out',
                        'second_pos_bar.stud',
                        'positive',
                        $cable($run),
                    ),
                    Changes::lead(
                        'ld_second_neg',
                        'Second battery to switch',
                        'second_bank.neg',
                        'second_switch.in',
                        'negative',
                        $cable($run / 2),
                    ),
                    Changes::lead(
                        'ld_second_neg_bar',
                        'Switch to second negative bar',
                        'second_switch.out',
                        'second_neg_bar.stud',
                        'negative',
                        $cable($run / 2),
                    ),
                ]
                : [
                    Changes::lead(
                        'ld_second_switch',
                        'Fuse to second switch',
                        'second_fuse.out',
                        'second_switch.in',
                        'positive',
                        $cable($run / 2),
                    ),
                    Changes::lead(
                        'ld_second_bar',
                        'Second switch to its bar',
                        'second_switch.out',
                        'second_pos_bar.stud',
                        'positive',
                        $cable($run / 2),
                    ),
                    Changes::lead(
                        'ld_second_neg',
                        'Second battery to its negative bar',
                        'second_bank.neg',
                        'second_neg_bar.stud',
                        'negative',
                        $cable($run),
                    ),
                ],
        );

        return [...$changes, ...$o->flag('panel') ? $this->panelMoved($rig) : []];
    }

    /**
     * The feed of the 12 V panel moved to the new bars.
     *
     * @return list<\stdClass>
     */
    private function panelMoved(Rig $rig): array
    {
        $changes = [];
        foreach ($rig->all(DcPanel::class) as $panel) {
            foreach ($rig->all(Lead::class) as $lead) {
                foreach (['pos' => 'second_pos_bar.stud', 'neg' => 'second_neg_bar.stud'] as $pole => $bar) {
                    $at = "{$panel->id}.{$pole}";
                    $path = $lead->from() === $at ? '/to' : ($lead->to() === $at ? '/from' : null);
                    $other = $lead->from() === $at ? $lead->to() : $lead->from();
                    // What hangs on the panel stays there; what feeds it comes from the new bars.
                    if ($path !== null && !$this->isTaker($rig, $other)) {
                        $changes[] = Changes::move($lead->id, $path, $bar, 'the second system feeds the 12 V panel');
                    }
                }
            }
        }

        return $changes;
    }

    private function isTaker(Rig $rig, string $terminal): bool
    {
        $type = $rig->find(explode('.', $terminal)[0])?->type();

        return in_array($type, ['dc_load', 'dc_circuit', 'converter', 'inverter', 'inverter_charger'], true);
    }
}
