<?php

declare(strict_types=1);

namespace Hollin\Core\Components\Supply;

use Hollin\Core\Components\Component;
use Hollin\Core\Components\Plate;
use Hollin\Core\Components\Rig;
use Hollin\Core\Job\Field;
use Hollin\Core\Network\About;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Occasion;
use Hollin\Core\Network\Port;
use Hollin\Core\Network\Role;
use Hollin\Core\Network\Source;
use Hollin\Core\Network\Supply;
use Hollin\Core\Network\SupplyCondition;
use Hollin\Core\Network\Surrounding;

/** The outside 120 V supplies a rig meets, each behind its pedestal breaker, bonded at the service. */
final class ShoreSupply extends Component
{
    private const VOLTS = 120.0;

    /** What a neighbour's uncleared fault may lift a park's ground to, V, and through what, ohm. Assumed. */
    private const RAISED_V = 60.0;

    private const ELECTRODE_OHM = 25.0;

    /** Service impedance seen at a pedestal, ohm. Assumed: about 1 kA prospective. */
    private const IMPEDANCE_OHM = 0.12;

    /** What a single-leg pedestal can be like, as it is found at the receptacle. */
    private const CONDITIONS = [
        'good' => 'good',
        'low' => 'low voltage',
        'dead' => 'dead (breaker off or outage)',
        'high' => 'high voltage',
        'reversed' => 'hot and neutral reversed',
        'open_ground' => 'ground open',
        'open_neutral' => 'neutral open',
        'hot_ground' => 'hot on the ground pin',
        'bootleg' => 'reversed, ground bootlegged to neutral',
        'raised_ground' => 'park ground raised by a neighbour\'s fault',
        'wired_240' => '30 A receptacle wired for 240 V',
    ];

    /**
     * Of these, what is no fault of the wiring. Every device that looks takes high volts as it takes low ones: not
     * good.
     */
    private const SOUND = ['good', 'low', 'dead', 'high'];

    /** Face of the receptacle => service conductor => conditions in which the two are joined. */
    private const WIRING = [
        'l' => [
            'l' => [
                'good',
                'low',
                'dead',
                'high',
                'open_ground',
                'open_neutral',
                'hot_ground',
                'raised_ground',
                'wired_240',
            ],
            'n' => ['reversed', 'bootleg'],
        ],
        'n' => [
            'n' => ['good', 'low', 'dead', 'high', 'open_ground', 'hot_ground', 'raised_ground', 'wired_240'],
            'l' => ['reversed', 'bootleg'],
        ],
        'g' => [
            'g' => ['good', 'low', 'dead', 'high', 'reversed', 'open_neutral', 'raised_ground', 'wired_240'],
            'l' => ['hot_ground', 'bootleg'],
        ],
    ];

    public static function type(): string
    {
        return 'shore_supply';
    }

    public static function summary(): string
    {
        return 'The 120 V supplies the rig meets through its one inlet, with the pedestal breaker of each; neutral ' .
            'and ground are bonded at the service.';
    }

    public static function fields(): array
    {
        return [
            'reaches' => Field::ref('Inlet it is plugged into', 'inlet'),
            'supplies' => Field::map('Supplies', [
                'ratingA' => Field::integer('Pedestal breaker, A', 5, 50),
                'adapter' => Field::text('Adapter used', 80)->optional(),
                'order' => Field::number('Order', '', -1e6, 1e6)->optional(),
            ]),
        ];
    }

    /** @return array<string, int> supply id => pedestal breaker in A, largest first */
    public function supplies(): array
    {
        $ratings = array_map(fn($supply): int => $supply->integer('ratingA'), $this->values->entries('supplies'));
        arsort($ratings);

        return $ratings;
    }

    public function offersTo(string $inlet): array
    {
        return $inlet === $this->values->text('reaches')
            ? array_map(
                fn(int $ratingA): array => [
                    'words' => "plugged into {$ratingA} A",
                    'port' => Port::named($this->id),
                    'ratingA' => (float) $ratingA,
                ],
                $this->supplies(),
            )
            : [];
    }

    /** Id of the pedestal's condition. */
    public function condition(): string
    {
        return "{$this->id}.condition";
    }

    /**
     * @return array<string, string> what can be wrong with a pedestal while it stays plugged in, in the field's words
     */
    public static function faults(): array
    {
        return array_diff_key(self::CONDITIONS, array_flip(self::SOUND));
    }

