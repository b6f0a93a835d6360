<?php

declare(strict_types=1);

namespace Hollin\Core\Answers;

use Hollin\Core\Job\Values;
use Hollin\Core\Network\Graph;
use Hollin\Core\Place\Balance;
use Hollin\Core\Place\Feed;
use Hollin\Core\Place\Fit;
use Hollin\Core\Place\Heat;
use Hollin\Core\Place\Inventory;
use Hollin\Core\Place\Item;
use Hollin\Core\Place\Looks;
use Hollin\Core\Place\Spot;
use Hollin\Core\Place\Usual;
use Hollin\Core\Place\Zone;
use stdClass;

/** Where things stand: the rig on its supports before and after, what fits where, heat, and what is wrong with it. */
final readonly class PlaceAnswer
{
    private Inventory $inventory;

    private Balance $balance;

    private Values $rig;

    /**
     * @param stdClass $document a job file
     * @param string $plan empty for the rig as found
     * @param array<string, array<string, mixed>> $moved item => where it would stand instead
     */
    public function __construct(
        Graph $found,
        private Graph $after,
        private stdClass $document,
        string $plan,
        array $moved = [],
    ) {
        $place = self::said($document);
        $this->rig = new Values($place->rig ?? new stdClass());
        $this->inventory = new Inventory($found, $after, $place, $plan, $moved);
        $this->balance = new Balance($this->rig, $document->rig->kind, $this->inventory->items);
    }

    private static function said(stdClass $document): stdClass
    {
        return $document->place ?? new stdClass();
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $looks = (new Looks($this->inventory, self::said($this->document)))->all();
        $zones = array_values(array_map($this->zone(...), $this->inventory->zones));

        return [
            'rig' => $this->outline(),
            'scales' => $this->balance->scales(),
            'words' => $this->words(),
            'sides' => [
                'leftKg' => round($this->balance->left, 1),
                'rightKg' => round($this->balance->right, 1),
            ],
            'moreKg' => round($this->balance->more, 1),
            'perMetre' => $this->balance->perMetre(),
            'items' => array_values(array_map($this->item(...), $this->shown())),
            'zones' => $zones,
            'looks' => $looks,
            'ways' => $this->ways(),
            'feeds' => Feed::of($this->after, $this->inventory->distances()),
            'nowhere' => array_map(strval(...), array_keys($this->balance->nowhere)),
        ];
    }

    /** @return array<string, mixed> */
    private function outline(): array
    {
        $motor = $this->balance->isMotor();
        $base = $this->balance->baseM();
        // Usual proportions, only to draw by: a trailer's axles stand at three fifths of its body.
        $body = $this->rig->numberOrNull('bodyM') ?? ($base === null ? 6.0 : ($motor ? $base * 1.6 : $base * 1.3));
        $nose = $this->rig->numberOrNull('noseM') ?? ($motor ? -0.9 : 1.2);

        return [
            'motor' => $motor,
            'kind' => $this->document->rig->kind,
            'baseM' => $base ?? round($motor ? $body * 0.6 : $nose + $body * 0.6, 2),
            'noseM' => $nose,
            'bodyM' => round($body, 2),
            'widthM' => $this->rig->number('widthM', 2.4),
            'heightM' => $this->rig->number('heightM', 2.1),
            'axles' => $motor ? 1 : $this->rig->integer('axles', 1),
            'drawn' => $base !== null && $this->rig->has('bodyM') && $this->rig->has('noseM'),
            'weighedBy' => $this->rig->text('weighedBy', 'assumed'),
        ];
    }

    /** @return array{text: string, level: string, lines: list<string>} */
    private function words(): array
    {
        $before = $this->balance->before;
        $after = $this->balance->after;
        if ($before === null || $after === null) {
            return [
                'text' =>
                    $this->balance->contradiction() ??
                    'Weigh it first: ' .
                        ($this->balance->isMotor()
                            ? 'the front and the rear axle, and the wheelbase.'
                            : 'all of it and the coupler, and how far the axles are behind the coupler.'),
                'level' => 'unknown',
                'lines' => [],
            ];
        }
        $lines = [];
        $level = 'good';
        foreach ($this->balance->scales() as $scale) {
            if ($scale['over']) {
                $level = 'danger';
                $lines[] = sprintf(
                    '%s: %.0f kg, and it may carry %.0f kg.',
                    $scale['label'],
                    $scale['afterKg'],
                    $scale['limitKg'],
                );
            } elseif ($scale['limitKg'] === null) {
                $lines[] = "{$scale['label']}: nobody has said what it may carry.";
                $level = $level === 'good' ? 'unknown' : $level;
            }
        }
        $band = $this->balance->band();
        $text = $this->balance->more == 0.0 ? '' : sprintf('%+.0f kg in all; ', $this->balance->more);
        if ($band !== null) {
            $share = $after->share();
            $out = $share < $band[0] || $share > $band[1];
            $was = $before->share() < $band[0] || $before->share() > $band[1];
            $text .= sprintf(
                'the %s carries %.1f %% of it',
                $this->balance->hasPin() ? 'pin' : 'coupler',
                100 * $share,
            );
            $text .=
                abs($share - $before->share()) < 5e-4 ? '' : sprintf(', and carried %.1f %%', 100 * $before->share());
            if ($out) {
                $level = 'danger';
                array_unshift(
                    $lines,
                    sprintf(
                        $share < $band[0]
                            ? 'Below %.0f %% a trailer sways%s.'
                            : 'Above %.0f %% the coupler and the towing vehicle are asked for too much%s.',
                        100 * ($share < $band[0] ? $band[0] : $band[1]),
                        $was ? '; it was so before' : '',
                    ),
                );
            }
        }
        if ($band === null) {
            $text .= sprintf(
                'front axle %+.0f, rear axle %+.0f kg',
                $after->near - $before->near,
                $after->far - $before->far,
            );
        }
        if ($this->balance->nowhere !== []) {
            $lines[] = 'Without ' . $this->nowhere() . ': nobody has said where.';
            $level = $level === 'good' ? 'unknown' : $level;
        }
        if ($this->rig->text('weighedBy', 'assumed') !== 'scale') {
            $lines[] = 'These weights are not from a scale.';
            $level = $level === 'good' ? 'unknown' : $level;
        }

        return ['text' => ucfirst($text) . '.', 'level' => $level, 'lines' => $lines];
    }

    /** What changes without a place: each of a kilogram or more by name, the rest by its sum. */
    private function nowhere(): string
    {
        $heavy = array_filter($this->balance->nowhere, fn(float $kg): bool => $kg >= 1);
        $said = array_map(
            fn(string $label, float $kg): string => sprintf('%s (%.0f kg)', $label, $kg),
            array_keys($heavy),
            $heavy,
        );
        $rest = array_sum($this->balance->nowhere) - array_sum($heavy);
        $small = count($this->balance->nowhere) - count($heavy);
        if ($small > 0) {
            $said[] = sprintf('%d small %s of %.1f kg', $small, $small === 1 ? 'part' : 'parts', $rest);
        }

        return implode(', ', $said);
    }

    /** @return array<string, Item> those with room of their own, and other masses */
    private function shown(): array
    {
        return array_filter($this->inventory->items, fn(Item $i): bool => $i->part === null || !$i->part->is('lead'));
    }

    /** @return array<string, mixed> */
    private function item(Item $item): array
    {
        $spot = fn(?Spot $s): ?array => $s === null
            ? null
            : ['xM' => $s->xM, 'leftM' => $s->leftM, 'upM' => $s->upM, 'zone' => $s->zone];

        return [
            'id' => $item->id,
            'label' => $item->label,
            'type' => $item->part->type ?? 'thing',
            'state' => $item->state(),
            'kg' => round($item->isThere() ? $item->afterKg : $item->beforeKg, 2),
            'basis' => $item->basis,
            'before' => $spot($item->before),
            'at' => $spot($item->after),
            'sides' => $item->sides,
            'assumedSides' => $item->assumedSides,
            'clearanceM' => $item->clearanceM,
            'held' => $item->held(),
        ];
    }

    /** @return array<string, mixed> */
    private function zone(Zone $zone): array
    {
        $items = $this->inventory->in($zone);
        $fit = (new Fit($zone, $items, $this->inventory->bends()))->judged();
        $heat = 0.0;
        foreach ($items as $item) {
            $heat += $item->part === null ? 0.0 : Usual::heatW($item->part);
        }

        return [
            'id' => $zone->id,
            'label' => $zone->label,
            'xM' => $zone->xM,
            'leftM' => $zone->leftM,
            'upM' => $zone->upM,
            'widthM' => $zone->widthM,
            'depthM' => $zone->depthM,
            'heightM' => $zone->heightM,
            'doorM' => $zone->numberOrNull('doorM'),
            'inside' => $zone->is('inside'),
            'verdict' => $items === [] ? 'empty' : $fit['verdict'],
            'lines' => $fit['lines'],
            'faces' => (object) $fit['faces'],
            'heat' => $this->heat($zone, $heat),
        ];
    }

    /** @return ?array{watts: float, riseK: float, airM3h: float, ventCm2: float, good: bool, words: string} */
    private function heat(Zone $zone, float $watts): ?array
    {
        if ($watts < 1) {
            return null;
        }
        ['riseK' => $rise, 'by' => $by] = $zone->rise($watts);
        $warm = $zone->numberOrNull('highC') ?? 30.0;
        $room = max(1.0, Heat::RATED_C - $warm);
        $vents = Heat::ventCm2($watts, $room, max(0.1, $zone->betweenVentsM()));
        $good = $rise <= $room + 0.05;

        return [
            'watts' => round($watts),
            'riseK' => round($rise, 1),
            'airM3h' => round(Heat::airM3h($watts, $room), 1),
            'ventCm2' => round($vents),
            'good' => $good,
            'words' => sprintf(
                '%.0f W of heat at full power for good: %s it gets %.0f K warmer than %.0f °C%s.%s',
                $watts,
                ['fan' => 'with its fan', 'vents' => 'with its vents', 'walls' => 'closed'][$by],
                $rise,
                $warm,
                $zone->says('highC') ? '' : ' (assumed)',
                $good
                    ? ''
                    : sprintf(
                        ' To stay below %.0f °C: %.0f m³/h of air, or two vents of %.0f cm² free.',
                        Heat::RATED_C,
                        Heat::airM3h($watts, $room),
                        $vents,
                    ),
            ),
        ];
    }

    /** @return list<array<string, mixed>> leads whose ends have a place, the longest first */
    private function ways(): array
    {
        $ways = [];
        foreach ($this->inventory->distances() as $id => $way) {
            $ways[] = [
                'id' => (string) $id,
                'label' => $way['label'],
                'cableM' => round($way['cableM'], 2),
                'straightM' => round($way['straightM'], 2),
                'alongM' => round($way['alongM'], 2),
                'assumed' => $way['assumed'],
                'short' => $way['short'],
            ];
        }
        usort($ways, fn(array $a, array $b): int => $b['alongM'] <=> $a['alongM']);

        return $ways;
    }
}
