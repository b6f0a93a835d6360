<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\Cable;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\ConductorTables;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Sizing\FeederTap;
use Hollin\Core\Sizing\NegativeReach;

/** Some source can push more through a conductor than it may carry, with no suitable device between. */
final class ConductorProtection implements RigRule
{
    /** A tap this short to its own fuse counts as fused at its connection: ABYC E-11, 7 in. */
    private const TAP_M = 0.18;

    public static function definition(): Definition
    {
        $thin = [
            'size' => ['value' => 'awg:14', 'basis' => 'read_off'],
            'lengthM' => ['value' => 4, 'basis' => 'measured'],
            'sheath' => 'nm_b',
        ];

        return new Definition(
            'conductor_protection',
            Severity::Danger,
            'Breaker or fuse too large for its wire',
            'The overcurrent device ahead of a conductor must not be larger than what the conductor may ' .
                'carry, from every source that can reach it. Small branch conductors have a limit of their own ' .
                'whatever their ampacity.',
            Source::recalled('NFPA 70 240.4(D), 334.80 and 310.16; ABYC E-11 for DC'),
            [
                Sample::found(
                    '14 AWG on a 20 A breaker',
                    Sample::survey('c_outlets', '/breakerA', ['value' => 20, 'basis' => 'read_off']),
                ),
                Sample::found(
                    'a thin battery lead behind a large fuse',
                    Sample::choose('in_line'),
                    Sample::set('ld_disc_bar', '/cable/size', ['value' => 'awg:4', 'basis' => 'told']),
                ),
                Sample::found(
                    'a thin negative behind a large fuse',
                    Sample::choose('in_line'),
                    Sample::set('ld_bank_shunt', '/cable/size', ['value' => 'awg:14', 'basis' => 'told']),
                ),
                Sample::found(
                    'a lead straight from the bank, without a fuse',
                    Sample::choose('in_line'),
                    Sample::set('ld_bar_inv', '/from', 'bank.pos'),
                ),
                Sample::found(
                    'pieces that are too long together',
                    Sample::choose('in_line'),
                    Sample::set('ld_bank_fuse', '/cable/lengthM', ['value' => 0.6, 'basis' => 'measured']),
                ),
                Sample::found(
                    '16 AWG on a 15 A breaker',
                    Sample::survey('c_outlets', '/cable/size', ['value' => 'awg:16', 'basis' => 'read_off']),
                ),
                Sample::found(
                    'a thin cable behind the inverter feed',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                    Sample::set('inverter_out', '/cable', $thin),
                ),
                Sample::found(
                    'a feeder too thin for the pedestal and for its panel\'s main',
                    Sample::survey('feeder_main', '/cable/size', ['value' => 'awg:12', 'basis' => 'read_off']),
                ),
                Sample::silent(
                    'the same feeder to a smaller main',
                    Sample::survey('feeder_main', '/cable/size', ['value' => 'awg:12', 'basis' => 'read_off']),
                    Sample::survey('main_panel', '/mainA', 20),
                ),
                Sample::silent('12 AWG on a 20 A breaker'),
                Sample::silent('the usual bank chain', Sample::choose('in_line')),
                Sample::silent(
                    'a thin tap off the bar, this short to its own breaker',
                    Sample::choose('in_line'),
                    Sample::set('ld_house', '/cable/lengthM', ['value' => 0.15, 'basis' => 'measured']),
                ),
                Sample::silent(
                    '3/0 behind the next standard size',
                    Sample::choose('in_line'),
                    Sample::set('ld_bar_inv', '/cable/size', ['value' => 'awg:3/0', 'basis' => 'told']),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $negative = new NegativeReach($rig->graph, $rig->reach()->at);
        foreach ($rig->graph->elements as $element) {
            $cable = $element->cable;
            if ($cable === null || !($element->role === Role::L1 || Walk::direct($element))) {
                continue;
            }
            $back = Walk::direct($element) ? $negative->through($element) : null;
            [$amps, $device] = $back ?? (self::arriving($rig, $element) ?? [0.0, '']);
            if ($amps <= 0 || is_infinite($amps)) {
                // What no device limits at all is told by its length, from the post on.
                continue;
            }
            $school = self::school($element, $rig);
            $limit = $school->largestDevice($cable);
            if ($limit === null || $amps > $limit + 1e-9) {
                if (!self::isTap($rig, $element, $cable, $amps, $limit ?? 0.0, $school, $back === null)) {
                    $hits[] = self::hit($rig, $element, $cable, $amps, $device, $school);
                }
            } elseif ($back === null && Walk::direct($element)) {
                array_push($hits, ...self::lowVoltage($rig, $element, $cable, $amps, $device));
            }
        }

        foreach ($rig->graph->batteries as $battery) {
            array_push($hits, ...UnfusedLeads::of($rig, $battery));
        }

        return $hits;
    }

    /**
     * Whether a thin piece is allowed behind a large device: a tap of a feeder, or a piece this short that ends on its
     * own fuse.
     */
    public static function isTap(
        Examination $rig,
        Element $element,
        Cable $cable,
        float $amps,
        float $limit,
        Ampacity $school,
        bool $positive = true,
    ): bool {
        return Walk::direct($element)
            ? $positive && $cable->lengthM <= self::TAP_M && self::endsOnFuse($rig, $element)
            : $element->role === Role::L1 && FeederTap::isOne($rig->graph, $element, $cable, $amps, $limit, $school);
    }

    /** @return ?array{float, string} what can arrive in a hot or a positive before a device opens, A, and the device */
    public static function arriving(Examination $rig, Element $element): ?array
    {
        $reach = $rig->reach()->at[$element->a] ?? null;
        $other = $rig->reach()->at[$element->b] ?? null;
        // What arrives at both ends decides: the weaker end is limited by a device between.
        if ($reach === null || $other === null) {
            return null;
        }
        [$amps, , $device] = $reach[0] <= $other[0] ? $reach : $other;
        $part = $rig->graph->partAt($element->component);
        $breakerA = $part?->is('circuit') === true ? $part->number('breakerA') : 0.0;

        // A branch breaker must suit its own cable, even where a smaller one stands ahead of it.
        return $breakerA > $amps ? [$breakerA, $element->component] : [$amps, $device];
    }

    private static function endsOnFuse(Examination $rig, Element $element): bool
    {
        return Walk::hasDeviceAt($rig->graph, $element->a) || Walk::hasDeviceAt($rig->graph, $element->b);
    }

    /**
     * @return list<Hit> a word where the table for an RV's low-voltage branches allows less than the school that
     *      governs
     */
    private static function lowVoltage(
        Examination $rig,
        Element $element,
        Cable $cable,
        float $amps,
        string $device,
    ): array {
        $gauge = explode(':', $cable->size->designation)[1];
        $limit = $cable->size->isAwg() ? ConductorTables::RV_LOW_VOLTAGE_LIMIT[$gauge] ?? null : null;
        if ($limit === null || $device === '' || $amps <= $limit * $cable->parallel) {
            return [];
        }

        return [
            new Hit(
                "{$element->component}|rv",
                sprintf(
                    '%s: %s stands the %g A of %s by the table that governs here; the RV table for ' .
                        'low-voltage branches stops at %d A.',
                    $rig->graph->label($element->component),
                    $cable->spoken(),
                    round($amps, 1),
                    $device === $element->component ? 'its fuse' : $rig->graph->label($device),
                    $limit,
                ),
                array_values(array_unique(array_filter([$element->component, $device]))),
                [
                    new Figure(
                        'Device ahead of it',
                        $amps,
                        'A',
                        'largest current that can arrive before a device opens',
                        Source::recalled('former NFPA 70 table 551.10(E)(1), now 552.10(E)(1)'),
                        (float) $limit,
                        of: new Of(Quantity::Arriving, $element->id),
                    ),
                ],
                severity: Severity::Advice,
                title: 'Above the RV table for low-voltage branches',
            ),
        ];
    }

    private static function hit(
        Examination $rig,
        Element $element,
        Cable $cable,
        float $amps,
        string $device,
        Ampacity $school,
    ): Hit {
        $label = $rig->graph->label($element->component);
        $by =
            $device === ''
                ? 'its source'
                : ($device === $element->component
                    ? (Walk::direct($element)
                        ? 'its fuse'
                        : 'its breaker')
                    : $rig->graph->label($device));
        $part = $rig->graph->partAt($element->component);
        $place = $part?->is('inlet') === true ? 'cord/size' : 'cable/size';
        $ampacity = $school->ofCable($cable);
        $size = self::sizeFor($amps, $school);
        $assumed =
            self::isAssumed($rig, $element->component, $place) ||
            self::isAssumed($rig, $device, 'breakerA', 'ratingA', 'mainA', 'fuseA');

        return new Hit(
            $element->component . '|' . $device,
            $ampacity === null
                ? sprintf(
                    '%s: no table here has %s as %s, and %s lets %g A through.',
                    $label,
                    $cable->spoken(),
                    self::what($cable),
                    $by,
                    round($amps, 1),
                )
                : sprintf(
                        '%s: %s of %s may carry %g A here, and %s lets %g A through.',
                        $label,
                        $cable->spoken(),
                        self::what($cable),
                        round($ampacity, 1),
                        $by,
                        round($amps, 1),
                    ) . ($assumed ? ' One of the two is assumed: look before you act.' : ''),
            array_values(array_unique(array_filter([$element->component, $device]))),
            [
                new Figure(
                    'Device ahead of it',
                    $amps,
                    'A',
                    'largest current that can arrive before a device opens',
                    $school->source(),
                    $ampacity ?? 0.0,
                    $part?->isAssumed($place) === true,
                    of: new Of(Quantity::Arriving, $element->id),
                ),
            ],
            array_values(
                array_filter([
                    self::smaller($rig, $element, $cable, $device, $school),
                    $size === null
                        ? null
                        : Remedy::set(
                            sprintf('Run %s for %s', ConductorSize::of($size)->spoken(), $label),
                            'carries what the device allows',
                            $element->component,
                            "/{$place}",
                            ['value' => $size, 'basis' => 'told'],
                        ),
                ]),
            ),
            severity: $assumed ? Severity::Warning : Severity::Danger,
            title: 'Breaker or fuse too large for its wire',
        );
    }

    /** A device that suits the cable: the one ahead of it, or one at the head of a circuit that has none. */
    private static function smaller(
        Examination $rig,
        Element $element,
        Cable $cable,
        string $device,
        Ampacity $school,
    ): ?Remedy {
        $own = $rig->graph->partAt($element->component);
        $ahead = $rig->graph->partAt($device);
        if ($ahead?->flag('assist') === true) {
            return Remedy::set(
                "Switch the assisting of {$ahead->label} off",
                'the supply alone passes through it',
                $device,
                '/assist',
                false,
            );
        }
        $part = $own?->is('circuit') === true ? $own : $rig->graph->partAt($device);

        return $part === null
            ? null
            : Devices::smaller($part, $school->largestDevice($cable) ?? 0.0, 'suits the cable that is there');
    }

    /** Whether a value of what was there before is assumed; what is planned is as it will be bought. */
    private static function isAssumed(Examination $rig, string $component, string ...$places): bool
    {
        $part = ($rig->asFound ?? $rig)->graph->parts[$component] ?? null;
        $now = $rig->graph->partAt($component);
        foreach ($places as $place) {
            if ($part?->isAssumed($place) === true && $now?->isAssumed($place) === true) {
                return true;
            }
        }

        return false;
    }

    private static function what(Cable $cable): string
    {
        return match ($cable->sheath) {
            'cord' => 'flexible cord',
            'fine', 'single' => 'single cable',
            default => 'sheathed cable',
        };
    }

    /** The table that governs a conductor. */
    public static function school(Element $element, Examination $rig): Ampacity
    {
        return match (true) {
            $element->role->isDc() => $rig->needs->school,
            $element->cable?->sheath === 'cord' => Ampacity::Cord,
            default => Ampacity::Branch,
        };
    }

    /**
     * Smallest AWG size that a school lets stand behind a device of that rating without leaning on the next size up.
     */
    private static function sizeFor(float $amps, Ampacity $school): ?string
    {
        foreach (ConductorSize::all() as $designation => $size) {
            $cable = new Cable($size, 1.0, 'single', 1);
            if (
                $size->isAwg() &&
                min($school->ofCable($cable) ?? 0.0, $school->largestDevice($cable) ?? 0.0) >= $amps
            ) {
                return $designation;
            }
        }

        return null;
    }
}