    public function compile(Graph $graph, Rig $rig): void
    {
        $service = Port::named("{$this->id}.service");
        $face = Port::named($this->id);
        $condition = $this->condition();
        // The receptacle's face against the service behind it: where a miswired pedestal differs.
        foreach (self::WIRING as $face_pole => $poles) {
            foreach ($poles as $service_pole => $in) {
                $role = ['l' => Role::L1, 'n' => Role::N, 'g' => Role::PE][$face_pole];
                $graph->contact(
                    "{$this->id}.face_{$face_pole}{$service_pole}",
                    $this->id,
                    "{$this->id}.service.{$service_pole}",
                    "{$this->id}.{$face_pole}",
                    $role,
                    $condition,
                    $in,
                );
            }
        }
        $graph->bond("{$this->id}.service_bond", $this->id, $service->neutral, $service->ground);
        $sound = array_values(array_diff(array_keys(self::CONDITIONS), ['raised_ground']));
        $graph->contact("{$this->id}.electrode", $this->id, $service->ground, 'earth', Role::PE, $condition, $sound);
        $graph->source(
            new Source(
                "{$this->id}.raise",
                $this->id,
                'neighbour\'s fault',
                'X',
                'stray',
                false,
                $service->ground,
                'earth',
                'earth',
                self::RAISED_V,
                10.0,
                device: $condition,
                positions: ['raised_ground'],
                impedanceOhm: self::ELECTRODE_OHM,
            ),
        );
        $supplies = $this->supplies();
        $graph->surroundings[$condition] = new Surrounding(
            $condition,
            'Pedestal',
            self::CONDITIONS,
            $this->values->text('reaches') . '.plug',
            array_map(strval(...), array_keys($supplies)),
            self::SOUND,
            self::distinct($rig),
            $this->id,
        );
        $graph->terminal($face->hot, $face->neutral, $face->ground);
        $graph->source(
            new Source(
                "{$this->id}.supply",
                $this->id,
                'shore',
                'S',
                'ac',
                true,
                $service->hot,
                $service->neutral,
                $service->ground,
                self::VOLTS,
                (float) (reset($supplies) ?: 30),
                surrounding: $condition,
                impedanceOhm: self::IMPEDANCE_OHM,
            ),
        );
        $graph->supplies[$this->id] = new Supply(
            $this->id,
            'shore',
            "{$this->id}.supply",
            array_map(floatval(...), $supplies),
            true,
        );
        array_push($graph->occasions, ...$this->occasions($supplies));
    }

    /**
     * Sound conditions in which devices behave differently: high volts are as low ones to a rig in
     * which everything that looks refuses both, or takes both.
     *
     * @return list<string>
     */
    private static function distinct(Rig $rig): array
    {
        foreach ($rig->components as $component) {
            [$low, $high] = $component->window() ?? [0.0, INF];
            if (
                SupplyCondition::volts('low', self::VOLTS) >= $low !==
                SupplyCondition::volts('high', self::VOLTS) <= $high
            ) {
                return ['good', 'low', 'dead', 'high'];
            }
        }

        return ['good', 'low', 'dead'];
    }

    public function plate(): Plate
    {
        return new Plate('supplies', 'chip', 0, [implode(' / ', $this->supplies()) . ' A · 120 V']);
    }

    public function referenceProblems(array $others): array
    {
        $problems = $this->mustBe($others, '/reaches', $this->values->text('reaches'), Inlet::class);
        if ($this->supplies() === []) {
            $problems[] = ['/supplies', 'must name at least one supply, for example "s30": {"ratingA": 30}.'];
        }

        return $problems;
    }

    /**
     * Plugged in, into each of its receptacles; with the inverter on; and dead or too low while the inverter goes on.
     *
     * @param array<string, int> $supplies position of the cord => A
     * @return list<Occasion>
     */
    private function occasions(array $supplies): array
    {
        $shore = fn(
            string $kind,
            string $title,
            string $letter,
            string $position,
            mixed ...$more,
        ): Occasion => new Occasion(
            $this->id,
            $kind,
            $title,
            "{$this->label()}: {$title}",
            About::Shore,
            $letter,
            "{$this->id}.supply",
            $position,
            ...$more,
        );
        $occasions = [];
        foreach (array_keys($supplies) as $i => $position) {
            $title = sprintf('shore %g A', $supplies[$position]);
            $occasions[] = $shore(
                "shore_{$position}",
                $title,
                ['S', 'H', 'Q'][$i] ?? 'P',
                (string) $position,
                mode: 'charge',
            );
        }
        $largest = (string) array_key_first($supplies);

        return [
            ...$occasions,
            $shore('shore_and_inverter', 'shore, inverter on', 'B', $largest, withInverter: true),
            $shore(
                'dead_pedestal',
                'dead pedestal, inverting',
                'D',
                $largest,
                condition: 'dead',
                inverting: true,
                besideInverter: true,
            ),
            $shore(
                'low_shore',
                'shore too low, inverting',
                'L',
                $largest,
                condition: 'low',
                inverting: true,
                besideInverter: true,
                judged: true,
            ),
        ];
    }
}
