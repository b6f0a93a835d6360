<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Load;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Settled;

/** A motor that is thrown over, still turning, to another source that is not in step with the first. */
final class MotorTransfer implements RigRule
{
    public static function definition(): Definition
    {
        return new Definition(
            'motor_transfer',
            Severity::Warning,
            'Motor switched over out of phase',
            'A motor keeps a voltage of its own while it turns down, for about half a second. An automatic ' .
                'switch that goes from one live source to another in less than that can meet it out of step: the ' .
                'current is that of a start or twice it, a compressor stalls on its own pressure, and breakers ' .
                'trip at each transfer. An inverter/charger brings itself into step before it lets the supply ' .
                'through; two separate sources never do.',
            Source::commonPractice(),
            [
                Sample::found(
                    'automatic transfer between an inverter and shore, air conditioner behind it',
                    Sample::alone('transfer_whole'),
                ),
                Sample::silent(
                    'changeover by hand, through off',
                    Sample::alone('transfer_whole', ['switch' => 'manual']),
                ),
                Sample::silent('inverter/charger in line', Sample::choose('in_line')),
                Sample::silent(
                    'only outlets behind the switch',
                    Sample::alone('transfer_circuit', ['circuit' => 'c_outlets']),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $motors = array_filter($rig->graph->loads, fn(Load $l): bool => $l->kind === 'motor');
        $hits = [];
        foreach ($motors === [] ? [] : $rig->graph->partsOf('transfer_switch') as $id => $switch) {
            // The first state that shows it is enough.
            $handle = $switch->text('handle');
            foreach ($switch->text('kind') === 'automatic' ? $rig->settled : [] as $state => $rest) {
                $other = $rest->positions[$handle] === 'a' ? 'b' : 'a';
                $over = $rig->engine->settle($rest->setting, [$handle => $other] + $rest->positions);
                $thrown = array_filter(array_map(fn(Load $l): ?array => self::sources($over, $l), $motors));
                if ($thrown === []) {
                    continue;
                }
                [$from, $to] = array_map(
                    fn(string $s): string => $rig->graph->label($rig->graph->sources[$s]->component),
                    array_values($thrown)[0],
                );
                $names = implode(
                    ', ',
                    array_map(fn(Load $l): string => $l->label, array_intersect_key($motors, $thrown)),
                );
                $hits[] = new Hit(
                    $id,
                    sprintf(
                        '%s goes from %s to %s with both live and without a pause. What turns then meets the ' .
                            'other out of step: %s.',
                        $switch->label,
                        $from,
                        $to,
                        $names,
                    ),
                    [
                        $id,
                        ...array_values(
                            array_unique(
                                array_map(fn(Load $l): string => $l->circuit, array_intersect_key($motors, $thrown)),
                            ),
                        ),
                    ],
                    state: $state,
                );
                break;
            }
        }

        return $hits;
    }

    /** @return ?array{string, string} the source a load leaves and the one it meets at once, both live */
    private static function sources(Settled $over, Load $load): ?array
    {
        $passing = array_key_last($over->passing);
        $from = $passing === null ? null : $over->passing[$passing]['situation']->workingSource($load->a, $load->b);
        $to = $over->situation->workingSource($load->a, $load->b);

        return $from !== null && $to !== null && $from !== $to && isset($over->situation->acSources()[$from])
            ? [$from, $to]
            : null;
    }
}
