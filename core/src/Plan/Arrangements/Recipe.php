<?php

declare(strict_types=1);

namespace Hollin\Core\Plan\Arrangements;

use Hollin\Core\Components\Battery\Bank;
use Hollin\Core\Components\Battery\DcFuse;
use Hollin\Core\Components\Battery\FrameBond;
use Hollin\Core\Components\Battery\Lead;
use Hollin\Core\Components\Conversion\Converter;
use Hollin\Core\Components\Panels\Circuit;
use Hollin\Core\Components\Panels\Feeder;
use Hollin\Core\Components\Panels\Panel;
use Hollin\Core\Components\Supply\Inlet;
use Hollin\Core\Job\JobFile;
use Hollin\Core\Job\Rig;
use Hollin\Core\Plan\Op;
use stdClass;

/** What the arrangements have in common: the inverter/charger, the bank and its chain, the converter's fate. */
abstract class Recipe implements Arrangement
{
    /** @return list<stdClass> */
    final protected function inverter(Options $o): array
    {
        $watts = $o->number('continuousW', 3000);

        return [self::fit('inverter', [
            'type' => 'inverter_charger', 'label' => sprintf('Inverter/charger %g VA', $watts),
            'continuousW' => $watts, 'surgeW' => $o->number('surgeW', 2 * $watts), 'efficiency' => $o->number('efficiency', 0.88),
            'dcNominalV' => 12, 'cutOffV' => 10.5, 'idleW' => 25, 'passThroughA' => $o->number('passThroughA', 30),
            'neutral' => $o->text('neutral', 'switched'), 'bond' => 'relay', 'chargerA' => $o->number('chargerA', 100),
            'inputLimitA' => $o->number('inputLimitA', 30), 'rejectsBelowV' => 100, 'passesWhenOff' => true, 'qualifyS' => 15,
            'largestLug' => 'awg:4/0', 'studs' => 2,
        ] + ($o->values->flag('assist') ? ['assist' => true] : []))];
    }

    /**
     * A stand-alone inverter of its own.
     *
     * @param array<string, mixed> $more
     * @return list<stdClass>
     */
    final protected function standAlone(Options $o, string $output, array $more = []): array
    {
        $watts = $o->number('continuousW', 2000);

        return [self::fit('inverter', [
            'type' => 'inverter', 'label' => sprintf('Inverter %g W', $watts),
            'continuousW' => (object) ['value' => $watts, 'basis' => 'told'], 'surgeW' => $o->surveyed('surgeW', 2 * $watts), 'efficiency' => $o->number('efficiency', 0.88),
            'dcNominalV' => 12, 'cutOffV' => 10.5, 'idleW' => round($watts * 0.008, 1), 'neutral' => $o->text('outputNeutral', 'unknown'), 'output' => $output,
            'waveform' => $o->text('waveform', 'sine'), 'largestLug' => 'awg:4/0', 'studs' => 2,
        ] + $more)];
    }

    /**
     * What becomes of the factory converter; "ahead" is the arrangement's own affair.
     *
     * @return list<stdClass>
     */
    final protected function fate(Rig $rig, Options $options): array
    {
        [$converter, $circuit] = self::converter($rig);
        if ($converter === null) {
            return [];
        }

        return match ($options->converter()) {
            'removed' => self::withoutConverter($rig, $converter, $circuit),
            'by_hand' => self::byHand($converter, $circuit),
            'contactor' => $this->lockOut($rig, $converter, $circuit, 'nc', $this->coilPort()),
            'contactor_safe' => $this->lockOut($rig, $converter, $circuit, 'no', ''),
            'lifted' => self::lifted($rig, $converter),
            'replaced' => [
                self::set($converter->id, '/label', sprintf('Converter %g A for lithium', $converter->outputA()), 'replaced by one suited to the chemistry'),
                self::set($converter->id, '/profile', 'lithium', 'replaced by one suited to the chemistry'),
                self::set($converter->id, '/outputV', 14.4, 'replaced by one suited to the chemistry'),
            ],
            default => [],
        };
    }

    /** Port of the inverter that a lock-out's coil hangs on: the contact that follows inverting, or a stand-alone unit's output. */
    protected function coilPort(): string
    {
        return 'follow';
    }

