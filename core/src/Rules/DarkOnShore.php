<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Device;
use Hollin\Core\Reference\Source;

/** A unit that, switched off, lets no supply through, with no way around it: plugged in, and dark. */
final class DarkOnShore implements RigRule
{
    public static function definition(): Definition
    {
        $closed = Sample::set('inverter', '/passesWhenOff', false);

        return new Definition(
            'dark_on_shore',
            Severity::Warning,
            'Dead on shore with the inverter off',
            'Some inverter/chargers pass a supply through only while they are switched on or to charging. ' .
                'Switched off, or failed, everything behind them is dead though the rig is plugged in; a bypass ' .
                'or a unit that passes when off keeps it alive.',
            Source::commonPractice(),
            [
                Sample::found('a unit that passes nothing when off', Sample::choose('in_line'), $closed),
                Sample::silent('a unit that passes when off', Sample::choose('in_line')),
                Sample::silent(
                    'a unit that passes nothing when off, with a bypass',
                    Sample::choose('in_line', ['bypass' => true]),
                    $closed,
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        $modes = array_filter(
            $rig->graph->devices,
            fn(Device $d): bool => $d->job === 'mode' && isset($d->positions['off']),
        );
        $around =
            array_filter(
                $rig->graph->devices,
                fn(Device $d): bool => isset($d->positions['past']) && !$d->isAutomatic(),
            ) !== [];
        foreach ($around ? [] : $modes as $id => $mode) {
            foreach ($rig->named as $state => $named) {
                $supplied = $this->fromOutside($rig, $rig->settled[$state]->situation->liveness());
                if ($supplied === [] || ($named->setting->controls[$id] ?? 'off') === 'off') {
                    continue;
                }
                $off = $rig->engine->settle($named->setting->with($id, 'off'))->situation->liveness();
                $dark = array_values(array_filter($supplied, fn(string $circuit): bool => !$off[$circuit]->runs()));
                if ($dark !== []) {
                    $said = $rig->graph->partAt($mode->component)?->has('passesWhenOff') === true;
                    $labels = array_map($rig->graph->label(...), array_slice($dark, 0, 4));
                    $hits[$mode->component] = new Hit(
                        $mode->component,
                        sprintf(
                            'Plugged in, with %s switched off, %s %s dead: %s and nothing leads around it.',
                            $rig->graph->label($mode->component),
                            implode(', ', $labels) .
                                (count($dark) > 4 ? sprintf(' and %d more', count($dark) - 4) : ''),
                            count($dark) === 1 ? 'is' : 'are',
                            $said ? 'it passes nothing then' : 'nobody has said that it passes anything then,',
                        ),
                        [$mode->component, ...array_slice($dark, 0, 6)],
                        severity: $said ? Severity::Warning : Severity::Advice,
                        remedies: [
                            Remedy::set(
                                "Use a unit that passes when off for {$rig->graph->label($mode->component)}",
                                'its relay passes a good supply whatever its switch says',
                                $mode->component,
                                '/passesWhenOff',
                                true,
                            ),
                        ],
                        state: $state,
                    );
                    break;
                }
            }
        }

        return array_values($hits);
    }

    /**
     * @param array<string, \Hollin\Core\States\Liveness> $liveness
     * @return list<string> circuits that a supply from outside runs
     */
    private function fromOutside(Examination $rig, array $liveness): array
    {
        return array_keys(
            array_filter(
                $liveness,
                fn($l): bool => $l->runs() &&
                    isset($rig->graph->supplies[$rig->graph->sources[(string) $l->source]->component]),
            ),
        );
    }
}
