<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\ScrewTorque;

/** Where lugs and wires are landed, and tightened once more. */
final readonly class Landing
{
    /** What holds a charge after its supplies are off. */
    private const HOLDS = ['converter', 'inverter', 'inverter_charger'];

    private Moving $moving;

    public function __construct(private Site $site)
    {
        $this->moving = new Moving($site);
    }

    /** @return list<Step> */
    public function steps(): array
    {
        return [...$this->moving->steps(), ...$this->lands(), ...$this->retighten()];
    }

    /** @return list<Step> by the part or the board that one stands before */
    private function lands(): array
    {
        $terminals = [];
        foreach ($this->site->terminals->all() as $terminal) {
            $terminals[explode('.', $terminal['terminal'])[0]][] = $terminal;
        }
        $landings = $this->landings();
        $parts = array_intersect_key($this->site->after->parts, $landings);
        $steps = [];
        foreach ($this->site->together($parts) as $key => $group) {
            $step = $this->land((string) $key, $group, $landings, $terminals);
            if ($step !== null) {
                $steps[] = $step;
            }
        }

        return $steps;
    }

    /**
     * @param array<string, Part> $group
     * @param array<string, list<string>> $landings
     * @param array<string, list<array<string, mixed>>> $terminals by part
     */
    private function land(string $key, array $group, array $landings, array $terminals): ?Step
    {
        $ids = array_map(strval(...), array_keys($group));
        $first = $group[$ids[0]];
        $lists = $asks = $cables = [];
        $direct = false;
        $studs = [];
        foreach ($group as $id => $part) {
            foreach ($terminals[$id] ?? [] as $stud) {
                if ($this->isLast($part, $stud['terminal'])) {
                    continue;
                }
                $direct = true;
                $studs[] = (string) $stud['stud'];
                $lists[] = [
                    'words' => $stud['label'] . ': ' . implode(', then ', array_column($stud['lugs'], 'size')),
                    'why' => implode(' · ', array_column($stud['lugs'], 'label')),
                ];
                $asks[] = Ask::number(
                    'torque_' . str_replace('.', '_', $stud['terminal']),
                    "Torque, {$stud['label']}" . ($stud['stud'] === null ? '' : " ({$stud['stud']})"),
                    'N·m',
                    $stud['torqueNm'][0] ?? null,
                    $stud['torqueNm'][1] ?? null,
                    why: match (true) {
                        $stud['torqueNm'] === null => 'nobody has named its stud: its maker\'s figure',
                        $stud['ofMaker'] => 'its maker\'s',
                        default => 'general for this stud; its maker\'s figure wins',
                    },
                );
            }
            foreach ($landings[$id] as $cable) {
                $cables[$cable] = true;
                array_push($lists, ...$this->wires($cable, (string) $id));
                $torque = $this->wireTorque($cable);
                $size = $this->site->size($this->site->after->parts[$cable]);
                if ($torque !== null) {
                    $asks["wire {$size}"] = Ask::number(
                        'torque_' . preg_replace('/[^a-z0-9]+/', '_', strtolower($size)),
                        "Torque of screws on {$size}",
                        'N·m',
                        $torque[0],
                        $torque[1],
                        why: 'from a general table; what is printed on the device wins',
                    );
                }
            }
        }
        if ($lists === []) {
            return null;
        }
        $tight = $this->site->isTight($ids[0]) && isset($this->site->difference->fitted[$ids[0]]);
        $called = Site::called($group);
        $opened = $this->site->isOpened($first);

        return new Step(
            $this->site->id(Kind::Land, $key),
            $this->site->stage,
            Kind::Land,
            $tight ? "Cables onto {$called}, before it is set" : "Land {$called}",
            $tight ? 'there is no room for a wrench once it hangs' : '',
            $ids,
            array_map(strval(...), array_keys($cables)),
            $tight ? 'bench' : $this->site->where($ids[0]),
            [
                ...$direct
                    ? ['Largest current nearest the plate, nothing between lug and plate; sleeve over the barrel']
                    : [],
                ...$direct && $this->screwed($cables) === []
                    ? []
                    : ['Stripped as far as the device shows; fine strands in a ferrule; clamp on the sheath'],
                ...$opened ? ['Inside a unit that was there: every mode of it is tried again afterwards'] : [],
            ],
            $lists,
            [...$direct ? Tools::forStuds($studs) : [], ...Tools::forWires($this->screwed($cables))],
            asks: [
                ...$opened ? $this->inside($first) : [],
                ...array_values($asks),
                Ask::text('instrument', 'Torque tool used', false),
                Ask::text('printed', 'Terminals as printed on it', false),
                ...$first->is('battery_bank', 'solar_charger', 'dcdc_charger', 'converter') && $direct
                    ? [Ask::tick('polarity', 'Plus and minus of each lead measured before it is landed')]
                    : [],
                Ask::tick('marked', 'Each joint tightened, sleeved, marked with paint'),
            ],
            cautions: [
                ...$opened && $first->is(...self::HOLDS) ? [Caution::Charged] : [],
                ...$first->is('battery_bank', 'bus_bar', 'dc_fuse', 'dc_switch', 'shunt') ? [Caution::Posts] : [],
                ...$direct ? [] : [Caution::Colours],
            ],
            pieces: (float) max(1, count($lists)),
        );
    }

    /** @return list<Ask> what is asked before a hand goes into a unit that was there */
    private function inside(Part $unit): array
    {
        return [
            ...$unit->is(...self::HOLDS)
                ? [Isolating::readsDead('left_v', 'Volts left inside, before the first touch')]
                : [],
            Ask::text('allowed', 'Where its maker allows work inside: the page, or whom you asked'),
        ];
    }

    /**
     * Those of them that go under screws.
     *
     * @param array<string, true> $cables
     * @return list<Part>
     */
    private function screwed(array $cables): array
    {
        return array_values(
            array_intersect_key(
                $this->site->after->parts,
                array_filter(
                    $cables,
                    fn(string|int $c): bool => $this->wireTorque((string) $c) !== null,
                    ARRAY_FILTER_USE_KEY,
                ),
            ),
        );
    }

    /** @return array<string, list<string>> landings without circuits that are moved as a whole */
    private function landings(): array
    {
        $moved = array_flip($this->moving->moved());
        $landings = [];
        foreach ($this->site->difference->landings() as $id => $cables) {
            $own = array_filter($cables, function (string $cable) use ($id, $moved): bool {
                $part = $this->site->after->parts[$cable];

                return !isset($moved[$cable]) || (Difference::endsOf($part)['feeds'] ?? '') === $id;
            });
            if ($own !== []) {
                $landings[$id] = array_values($own);
            }
        }

        return $landings;
    }

    /** What is landed last of all, in a step of its own: the negative post of a battery. */
    private function isLast(Part $part, string $terminal): bool
    {
        foreach ($this->site->after->batteries as $battery) {
            if ($battery->component === $part->id && $battery->neg === $terminal) {
                return true;
            }
        }

        return false;
    }

    /** @return list<array{words: string, why: string}> conductors of a sheathed cable at a part */
    private function wires(string $cable, string $at): array
    {
        $part = $this->site->after->parts[$cable];
        if ($part->is('lead', 'frame_bond')) {
            return $part->is('frame_bond')
                ? [
                    [
                        'words' => "{$part->label}: bare metal, one place, load side of the shunt",
                        'why' => $this->site->size($part),
                    ],
                ]
                : [];
        }
        $breaker = $part->numberOrNull('breakerA');
        $from = $part->text('hot/panel') === $at && $breaker !== null;

        return [
            [
                'words' => $from
                    ? sprintf(
                        '%s: hot to a %g A breaker in %s, neutral, ground',
                        $part->label,
                        $breaker,
                        $this->moving->seat($part),
                    )
                    : "{$part->label}: hot, neutral, ground",
                'why' => $this->site->size($part),
            ],
        ];
    }

    /** @return ?array{float, float} N·m for the screws that a sheathed cable goes under */
    private function wireTorque(string $cable): ?array
    {
        $part = $this->site->after->parts[$cable];

        return $part->is('lead', 'frame_bond') || $part->text('cable/size') === ''
            ? null
            : ScrewTorque::of(ConductorSize::of($part->text('cable/size')));
    }

    /** @return list<Step> */
    private function retighten(): array
    {
        $count = 0;
        foreach ($this->landings() as $cables) {
            $count += count($cables);
        }
        foreach ($this->moving->moved() as $_) {
            $count += 3;
        }

        return $count === 0
            ? []
            : [
                new Step(
                    $this->site->id(Kind::Retighten),
                    $this->site->stage,
                    Kind::Retighten,
                    'Every terminal once more',
                    'copper settles: what was tight an hour ago is not',
                    does: ['Those that were there before too, in every box that was opened'],
                    tools: ['torque wrench', 'torque driver', 'paint pen'],
                    asks: [
                        Ask::number('moved', 'Screws that turned', '', null, null, false),
                        Ask::tick('all', 'All of them, with the torque tool'),
                    ],
                    pieces: (float) $count,
                    who: Competence::Apprentice,
                ),
            ];
    }
}