    /**
     * A contactor between the converter's breaker and the converter.
     *
     * @return list<stdClass>
     */
    private function lockOut(Rig $rig, Converter $converter, ?Circuit $circuit, string $contact, string $port): array
    {
        $coil = $contact === 'nc' ? ['at' => 'inverter', 'port' => $port] : ['at' => self::inlet($rig)->id, 'port' => 'out'];
        $plug = $converter->values->text('plug');
        $feed = $circuit ?? $rig->find($plug);
        if (!$feed instanceof Circuit) {
            throw new NotPossible('The survey does not say which circuit feeds the converter: say so first.');
        }
        $changes = [
            self::fit('lock_out', [
                'type' => 'contactor', 'label' => $contact === 'nc' ? 'Converter lock-out' : 'Converter contactor', 'contact' => $contact,
                'coil' => (object) $coil, 'coilW' => (object) ['value' => 5, 'basis' => 'assumed'], 'ratingA' => 20, 'lamp' => $contact === 'nc' ? 'none' : 'output',
            ]),
            self::set($feed->id, '/feeds', (object) ['at' => 'lock_out', 'port' => 'in'], 'the converter\'s feed goes through the contactor'),
        ];
        if ($plug === '') {
            $changes[] = self::fit('lock_out_feed', [
                'type' => 'feeder', 'label' => 'Contactor to converter', 'from' => (object) ['at' => 'lock_out', 'port' => 'out'], 'to' => (object) ['at' => $converter->id, 'port' => 'ac_in'],
                'cable' => (object) self::branchCable('awg:14', 1.0),
            ]);

            return $changes;
        }
        $changes[] = self::fit('converter_outlet', [
            'type' => 'circuit', 'label' => 'Converter outlet', 'hot' => (object) ['at' => 'lock_out', 'port' => 'out'], 'neutral' => (object) ['at' => 'lock_out', 'port' => 'out'],
            'cable' => (object) self::branchCable('awg:14', 1.0), 'gfci' => 'none', 'place' => 'fixed',
        ]);
        $changes[] = self::move($converter->id, '/plug', 'converter_outlet', 'plugged in behind the contactor');

        return $changes;
    }

    /** @return list<stdClass> the converter's positive lead taken off; idle loss remains */
    private static function lifted(Rig $rig, Converter $converter): array
    {
        $changes = [];
        foreach ($rig->all(Lead::class) as $lead) {
            if ($lead->isPositive() && in_array("{$converter->id}.pos", [$lead->from(), $lead->to()], true)) {
                $changes[] = self::remove($lead->id, 'lifted, insulated and labelled; it may also have fed the 12 V panel');
            }
        }

        return $changes;
    }

    final protected static function inlet(Rig $rig): Inlet
    {
        foreach ($rig->all(Inlet::class) as $inlet) {
            if ($inlet->values->text('form') !== 'plug') {
                return $inlet;
            }
        }
        throw new NotPossible('The survey has no inlet or cord yet: add it first, or start from a factory layout.');
    }

    /**
     * A transfer switch between the supply (A) and the inverter (B).
     *
     * @return list<stdClass>
     */
    final protected function transfer(Options $o, string $label, int $ratingA): array
    {
        $manual = $o->text('switch', 'automatic') === 'manual';
        $prefers = $o->text('prefers', 'supply') === 'supply' ? 'a' : 'b';

        return [self::fit('transfer', [
            'type' => 'transfer_switch', 'label' => $label, 'kind' => $manual ? 'manual' : 'automatic', 'poles' => $o->text('poles', 'two'), 'ratingA' => $ratingA,
        ] + ($manual ? [] : ['prefers' => $prefers, 'rest' => $prefers === 'a' ? 'b' : 'a', 'delayS' => $o->number('delayS', 10)]))];
    }

    /** @param array<string, mixed> $cable */
    final protected static function feeder(string $id, string $label, string $from, string $fromPort, string $to, string $toPort, array $cable): stdClass
    {
        return self::fit($id, [
            'type' => 'feeder', 'label' => $label, 'from' => (object) ['at' => $from, 'port' => $fromPort], 'to' => (object) ['at' => $to, 'port' => $toPort], 'cable' => (object) $cable,
        ]);
    }

