<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Job\Cable;
use Hollin\Core\Network\Element;
use Hollin\Core\Network\Role;
use Hollin\Core\Reference\Ampacity;
use Hollin\Core\Reference\ConductorTables;
use Hollin\Core\Reference\Source;

/** Some source can push more through a conductor than it may carry, with no suitable device between. */
final class ConductorProtection implements RigRule
{
    /** ABYC E-11: without a fuse up to 7 in from the battery post. */
    private const UNFUSED_M = 0.18;

    /** ABYC E-11: 72 in from the post when sheathed its whole length; above that, never. */
    private const UNFUSED_SHEATHED_M = 1.83;

    public static function definition(): Definition
    {
        $thin = ['size' => ['value' => 'awg:14', 'basis' => 'read_off'], 'lengthM' => ['value' => 4, 'basis' => 'measured'], 'sheath' => 'nm_b'];

        return new Definition(
            'conductor_protection',
            Severity::Danger,
            'Device too large for its conductor',
            'The overcurrent device ahead of a conductor must not be larger than what the conductor may carry, from every source that can reach it. Small branch conductors have a limit of their own whatever their ampacity.',
            Source::recalled('NFPA 70 240.4(D), 334.80 and 310.16; ABYC E-11 for DC'),
            [
                Sample::found('14 AWG on a 20 A breaker', Sample::survey('c_outlets', '/breakerA', ['value' => 20, 'basis' => 'read_off'])),
                Sample::found('a thin battery lead behind a large fuse', Sample::choose('in_line'), Sample::set('ld_disc_bar', '/cable/size', ['value' => 'awg:4', 'basis' => 'told'])),
                Sample::found('a lead straight from the bank, without a fuse', Sample::choose('in_line'), Sample::set('ld_dc', '/from', 'bank.pos')),
                Sample::found('a thin cable behind the inverter feed', Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]), Sample::set('inverter_out', '/cable', $thin)),
                Sample::silent('12 AWG on a 20 A breaker'),
                Sample::silent('the usual bank chain', Sample::choose('in_line')),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->elements as $element) {
            if ($element->cable === null || !in_array($element->role, [Role::L1, Role::DcPositive], true)) {
                continue;
            }
            $reach = $rig->reach()->at[$element->a] ?? null;
            $other = $rig->reach()->at[$element->b] ?? null;
            // What arrives at both ends decides: the weaker end is limited by a device between.
            if ($reach === null || $other === null) {
                continue;
            }
            [$amps, $source, $device] = $reach[0] <= $other[0] ? $reach : $other;
            $circuit = $rig->rig->find($element->component);
            // A branch breaker must suit its own cable, even where a smaller one stands ahead of it.
            if ($circuit instanceof \Hollin\Core\Components\Panels\Circuit && ($circuit->breakerA() ?? 0.0) > $amps) {
                [$amps, $device] = [(float) $circuit->breakerA(), $element->component];
            }
            $school = self::school($element, $rig);
            $ampacity = $element->cable->ampacityA($school);
            $hit = $element->role === Role::L1
                ? self::ac($rig, $element, $amps, $device, $school, $ampacity)
                : self::dc($rig, $element, $amps, $source, $device, $school, $ampacity);
            if ($hit !== null) {
                $hits[] = $hit;
            }
        }

