<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

use Hollin\Core\Job\Values;
use Hollin\Core\Reference\Chemistry;
use Hollin\Core\Reference\ConductorSize;
use stdClass;

/** What somebody who knows would say at the sight of where things stand and how cables run. */
final readonly class Looks
{
    /** A mass that flies in a crash. Common practice, no source. */
    private const STRAP_KG = 10.0;

    /** What a thin wall holds by screws alone, kg. Common practice, no source. */
    private const WALL_KG = 5.0;

    /** An arm with a driver in its hand, m. Common practice, no source. */
    private const ARM_M = 0.6;

    /** Nuts, screws and a hand behind a board, m. Common practice, no source. */
    private const BEHIND_M = 0.04;

    /** Parts that make a spark at work. */
    private const SPARKS = ['inverter', 'inverter_charger', 'converter', 'transfer_switch', 'dc_switch', 'contactor'];

    /** What must be reached without tools. */
    private const REACHED = ['dc_switch', 'battery_selector', 'panel', 'transfer_switch'];

    /** What helps against what a cable is open to. Common practice, no source. */
    private const HELPS = [
        'road' => ['loom', 'conduit'],
        'sun' => ['loom', 'conduit'],
        'heat' => ['sleeve'],
        'moving' => ['chain', 'conduit'],
        'edge' => ['grommet', 'conduit'],
    ];

    private const OPEN_TO = [
        'road' => 'road and water',
        'sun' => 'sun',
        'heat' => 'heat',
        'moving' => 'a part that moves',
        'edge' => 'a sharp edge',
    ];

    private const WANTS = [
        'road' => 'loom or conduit',
        'sun' => 'loom or conduit',
        'heat' => 'a heat sleeve, or another way',
        'moving' => 'a guide that moves with it, or another way',
        'edge' => 'a grommet',
    ];

    public function __construct(private Inventory $inventory, private stdClass $place) {}

    /** @return list<array{at: string, level: string, words: string, source: string}> danger first */
    public function all(): array
    {
        $said = [];
        foreach ($this->inventory->items as $item) {
            $zone = $item->after === null ? null : $this->inventory->zones[$item->after->zone] ?? null;
            if ($item->isThere() && $item->part !== null) {
                array_push($said, ...$this->held($item), ...$zone === null ? [] : $this->stands($item, $zone));
            }
        }
        foreach ((new Values($this->place))->entries('routes') as $id => $route) {
            array_push($said, ...$this->route((string) $id, $route));
        }
        array_push($said, ...$this->apart(), ...$this->doors());
        $rank = ['danger' => 0, 'warn' => 1, 'note' => 2];
        usort($said, fn(array $a, array $b): int => $rank[$a['level']] <=> $rank[$b['level']]);

        return $said;
    }

    /** @return list<array{at: string, level: string, words: string, source: string}> */
    private function held(Item $item): array
    {
        $said = [];
        if (
            $item->held() !== 'floor' &&
            $item->afterKg >= self::WALL_KG &&
            !$item->is('backed') &&
            $item->sides !== null &&
            $item->after !== null
        ) {
            $said[] = self::look(
                $item->id,
                'warn',
                sprintf(
                    '%s: %.0f kg %s; a thin wall wants a board or a brace behind it that spreads the load',
                    $item->label,
                    $item->afterKg,
                    $item->held() === 'wall' ? 'on a wall' : 'hung from above',
                ),
            );
        }
        $heavy = $item->afterKg >= self::STRAP_KG && $item->part?->is('lead', 'feeder', 'solar_charger') !== true;
        if (!$heavy || $item->is('strapped') || $item->sides === null || $item->after === null) {
            return $said;
        }

        return [
            ...$said,
            self::look(
                $item->id,
                $item->held() === 'hung' ? 'danger' : 'warn',
                sprintf(
                    '%s: %.0f kg %s; nobody has said what holds it in a crash',
                    $item->label,
                    $item->afterKg,
                    ['floor' => 'on the floor', 'wall' => 'on a wall', 'hung' => 'hung from above'][$item->held()],
                ),
            ),
        ];
    }

    /** @return list<array{at: string, level: string, words: string, source: string}> */
    private function stands(Item $item, Zone $zone): array
    {
        $part = $item->part;
        $said = [];
        $chemistry = $part?->is('battery_bank') === true ? Chemistry::from($part->text('chemistry')) : null;
        $lead = $chemistry?->isLead() === true;
        if ($lead && !$zone->is('toOutside')) {
            $said[] = self::look(
                $item->id,
                $zone->is('inside') ? 'danger' : 'warn',
                sprintf(
                    '%s in %s: lead gives off hydrogen while it charges and wants air from the outside, closed to ' .
                        'the living space',
                    $item->label,
                    lcfirst($zone->label),
                ),
                'common practice: 4 % of hydrogen in air burns',
            );
        }
        if ($chemistry === Chemistry::Lfp && $zone->is('inside') && !$item->is('strapped')) {
            $said[] = self::look(
                $item->id,
                'note',
                sprintf('%s inside: warm, and its mass and its rare violent gas are inside too', $item->label),
            );
        }
        $low = $zone->numberOrNull('lowC');
        if ($chemistry === Chemistry::Lfp && $low !== null && $low < 0) {
            $said[] = self::look(
                $item->id,
                'warn',
                sprintf(
                    '%s: down to %.0f °C in %s; lithium takes no charge below 0 °C, heat the cells or move it',
                    $item->label,
                    $low,
                    lcfirst($zone->label),
                ),
            );
        }
        if ($zone->is('gas') && $part?->is(...self::SPARKS) === true && !$item->is('sealed')) {
            $said[] = self::look(
                $item->id,
                'danger',
                sprintf(
                    '%s beside propane or fuel: it makes sparks at work, and is not ignition-protected',
                    $item->label,
                ),
            );
        }
        if ($zone->is('gas') && $lead) {
            $said[] = self::look($item->id, 'warn', sprintf('%s beside propane or fuel', $item->label));
        }
        $reach = $zone->numberOrNull('reachM');
        if ($reach !== null && $reach > self::ARM_M) {
            $said[] = self::look(
                $item->id,
                'warn',
                sprintf(
                    '%s: %.0f cm in from the opening of %s, and an arm with a driver reaches about %.0f cm',
                    $item->label,
                    100 * $reach,
                    lcfirst($zone->label),
                    100 * self::ARM_M,
                ),
            );
        }
        $behind = $zone->numberOrNull('behindM');
        if ($behind !== null && $behind < self::BEHIND_M && $item->held() === 'wall') {
            $said[] = self::look(
                $item->id,
                'warn',
                sprintf(
                    '%s: %.0f cm free behind its board; both faces matter, screws and nuts want %.0f cm',
                    $item->label,
                    100 * $behind,
                    100 * self::BEHIND_M,
                ),
            );
        }
        if ($zone->is('water')) {
            $said[] = self::look(
                $item->id,
                'warn',
                sprintf('%s under water: a shield, or another place', $item->label),
            );
        }
        if ($zone->is('moving')) {
            $said[] = self::look($item->id, 'danger', sprintf('%s in the way of a bed or a slide', $item->label));
        }
        if ($part?->is(...self::REACHED) === true && $zone->says('reached') && !$zone->is('reached')) {
            $said[] = self::look(
                $item->id,
                'warn',
                sprintf('%s cannot be reached without taking something apart', $item->label),
            );
        }

        return $said;
    }

    /** @return list<array{at: string, level: string, words: string, source: string}> */
    private function route(string $id, Values $route): array
    {
        $item = $this->inventory->items[$id] ?? null;
        $cord = $item?->part?->text('cable/sheath') === 'cord';
        $label = $item->label ?? $id;
        $said = [];
        foreach ($route->entries('segments') as $segment) {
            $open = $segment->text('exposure', 'none');
            $in = $segment->text('protection', 'none');
            if ($open !== 'none' && !in_array($in, self::HELPS[$open], true)) {
                $said[] = self::look(
                    $id,
                    'warn',
                    sprintf('%s is open to %s: it wants %s', $label, self::OPEN_TO[$open], self::WANTS[$open]),
                );
            }
            if (in_array($segment->text('through', 'inside'), ['floor', 'roof'], true)) {
                $size = $item?->part?->text('cable/size') ?? '';
                $mm = $size === '' ? 0.0 : 1000 * Bend::thicknessM(ConductorSize::of($size));
                $said[] = self::look(
                    $id,
                    'note',
                    sprintf(
                        '%s goes through the %s: a gland%s, and sealant',
                        $label,
                        $segment->text('through'),
                        $mm <= 0
                            ? ''
                            : sprintf(' for %.0f mm (%s)', $mm, Bend::gland($mm / 1000) ?? 'none is large enough'),
                    ),
                );
            }
            if ($cord && $segment->text('through', 'inside') === 'wall') {
                $said[] = self::look(
                    $id,
                    'danger',
                    "{$label} is a flexible cord in a closed wall: cord is no fixed wiring",
                    'NEC 400.12',
                );
            }
        }

        return $said;
    }

    /**
     * Cables that are shorter than the way.
     *
     * @return list<array{at: string, level: string, words: string, source: string}>
     */
    private function apart(): array
    {
        $said = [];
        foreach ($this->inventory->distances() as $id => $way) {
            if ($way['short']) {
                $said[] = self::look(
                    (string) $id,
                    'warn',
                    sprintf(
                        '%s is %.2f m%s, and its ends stand at least %.1f m apart: measure the route',
                        $way['label'],
                        $way['cableM'],
                        $way['assumed'] ? ' (assumed)' : '',
                        $way['straightM'],
                    ),
                );
            }
        }

        return $said;
    }

    /**
     * What stands so near a zone that its door, wherever it hangs, can strike it.
     *
     * @return list<array{at: string, level: string, words: string, source: string}>
     */
    private function doors(): array
    {
        $said = [];
        foreach ($this->inventory->zones as $zone) {
            $door = $zone->numberOrNull('doorM');
            foreach ($door === null ? [] : $this->inventory->items as $item) {
                $at = $item->after;
                if ($at === null || !$item->isThere() || $item->sides === null || $at->zone === $zone->id) {
                    continue;
                }
                [$w, $h, $d] = $item->sides;
                $near =
                    abs($at->xM - $zone->xM) < ($zone->widthM + $w) / 2 + $door &&
                    abs($at->leftM - $zone->leftM) < ($zone->depthM + $d) / 2 + $door;
                $level = $at->upM < $zone->upM + $zone->heightM && $at->upM + $h > $zone->upM;
                if ($near && $level) {
                    $said[] = self::look(
                        $item->id,
                        'note',
                        sprintf(
                            '%s stands within the swing of the door of %s (%.0f cm): try the door before it is fixed',
                            $item->label,
                            lcfirst($zone->label),
                            100 * $door,
                        ),
                    );
                }
            }
        }

        return $said;
    }

    /** @return array{at: string, level: string, words: string, source: string} */
    private static function look(string $at, string $level, string $words, string $source = 'common practice'): array
    {
        return ['at' => $at, 'level' => $level, 'words' => ucfirst($words) . '.', 'source' => $source];
    }
}