    /**
     * A box with two breakers on the supply side, for what must stay ahead of the transfer point.
     *
     * @return list<stdClass>
     */
    final protected static function shoreBox(Feeder $feeder, string $feeds, string $port, int $breakerA): array
    {
        return [
            self::fit('shore_box', [
                'type' => 'panel', 'label' => 'Shore box', 'role' => 'sub', 'slots' => 2,
                'bondScrew' => (object) ['value' => false, 'basis' => 'told'], 'bondedToFrame' => (object) ['value' => true, 'basis' => 'told'],
            ]),
            self::move($feeder->id, '/to', (object) ['at' => 'shore_box', 'port' => 'line'], 'shore reaches the shore box first'),
            self::fit('inverter_feed', [
                'type' => 'circuit', 'label' => $feeds === 'inverter' ? 'Inverter/charger feed' : 'Transfer switch feed', 'hot' => (object) ['panel' => 'shore_box', 'slot' => 1], 'neutral' => (object) ['panel' => 'shore_box'],
                'breakerA' => (object) ['value' => $breakerA, 'basis' => 'told'], 'cable' => (object) self::branchCable(self::sizeFor($breakerA), 1.0), 'gfci' => 'none', 'place' => 'fixed',
                'feeds' => (object) ['at' => $feeds, 'port' => $port],
            ]),
        ];
    }

    /**
     * Takes the old bank out and fits bank, fuse, disconnect, shunt, bars and leads; what landed on
     * the old bank lands on the bars.
     *
     * @return list<stdClass>
     */
    final protected function bank(Rig $rig, Options $o): array
    {
        $changes = [];
        $lfp = $o->text('chemistry', 'lfp') === 'lfp';
        $run = $o->surveyed('dcRunM', 1.5);
        $cable = fn(float $share): stdClass => (object) [
            'size' => (object) ['value' => $o->text('dcSize', 'awg:4/0'), 'basis' => 'told'],
            'lengthM' => (object) ['value' => round($run->value * $share, 2), 'basis' => $run->basis], 'sheath' => 'fine',
        ];
        foreach ($rig->all(Bank::class) as $old) {
            foreach ($rig->components as $id => $part) {
                $ends = match (true) {
                    $part instanceof Lead => ['from' => $part->from(), 'to' => $part->to()],
                    $part instanceof FrameBond => ['from' => $part->values->text('from')],
                    default => [],
                };
                foreach ($ends as $end => $terminal) {
                    if (in_array($terminal, $old->leadTerminals(), true)) {
                        $bar = str_ends_with($terminal, '.pos') ? 'pos_bar.stud' : 'neg_bar.stud';
                        $changes[] = self::move($id, "/{$end}", $bar, 'the old bank comes out');
                    }
                }
            }
            $changes[] = self::remove($old->id, 'replaced by the new bank');
        }
        array_push(
            $changes,
            self::fit('bank', [
                'type' => 'battery_bank', 'label' => 'Bank', 'chemistry' => $o->text('chemistry', 'lfp'), 'unitV' => $lfp ? 12.8 : 12,
                'unitAh' => $o->surveyed('unitAh', 200), 'series' => 1, 'parallel' => (int) $o->number('parallel', 2),
            ] + ($lfp ? [
                'bmsContinuousA' => (object) ['value' => 200, 'basis' => 'assumed'], 'bmsPeakA' => (object) ['value' => 400, 'basis' => 'assumed'],
            ] : [])),
            self::fit('main_fuse', ['type' => 'dc_fuse', 'label' => 'Main fuse', 'family' => $o->text('fuseFamily', 'class_t'), 'ratingA' => $o->surveyed('fuseA', 400)]),
            self::fit('disconnect', ['type' => 'dc_switch', 'label' => 'Battery disconnect', 'ratingA' => (object) ['value' => 600, 'basis' => 'told']]),
            self::fit('pos_bar', ['type' => 'bus_bar', 'label' => 'Positive bar', 'pole' => 'positive', 'ratingA' => 600]),
            self::fit('neg_bar', ['type' => 'bus_bar', 'label' => 'Negative bar', 'pole' => 'negative', 'ratingA' => 600]),
            self::fit('shunt', ['type' => 'shunt', 'label' => 'Shunt', 'ratingA' => 500]),
            self::lead('ld_bank_fuse', 'Bank to fuse', 'bank.pos', 'main_fuse.in', 'positive', $cable(0.1)),
            self::lead('ld_fuse_disc', 'Fuse to disconnect', 'main_fuse.out', 'disconnect.in', 'positive', $cable(0.2)),
            self::lead('ld_disc_bar', 'Disconnect to bar', 'disconnect.out', 'pos_bar.stud', 'positive', $cable(0.2)),
            self::lead('ld_bar_inv', 'Bar to inverter', 'pos_bar.stud', 'inverter.pos', 'positive', $cable(0.5)),
            self::lead('ld_bank_shunt', 'Bank to shunt', 'bank.neg', 'shunt.battery', 'negative', $cable(0.3)),
            self::lead('ld_shunt_bar', 'Shunt to bar', 'shunt.load', 'neg_bar.stud', 'negative', $cable(0.2)),
            self::lead('ld_bar_inv_neg', 'Bar to inverter', 'neg_bar.stud', 'inverter.neg', 'negative', $cable(0.5)),
        );
        // What hung on the old battery behind a small device keeps one of its own, right at the bar.
        foreach ($rig->all(Lead::class) as $lead) {
            foreach ($rig->all(Bank::class) as $old) {
                if (!$lead->isPositive() || $lead->from() !== "{$old->id}.pos") {
                    continue;
                }
                $short = (object) [
                    'size' => (object) ['value' => 'awg:4', 'basis' => 'told'], 'lengthM' => (object) ['value' => 0.15, 'basis' => 'told'], 'sheath' => 'fine',
                ];
                $fuse = $rig->find(explode('.', $lead->to())[0]);
                if ($fuse instanceof DcFuse) {
                    $changes[] = self::set($lead->id, '/cable', $short, 'the fuse sits right at the bar');
                    $changes[] = self::set($fuse->id, '/family', 'mrbf', 'a thermal breaker cannot break what the new bank delivers');
                    continue;
                }
                $changes[] = self::fit("{$lead->id}_fuse", ['type' => 'dc_fuse', 'label' => $lead->label() . ' fuse', 'family' => 'mrbf', 'ratingA' => (object) ['value' => 60, 'basis' => 'told']]);
                $changes[] = self::lead("{$lead->id}_tap", 'Bar to fuse', 'pos_bar.stud', "{$lead->id}_fuse.in", 'positive', $short);
                $changes[] = self::move($lead->id, '/from', "{$lead->id}_fuse.out", 'it gets its own fuse at the bar');
            }
        }
        if ($rig->all(FrameBond::class) === []) {
            $changes[] = self::fit('dc_frame_bond', ['type' => 'frame_bond', 'label' => 'DC negative to frame', 'from' => 'neg_bar.stud', 'cable' => $cable(0.3)]);
        }

        return $changes;
    }

