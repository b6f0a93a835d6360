<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;

/** What is taken out, hung, run and closed: the work with hands on it, every source out. */
final readonly class Fitting
{
    /** What is opened to get at its terminals, and closed again. */
    private const COVERED = [
        'panel',
        'splice_box',
        'inverter',
        'inverter_charger',
        'bypass',
        'transfer_switch',
        'contactor',
        'ac_switch',
        'surge_unit',
        'dc_panel',
    ];

    /** Sealant cures, h. Common practice, no source: its tube says. */
    private const CURE_H = 24.0;

    private Landing $landing;

    public function __construct(private Site $site)
    {
        $this->landing = new Landing($site);
    }

    /** @return list<Step> */
    public function steps(): array
    {
        return [
            ...$this->mounts(),
            ...$this->runs(),
            ...$this->landing->steps(),
            ...$this->closes(),
            ...$this->seals(),
        ];
    }

    /** @return list<Step> heavy ones and those that nothing can follow first */
    private function mounts(): array
    {
        $parts = array_filter(
            $this->site->difference->fitted,
            fn(Part $p): bool => !$p->is('dc_load', 'stop_line', 'alternator') && Readying::takesRoom($p),
        );
        $steps = [];
        foreach ($this->site->together($parts) as $key => $group) {
            $steps[] = $this->mount((string) $key, $group);
        }

        return $steps;
    }

    /** @param array<string, Part> $group */
    private function mount(string $key, array $group): Step
    {
        $ids = array_map(strval(...), array_keys($group));
        $part = $group[$ids[0]];
        $kg = array_sum(array_map($this->site->kg(...), $ids));
        $zone = $this->site->zone($ids[0]);
        $roof = $part->is('solar_charger');
        $heavy = $kg > Site::TWO_PEOPLE_KG && count($group) === 1;
        $tight = $this->site->isTight($ids[0]);

        return new Step(
            $this->site->id(Kind::Mount, $key),
            $this->site->stage,
            Kind::Mount,
            ($roof ? 'Set the panels and controller of ' : 'Set ') . Site::called($group),
            $tight ? 'its cables are on it already: nobody reaches them once it hangs' : '',
            $ids,
            where: $this->site->where($ids[0]),
            does: $this->held($ids, $kg, $roof),
            lists: count($group) < 2
                ? []
                : array_map(fn(Part $p): array => ['words' => $p->label, 'why' => ''], array_values($group)),
            tools: ['driver', ...$kg >= 5 ? ['torque wrench'] : []],
            takes: ['screws or bolts'],
            asks: [
                Ask::text('serial', 'Serial number', $kg >= 1 && count($group) === 1),
                ...$part->is('inverter', 'inverter_charger', 'solar_charger', 'dcdc_charger', 'battery_bank')
                    ? [Ask::text('firmware', 'Firmware or version it shows', false)]
                    : [],
                ...$roof
                    ? [
                        Ask::text('fixing', 'Fixed with what, into what'),
                        Ask::text('sealant', 'Sealant, and how long it cures'),
                    ]
                    : [],
                Ask::photo('photo', 'As it stands', $kg >= 5),
            ],
            cautions: [
                ...$heavy ? [Caution::Heavy] : [],
                ...$zone?->is('water') === true ? [Caution::Water] : [],
                ...$zone?->is('gas') === true ? [Caution::Gas] : [],
                ...$part->is('battery_bank', 'bus_bar', 'dc_fuse') ? [Caution::Posts] : [],
                ...$part->is('generator') ? [Caution::Monoxide] : [],
                ...$roof ? [Caution::Roof] : [],
            ],
            pieces: $heavy ? 1.5 : ($kg < 1 ? 0.4 : 1.0) * (1 + 0.5 * (count($group) - 1)),
            people: $heavy ? 2 : 1,
            // What nothing can follow goes first, the heavier before the lighter.
            rank: ($tight ? 0 : 1000) - (int) min(900.0, $kg),
        );
    }

    /**
     * @param list<string> $ids
     * @return list<string> how it is held
     */
    private function held(array $ids, float $kg, bool $roof): array
    {
        $item = $this->site->item($ids[0]);

        return array_values(
            array_filter([
                $kg >= 1 ? sprintf('%.0f kg', $kg) : '',
                match ($item?->held()) {
                    'wall' => 'on a wall, into its backing',
                    'hung' => 'hung from above, into its backing',
                    default => '',
                },
                $item?->is('upright') === true ? 'upright, no other way' : '',
                $kg >= 5 ? 'Held for a crash: straps or through-bolts, not screws into thin ply' : '',
                $roof ? 'Fixed into what carries, bedded in sealant, gland below the panel' : '',
            ]),
        );
    }

    /** @return list<Step> leads of one size together; each sheathed cable, and each that disappears, by itself */
    private function runs(): array
    {
        $groups = [];
        foreach ($this->site->difference->run + $this->site->difference->replaced as $id => $_) {
            $cable = $this->site->after->parts[$id];
            $own =
                !$cable->is('lead', 'frame_bond') ||
                $this->site->goes((string) $id, 'wall', 'floor', 'roof', 'under', 'engine');
            $size = (string) preg_replace('/[^a-z0-9]+/', '_', $cable->text('cable/size'));
            $groups[$own ? (string) $id : "leads_{$size}"][(string) $id] = $cable;
        }
        $steps = [];
        foreach ($groups as $key => $group) {
            $steps[] = $this->run((string) $key, $group);
        }

        return $steps;
    }

    /** @param array<string, Part> $group */
    private function run(string $key, array $group): Step
    {
        $ids = array_map(strval(...), array_keys($group));
        $first = $group[$ids[0]];
        $concealed = $this->site->goes($ids[0], 'wall');
        $sheathed = in_array($first->text('cable/sheath'), ['nm_b', 'cord'], true);
        $one = count($group) === 1;
        $lists = [];
        foreach ($group as $id => $cable) {
            $ends = $this->site->labels(array_values(Difference::endsOf($cable)));
            $lists[] = [
                'words' => $cable->label . ': ' . implode(' to ', $ends),
                'why' => sprintf('%.2f m along the way', $cable->number('cable/lengthM')),
            ];
            foreach ($this->site->route((string) $id) as $segment) {
                $in = $segment->text('protection', 'none');
                $lists[] = [
                    'words' => sprintf(
                        '%.2f m %s',
                        $segment->number('lengthM'),
                        self::THROUGH[$segment->text('through', 'inside')],
                    ),
                    'why' => $in === 'none' ? '' : "in {$in}",
                ];
            }
        }

        return new Step(
            $this->site->id(Kind::Run, $key),
            $this->site->stage,
            Kind::Run,
            $one
                ? "Run {$first->label}, {$this->site->size($first)}"
                : sprintf('Run %d leads, %s', count($group), $this->site->size($first)),
            $concealed ? 'before the lining closes over it' : '',
            cables: $ids,
            does: [
                $sheathed
                    ? 'Held every 1.4 m and within 0.3 m of each box; no bend tighter than five times its width'
                    : 'Held every 0.45 m, off edges and heat; a loop at each end',
            ],
            lists: $lists,
            takes: [$this->site->size($first) . ' cable', 'clamps'],
            asks: [
                ...array_map(
                    fn(string $id): Ask => Ask::number(
                        "cut_{$id}",
                        "Length cut, {$group[$id]->label}",
                        'm',
                        null,
                        null,
                        false,
                    ),
                    $ids,
                ),
                Ask::tick('both_ends', 'Its name on both ends'),
                ...$concealed ? [Ask::photo('photo', 'Of the whole way, before it is covered')] : [],
            ],
            cautions: $this->site->goes($ids[0], 'under', 'engine') ? [Caution::Cutting] : [],
            pieces: array_sum(array_map(fn(Part $c): float => 0.5 + $c->number('cable/lengthM') / 4, $group)),
            who: Competence::Apprentice,
            rank: $concealed ? 0 : 10,
        );
    }

    private const THROUGH = [
        'inside' => 'through cabinets',
        'wall' => 'in a wall or ceiling',
        'floor' => 'through the floor',
        'under' => 'under the rig',
        'roof' => 'over the roof',
        'engine' => 'through the engine bay',
    ];

    /** @return list<Step> covers that come back on */
    private function closes(): array
    {
        $open = array_keys($this->site->difference->landings());
        $open = array_merge($open, array_keys($this->site->difference->set), (new Moving($this->site))->panels());
        $steps = [];
        foreach (array_unique(array_map(strval(...), $open)) as $id) {
            $part = $this->site->after->partAt($id);
            if ($part === null || !$part->is(...self::COVERED)) {
                continue;
            }
            $steps[] = new Step(
                $this->site->id(Kind::Close, $id),
                $this->site->stage,
                Kind::Close,
                "Photograph and close {$part->label}",
                'behind the cover nobody sees it again',
                [$id],
                where: $this->site->where($id),
                does: ['No bare copper, no tool, every clamp tight, every unused opening closed'],
                asks: [Ask::photo('photo', 'With the cover off'), Ask::tick('closed', 'Cover on, every screw')],
                who: Competence::Apprentice,
            );
        }

        return $steps;
    }

    /** @return list<Step> */
    private function seals(): array
    {
        $outside = [];
        foreach ($this->site->difference->fitted as $id => $part) {
            if ($part->is('inlet', 'side_inlet', 'solar_charger')) {
                $outside[(string) $id] = $part->label;
            }
        }
        foreach ($this->site->difference->run as $id => $cable) {
            if ($this->site->goes((string) $id, 'floor', 'roof', 'under')) {
                $outside[(string) $id] = $cable->label;
            }
        }
        if ($outside === []) {
            return [];
        }
        $ids = array_map(strval(...), array_keys($outside));
        $list = array_map(fn(string $l): array => ['words' => $l, 'why' => ''], array_values($outside));

        return [
            new Step(
                $this->site->id(Kind::Seal),
                $this->site->stage,
                Kind::Seal,
                sprintf('Seal %d %s', count($outside), count($outside) === 1 ? 'opening' : 'openings'),
                'after the last cable: a seal that is opened again leaks',
                $ids,
                $ids,
                lists: $list,
                takes: ['sealant for this substrate', 'glands'],
                asks: [Ask::text('sealant', 'Sealant and substrate'), Ask::photo('photo', 'Of each seal')],
                pieces: (float) count($outside),
                who: Competence::Apprentice,
            ),
            new Step(
                $this->site->id(Kind::Cure),
                $this->site->stage,
                Kind::Cure,
                'Sealant cures',
                'no water, no road until then',
                $ids,
                asks: [Ask::tick('cured', 'Firm to the touch, water run over it')],
                unattendedMin: self::CURE_H * 60,
                who: Competence::Apprentice,
            ),
        ];
    }
}
