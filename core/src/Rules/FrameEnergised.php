<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Supply;
use Hollin\Core\Network\Walk;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\Solve\LiveAc;
use Hollin\Core\States\NamedState;
use Hollin\Core\States\Situation;

/**
 * The frame stands at a voltage to earth: somebody on the ground who touches the rig carries the
 * current. Judged in every named state and at every faulty pedestal, through a person of 1 kΩ.
 */
final class FrameEnergised implements RigRule
{
    private const PERSON_OHM = 1000.0;

    /** Faults that no measurement between the conductors at hand can show. */
    private const HIDDEN = ['bootleg', 'raised_ground'];

    public static function definition(): Definition
    {
        return new Definition(
            'frame_energised',
            Severity::Danger,
            'Hot skin: frame at a voltage to earth',
            'A pedestal that puts line voltage on the ground conductor energises the whole vehicle. A surge ' .
                'unit opens hot and neutral, never the ground, so it cannot take that away. Two of these faults ' .
                'cannot be found from inside: every tester says good. Only the frame against independent earth, ' .
                'or a non-contact detector on the skin, shows them.',
            Source::recalled(
                'IEC 60479-1 for touch current (from memory: 0.5 mA felt, 5 mA let-go of children, 30 mA ' .
                    'dangerous); body taken as 1 kΩ',
            ),
            [
                Sample::found('any rig at a pedestal with the hot on its ground pin'),
                Sample::found('the same behind a surge unit', ...ReversedPolarity::guarded()),
                Sample::silent(
                    'a rig that meets no pedestal',
                    ['kind' => 'survey_remove', 'component' => 'feeder_main'],
                    ['kind' => 'survey_remove', 'component' => 'shore'],
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->named as $id => $state) {
            // Bonded to a sound earth, or with no source that refers to earth, there is nothing to solve.
            $situation = $rig->settled[$id]->situation;
            if ($situation->joined('frame', 'earth') || !self::refersToEarth($rig, $situation)) {
                continue;
            }
            [$volts, $amps] = LiveAc::touch($rig->settled[$id], $rig->allLoads(), self::PERSON_OHM);
            $hit =
                $amps < 0.0005
                    ? null
                    : self::hit(
                        $rig,
                        "always|{$id}",
                        $volts,
                        $amps,
                        sprintf('In "%s" the frame stands at %.0f V to earth.', $state->title, $volts),
                        $id,
                        null,
                        null,
                    );
            if ($hit !== null) {
                $hits[] = $hit;
            }
        }
        $worst = [];
        foreach ($rig->faults() as $id => $state) {
            $settled = $rig->faulty()[$id];
            $fault = $state->fault ?? throw new \LogicException("{$id} is about no fault");
            $frame = $settled->situation->root('frame');
            $hard = array_filter($settled->situation->acSources(), fn(array $s): bool => $s[0] === $frame) !== [];
            if (!$hard && !in_array($fault->value, ['open_ground', 'raised_ground'], true)) {
                continue;
            }
            [$volts, $amps] = LiveAc::touch($settled, $rig->allLoads(), self::PERSON_OHM);
            if ($amps >= 0.0005) {
                $worst[] = [$amps, $volts, $state, $fault];
            }
        }
        // One thing is to do about them all: they fold under the worst.
        uasort($worst, fn(array $a, array $b): int => $b[0] <=> $a[0]);
        $first = null;
        foreach ($worst as [$amps, $volts, $state, $fault]) {
            $text = sprintf(
                'At a pedestal with %s%s the frame stands at %.0f V to earth. %s%s',
                lcfirst($fault->words),
                $fault->first ? '' : " on {$rig->graph->label($fault->supply)}",
                $volts,
                self::guard($rig, $state->id),
                in_array($fault->value, self::HIDDEN, true) ? ' It cannot be found from inside the rig.' : '',
            );
            $hits[] = self::hit(
                $rig,
                "pedestal|{$fault->key()}",
                $volts,
                $amps,
                $text,
                null,
                $state,
                Ways::outside($fault->words),
                $first,
            );
            $first ??= "frame_energised|pedestal|{$fault->key()}";
        }

        return $hits;
    }

    private static function hit(
        Examination $rig,
        string $key,
        float $volts,
        float $amps,
        string $text,
        ?string $state,
        ?NamedState $proof,
        ?Ways $ways,
        ?string $because = null,
    ): Hit {
        $severity = $amps >= 0.03 ? Severity::Danger : ($amps >= 0.005 ? Severity::Warning : Severity::Advice);
        $shore =
            $proof->fault->supply ??
            array_key_first(array_filter($rig->graph->supplies, fn(Supply $s): bool => $s->kind === 'shore'));

        return new Hit(
            $key,
            $text,
            $shore === null ? [] : [$shore],
            [
                new Figure(
                    'Frame to earth',
                    $volts,
                    'V',
                    'load flow with a person of 1 kΩ between frame and earth',
                    Source::computed('load flow'),
                    null,
                    true,
                    of: new Of(Quantity::OpenVolts, (string) $shore),
                ),
                new Figure(
                    'Touch current',
                    $amps * 1000,
                    'mA',
                    sprintf('%.1f V ÷ 1 kΩ', $amps * self::PERSON_OHM),
                    Source::recalled('IEC 60479-1'),
                    0.5,
                    true,
                    of: new Of(Quantity::Short, (string) $shore),
                ),
            ],
            $proof === null ? [] : SurgeUnitInLine::of($rig),
            severity: $severity,
            title: $proof === null
                ? 'Hot skin: frame at a voltage to earth'
                : 'Hot skin: ' . lcfirst($proof->fault->words ?? $proof->title),
            state: $state,
            ways: $ways,
            proof: $proof,
            because: $because,
        );
    }

    /** Whether some live source that reaches the rig has its ground in the earth. */
    private static function refersToEarth(Examination $rig, Situation $situation): bool
    {
        foreach ($situation->acSources() as $id => [$hot]) {
            if (!$situation->joined($rig->graph->sources[$id]->ground, 'earth')) {
                continue;
            }
            foreach ($rig->graph->exposed as $pins) {
                if (in_array($hot, array_map($situation->root(...), $pins->pins), true)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** What a surge unit between that pedestal and the rig does about it. */
    private static function guard(Examination $rig, string $state): string
    {
        $settled = $rig->faulty()[$state];
        $fault = $rig->faults()[$state]->fault;
        $pedestal = $rig->graph->sources[$rig->graph->supplies[(string) $fault?->supply]->source]->a;
        foreach ($rig->graph->partsOf('surge_unit') as $unit) {
            $before = Walk::reach(
                $rig->graph,
                [$pedestal],
                fn(Element $e): bool => $e->role === Role::L1 && $e->component !== $unit->id,
            );
            if (!array_key_exists("{$unit->id}.in.l", $before)) {
                continue;
            }

            return $settled->positions[$unit->text('cutOff')] === 'open'
                ? "{$unit->label} cuts off hot and neutral, but the ground stays connected."
                : "{$unit->label} notices nothing and lets it in.";
        }

        return 'No surge unit is fitted.';
    }
}