    final protected static function mainPanel(Rig $rig): Panel
    {
        foreach ($rig->all(Panel::class) as $panel) {
            if ($panel->isMain()) {
                return $panel;
            }
        }
        throw new NotPossible('The survey has no main panel yet: add it first, or start from a factory layout.');
    }

    final protected static function shoreFeeder(Rig $rig, Panel $panel): Feeder
    {
        foreach ($rig->all(Feeder::class) as $feeder) {
            if ($feeder->toComponent() === $panel->id) {
                return $feeder;
            }
        }
        throw new NotPossible('The survey does not say what feeds the main panel: add the feeder from the inlet first.');
    }

    /** @return array{?Converter, ?Circuit} */
    final protected static function converter(Rig $rig): array
    {
        foreach ($rig->all(Converter::class) as $converter) {
            foreach ($rig->all(Circuit::class) as $circuit) {
                if ($circuit->feedsComponent() === $converter->id) {
                    return [$converter, $circuit];
                }
            }

            return [$converter, null];
        }

        return [null, null];
    }

    /**
     * Converter out, its leads with it; its circuit stays on its breaker, capped and without a load.
     *
     * @return list<stdClass>
     */
    final protected static function withoutConverter(Rig $rig, Converter $converter, ?Circuit $circuit): array
    {
        $changes = [];
        foreach ($rig->all(Lead::class) as $lead) {
            if (in_array($lead->from(), $converter->leadTerminals(), true) || in_array($lead->to(), $converter->leadTerminals(), true)) {
                $changes[] = self::remove($lead->id, 'its converter comes out');
            }
        }
        if ($circuit !== null) {
            $changes[] = self::remove($circuit->id, 'its converter comes out; cap the cable and label it');
        }
        $changes[] = self::remove($converter->id, 'the inverter/charger charges instead');

        return $changes;
    }

