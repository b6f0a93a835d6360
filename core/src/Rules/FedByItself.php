<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/** The input of an inverter/charger hangs on its own output. */
final class FedByItself implements StateRule, Unclaimed
{
    public static function definition(): Definition
    {
        return new Definition(
            'fed_by_itself',
            Severity::Danger,
            'Inverter feeds its own input',
            'An inverter/charger whose input hangs on the panel it feeds gets no supply; it sees volts and ' .
                'hertz at its input as from any supply, may close its relay on itself and charge its battery ' .
                'from its battery. Its feed belongs on the shore side.',
            Source::commonPractice(),
            [
                Sample::found(
                    'the unit\'s feed moved to the panel it feeds',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                    Sample::move('inverter_feed', 'inverter_panel'),
                ),
                Sample::silent(
                    'its feed on the main panel',
                    Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
                ),
            ],
        );
    }

    public static function whyUnclaimed(): string
    {
        return 'A pass-through that welds is this by itself: it is told with joined sources and live pins.';
    }

    public function hits(Situation $situation, Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->converters as $unit) {
            if ($unit->kind !== PowerConverter::CHARGER || $unit->throughInput === []) {
                continue;
            }
            foreach ($situation->acSources() as $id => [$hot]) {
                $source = $rig->graph->sources[$id];
                if (
                    $source->component !== $unit->component ||
                    $situation->root($unit->input[0]) !== $hot ||
                    isset($hits[$unit->component])
                ) {
                    continue;
                }
                $on = array_map(
                    fn(string $e): string => $rig->graph->elements[$e]->component ?? $e,
                    Path::between($situation, $source->a, $unit->input[0])['elements'],
                );
                $hits[$unit->component] = new Hit(
                    $unit->component,
                    sprintf(
                        'The AC input of %s is joined with its own output: it has no supply to pass through, ' .
                            'and takes itself for one.',
                        $rig->graph->label($unit->component),
                    ),
                    array_values(array_unique([$unit->component, ...$on])),
                    paths: [[$source->a, $unit->input[0]]],
                );
            }
        }

        return array_values($hits);
    }
}
