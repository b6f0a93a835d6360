<?php

declare(strict_types=1);

namespace Hollin\Core\Rules;

use Hollin\Core\Network\Element;
use Hollin\Core\Network\PowerConverter;
use Hollin\Core\Reference\Figure;
use Hollin\Core\Reference\ForHours;
use Hollin\Core\Reference\Of;
use Hollin\Core\Reference\Quantity;
use Hollin\Core\Reference\Source;
use Hollin\Core\States\Situation;

/** The input limit leaves the charger less than it could take: the bank fills late or never. */
final class ChargeHeldBack implements RigRule
{
    public static function definition(): Definition
    {
        $little = [
            'kind' => 'set_need',
            'path' => '/scenarios/little',
            'value' => ['title' => 'Fridge', 'running' => ['c_fridge.element' => true]],
        ];

        return new Definition(
            'charge_held_back',
            Severity::Advice,
            'Charging held back by the input limit',
            'An input-current limit set for a small supply stays set on a large one. What the loads take is ' .
                'taken from the charger first.',
            Source::commonPractice(),
            [
                Sample::found(
                    'limit left at 12 A',
                    $little,
                    Sample::choose('in_line', ['inputLimitA' => 12, 'chargerA' => 100]),
                ),
                Sample::silent(
                    'limit as large as the supply',
                    $little,
                    Sample::choose('in_line', ['inputLimitA' => 30, 'chargerA' => 60]),
                ),
            ],
        );
    }

    public function hits(Examination $rig): array
    {
        $hits = [];
        foreach ($rig->graph->converters as $unit) {
            if ($unit->kind !== PowerConverter::CHARGER || $unit->inputLimitA === null) {
                continue;
            }
            $id = $unit->component;
            $wants = $unit->fullInputW() / 120;
            foreach ($rig->currents()->amps as $state => $scenarios) {
                $supply = $rig->currents()->supplyA($rig->settled[$state]);
                if ($supply === null || !isset($rig->settled[$state]->situation->charging()[$unit->id])) {
                    continue;
                }
                foreach ($scenarios as $scenario => $amps) {
                    $through = array_sum(array_map(fn(string $e): float => $amps[$e] ?? 0.0, $unit->throughInput));
                    $left = max(0.0, $unit->inputLimitA - $through);
                    // Only where the supply itself could give more, for the hours that charging takes.
                    $could = min($wants, max(0.0, ForHours::amps($supply) - $through));
                    if ($wants <= 0 || $left >= 0.8 * $could) {
                        continue;
                    }
                    $hits[$id] ??= new Hit(
                        $id,
                        sprintf(
                            'In "%s" on %g A the limit of %g A leaves the charger of %s %.1f A of the %.1f A ' .
                                'it could take.',
                            $rig->needs->scenarios[$scenario]['title'],
                            $supply,
                            $unit->inputLimitA,
                            $rig->graph->label($id),
                            $left,
                            $could,
                        ),
                        [$id],
                        [
                            new Figure(
                                'Left for charging',
                                $left,
                                'A',
                                sprintf('%g A limit − %.1f A passing through', $unit->inputLimitA, $through),
                                Source::computed('arithmetic'),
                                $could,
                                of: new Of(Quantity::Current, $unit->id),
                            ),
                        ],
                        self::higher($rig, $rig->settled[$state]->situation, $unit, $supply),
                        state: $state,
                    );
                }
            }
        }

        return array_values($hits);
    }

    /**
     * @return list<Remedy> a limit as high as the supply gives for hours, but never past what a cable, an inlet or a
     *      cord on the way may carry
     */
    private static function higher(Examination $rig, Situation $situation, PowerConverter $unit, float $supplyA): array
    {
        $source = $situation->workingSource($unit->input[0], $unit->input[1]);
        $way =
            $source === null
                ? []
                : Path::between($situation, $rig->graph->sources[$source]->a, $unit->input[0])['elements'];
        $limit = floor(
            min(
                ForHours::amps($supplyA),
                Devices::leastOf(array_map(fn(string $id): Element => $rig->graph->elements[$id], $way)),
            ),
        );

        return $limit <= $unit->inputLimitA
            ? []
            : [
                Remedy::set(
                    sprintf('Set the input limit to %g A', $limit),
                    'set it back on a smaller supply',
                    $unit->component,
                    '/inputLimitA',
                    $limit,
                ),
            ];
    }
}