    /** The branch circuit an arrangement is about. */
    final protected static function branch(Rig $rig, Options $options): Circuit
    {
        $circuit = $rig->find($options->text('circuit', ''));
        if (!$circuit instanceof Circuit || $circuit->hotPanel() === null || $circuit->feedsComponent() !== null) {
            throw new NotPossible(sprintf('"%s" is not a circuit that lands on a breaker and feeds outlets: choose one of the panel\'s circuits.', $options->text('circuit', '')));
        }

        return $circuit;
    }

    /** @return array<string, mixed> the short end that stays on a circuit's breaker when the circuit itself is fed elsewhere */
    final protected static function branchEnd(Circuit $circuit, string $label): array
    {
        return [
            'type' => 'circuit', 'label' => $label, 'hot' => clone ($circuit->values->raw()->hot), 'neutral' => clone ($circuit->values->raw()->neutral),
            'breakerA' => JobFile::copy((object) ['v' => $circuit->values->raw()->breakerA])->v, 'cable' => (object) self::branchCable($circuit->cable()->size->designation, 1.0),
            'gfci' => $circuit->gfci() === 'breaker' ? 'breaker' : 'none', 'place' => 'fixed',
        ];
    }

    /** @return list<stdClass> */
    final protected static function byHand(Converter $converter, ?Circuit $circuit): array
    {
        return [self::fit('switch_converter_off', [
            'type' => 'instruction', 'label' => 'Converter off when inverting',
            'device' => $circuit !== null ? $circuit->id : $converter->id, 'while' => 'inverting',
        ])];
    }

    /**
     * Hot and neutral of a circuit to a panel's slot.
     *
     * @return list<stdClass>
     */
    final public static function moveCircuit(Circuit $circuit, string $panel, int $slot, string $wires = 'both', string $half = ''): array
    {
        $changes = [];
        if ($wires !== 'neutral') {
            $hot = ['panel' => $panel, 'slot' => $slot] + ($half === '' ? [] : ['half' => $half]);
            $changes[] = self::move($circuit->id, '/hot', (object) $hot);
            if ($circuit->gfci() === 'breaker' && $circuit->hotPanel() !== $panel) {
                $changes[] = self::set($circuit->id, '/gfci', 'none', 'the GFCI breaker stays with the panel it was made for');
            }
        }
        if ($wires !== 'hot') {
            $changes[] = self::move($circuit->id, '/neutral', (object) ['panel' => $panel]);
        }

        return $changes;
    }

    /** @param array<string, mixed> $component */
    final protected static function fit(string $id, array $component): stdClass
    {
        return (object) ['op' => Op::Fit->value, 'target' => $id, 'value' => (object) $component];
    }

    final protected static function remove(string $id, string $why): stdClass
    {
        return (object) ['op' => Op::Remove->value, 'target' => $id, 'why' => $why];
    }

    final protected static function move(string $id, string $path, mixed $value, string $why = ''): stdClass
    {
        return (object) (['op' => Op::Move->value, 'target' => $id, 'path' => $path, 'value' => $value] + ($why === '' ? [] : ['why' => $why]));
    }

    final protected static function set(string $id, string $path, mixed $value, string $why): stdClass
    {
        return (object) ['op' => Op::Set->value, 'target' => $id, 'path' => $path, 'value' => $value, 'why' => $why];
    }

    final protected static function lead(string $id, string $label, string $from, string $to, string $pole, stdClass $cable): stdClass
    {
        return self::fit($id, ['type' => 'lead', 'label' => $label, 'from' => $from, 'to' => $to, 'pole' => $pole, 'cable' => $cable]);
    }

    /** @return array<string, mixed> a cable of NM-B, its length assumed */
    final protected static function branchCable(string $size, float $lengthM): array
    {
        return [
            'size' => (object) ['value' => $size, 'basis' => 'told'],
            'lengthM' => (object) ['value' => $lengthM, 'basis' => 'assumed'], 'sheath' => 'nm_b',
        ];
    }

    /** The smallest branch cable for a device, by the small-conductor limits and the 60 °C column. */
    final protected static function sizeFor(float $amps): string
    {
        return $amps <= 15 ? 'awg:14' : ($amps <= 20 ? 'awg:12' : ($amps <= 30 ? 'awg:10' : ($amps <= 40 ? 'awg:8' : 'awg:6')));
    }
}