        return $hits;
    }

    private static function ac(Examination $rig, Element $element, float $amps, string $device, Ampacity $school, ?float $ampacity): ?Hit
    {
        $limit = $ampacity;
        $gauge = explode(':', $element->cable->size->designation ?? '')[1] ?? '';
        if ($school === Ampacity::Branch && isset(ConductorTables::SMALL_CONDUCTOR_LIMIT[$gauge])) {
            $limit = (float) ConductorTables::SMALL_CONDUCTOR_LIMIT[$gauge];
        }
        if ($limit === null || $amps <= $limit + 1e-9) {
            return null;
        }

        return self::hit($rig, $element, $amps, $limit, $device, $school, self::sizeFor($amps, $school));
    }

    private static function dc(Examination $rig, Element $element, float $amps, string $source, string $device, Ampacity $school, ?float $ampacity): ?Hit
    {
        if (is_infinite($amps)) {
            $length = $element->cable->lengthM ?? 0;
            if ($length <= self::UNFUSED_M) {
                return null;
            }
            $label = $rig->rig->label($element->component);

            return new Hit(
                $element->component . '|unfused',
                sprintf('%s (%s) is joined to the bank with no fuse between. A short on it is fed by everything the bank has.', $label, $element->cable?->spoken()),
                [$element->component, $rig->graph->sources[$source]->component],
                [new Figure('Unfused length', $length, 'm', 'from the bank along the lead', Source::recalled('ABYC E-11: fuse within 7 in of the post, up to 72 in when sheathed its whole length'), self::UNFUSED_M)],
                paths: [[$rig->graph->sources[$source]->a, $element->b]],
                severity: $length <= self::UNFUSED_SHEATHED_M ? Severity::Warning : Severity::Danger,
                title: 'Lead without a fuse',
            );
        }
        // A tap no longer than 7 in to its own fuse counts as fused at its connection.
        if ($ampacity === null || $amps <= $ampacity + 1e-9 || (($element->cable->lengthM ?? 0) <= self::UNFUSED_M && self::endsOnFuse($rig, $element))) {
            return null;
        }

        return self::hit($rig, $element, $amps, $ampacity, $device, $school, self::sizeFor($amps, $school));
    }

    private static function endsOnFuse(Examination $rig, Element $element): bool
    {
        foreach ([$element->a, $element->b] as $terminal) {
            if ($rig->rig->find(explode('.', $terminal)[0]) instanceof \Hollin\Core\Components\Battery\DcFuse) {
                return true;
            }
        }

        return false;
    }

    private static function hit(Examination $rig, Element $element, float $amps, float $limit, string $device, Ampacity $school, ?string $size): Hit
    {
        $label = $rig->rig->label($element->component);
        $by = $device === '' ? 'its source' : ($device === $element->component ? 'its breaker' : $rig->rig->label($device));
        $component = $rig->rig->find($element->component);
        $place = $component instanceof \Hollin\Core\Components\Supply\Inlet ? '/cord/size' : '/cable/size';

        return new Hit(
            $element->component . '|' . $device,
            sprintf('%s: %s of %s may carry %g A here, and %s lets %g A through.', $label, $element->cable?->size->spoken(), self::what($element->cable), $limit, $by, $amps),
            array_values(array_filter([$element->component, $device])),
            [new Figure('Device ahead of it', $amps, 'A', 'largest current that can arrive before a device opens', $school->source(), $limit, $component?->values->group('cable')?->basis('size')?->value === 'assumed')],
            $size === null ? [] : [Remedy::set(sprintf('Run %s for %s', \Hollin\Core\Reference\ConductorSize::of($size)->spoken(), $label), 'carries what the device allows', $element->component, $place, ['value' => $size, 'basis' => 'told'])],
            title: 'Device too large for its conductor',
        );
    }

    private static function what(?Cable $cable): string
    {
        return match ($cable?->sheath) {
            'cord' => 'flexible cord', 'fine', 'single' => 'single cable', default => 'sheathed cable',
        };
    }

    private static function school(Element $element, Examination $rig): Ampacity
    {
        return match (true) {
            $element->role === Role::DcPositive => $rig->needs->school,
            $element->cable?->sheath === 'cord' => Ampacity::Cord,
            default => Ampacity::Branch,
        };
    }

    /** Smallest AWG size that a school lets carry a current behind a device of that rating. */
    private static function sizeFor(float $amps, Ampacity $school): ?string
    {
        foreach (\Hollin\Core\Reference\ConductorSize::all() as $designation => $size) {
            $gauge = explode(':', $designation)[1];
            $limit = $school === Ampacity::Branch ? (ConductorTables::SMALL_CONDUCTOR_LIMIT[$gauge] ?? $school->ofSize($size)) : $school->ofSize($size);
            if ($size->isAwg() && $limit !== null && $limit >= $amps) {
                return $designation;
            }
        }

        return null;
    }
}
