<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;

/** What makes room: parts and cables taken out, holes, screws changed inside devices. */
final readonly class Clearing
{
    public function __construct(private Site $site) {}

    /** @return list<Step> */
    public function steps(): array
    {
        return [...$this->takeOuts(), ...$this->holes(), ...$this->insides()];
    }

    /** @return list<Step> */
    private function takeOuts(): array
    {
        $steps = [];
        $left = $this->site->difference->pulled;
        foreach ($this->site->difference->removed as $id => $part) {
            $own = array_filter(
                $this->site->difference->pulled,
                fn(Part $c): bool => in_array((string) $id, Difference::endsOf($c), true),
            );
            $steps[] = $this->takeOut((string) $id, $part->label, array_intersect_key($own, $left), $part);
            $left = array_diff_key($left, $own);
        }
        if ($left !== []) {
            $steps[] = $this->takeOut(
                'cables',
                count($left) === 1 ? 'one cable' : count($left) . ' cables',
                $left,
                null,
            );
        }

        return $steps;
    }

    /** @param array<string, Part> $cables */
    private function takeOut(string $id, string $label, array $cables, ?Part $part): Step
    {
        $kg = $part === null ? 0.0 : $this->site->kg($id);

        return new Step(
            $this->site->id(Kind::TakeOut, $id),
            $this->site->stage,
            Kind::TakeOut,
            "Take out {$label}",
            'out of the way before what takes its place comes',
            $part === null ? [] : [$id],
            array_map(strval(...), array_keys($cables)),
            $part === null ? '' : $this->site->where($id),
            ['What stays behind is capped at both ends, tagged and photographed'],
            array_values(
                array_map(
                    fn(Part $c): array => ['words' => $c->label, 'why' => 'out, or capped at both ends'],
                    $cables,
                ),
            ),
            ['caps', 'tags'],
            asks: [
                Ask::text('capped', 'What stays behind, capped where', false),
                Ask::text('defect', 'What was broken already', false),
                Ask::photo('photo', 'Of the place afterwards', false),
            ],
            cautions: [
                ...$kg > Site::TWO_PEOPLE_KG ? [Caution::Heavy] : [],
                ...$part?->is('battery_bank') === true ? [Caution::Posts] : [],
            ],
            pieces: 1.0 + 0.3 * count($cables),
            people: $kg > Site::TWO_PEOPLE_KG ? 2 : 1,
        );
    }

    /** @return list<Step> holes for parts that sit in a cut-out, and where cables pass floor, roof or wall */
    private function holes(): array
    {
        $steps = [];
        foreach ($this->site->difference->fitted as $id => $part) {
            if ($part->is('inlet', 'side_inlet', 'solar_charger', 'panel')) {
                $through =
                    ['solar_charger' => 'the roof', 'panel' => 'the face of its cabinet'][$part->type] ?? 'the wall';
                $steps[] = $this->hole((string) $id, $part->label, $through, (string) $id);
            }
        }
        foreach ($this->site->difference->run as $id => $cable) {
            foreach (['floor' => 'the floor', 'roof' => 'the roof', 'wall' => 'a wall'] as $through => $words) {
                if ($this->site->goes((string) $id, $through)) {
                    $ends = Difference::endsOf($cable);
                    $near = reset($ends) ?: (string) $id;
                    $steps[] = $this->hole("{$id}_{$through}", $cable->label, $words, $near, [(string) $id]);
                }
            }
        }

        return $steps;
    }

    /** @param list<string> $cables that go through it */
    private function hole(string $id, string $label, string $through, string $near, array $cables = []): Step
    {
        $zone = $this->site->zone($near);
        $joins =
            $zone !== null && ($zone->is('gas') || $this->site->part($near)?->is('battery_bank', 'generator') === true);

        return new Step(
            $this->site->id(Kind::Hole, $id),
            $this->site->stage,
            Kind::Hole,
            "Hole through {$through} for {$label}",
            'after the dry fit, never before it',
            $cables === [] ? [$near] : [],
            $cables,
            $this->site->where($near),
            $cables === []
                ? [
                    Tools::cutOut($this->site->after->parts[$near]),
                    'Pilot first, looked through; then the outline, deburred',
                ]
                : ['Pilot first, looked through; then the size of the grommet or gland, deburred'],
            tools: [
                'pilot bit with a stop',
                ...$cables === []
                    ? Tools::forCutOut($this->site->after->parts[$near])
                    : [Tools::saw(array_map(fn(string $c): Part => $this->site->after->parts[$c], $cables))],
                'mirror or camera',
            ],
            takes: ['grommet or gland', 'sealant'],
            asks: [
                Ask::text('behind', 'What lies behind and below it'),
                Ask::tick('pilot', 'Pilot drilled and looked through'),
                Ask::text('layer', 'Layers found in it'),
                Ask::tick('edge', 'Edge deburred and protected'),
                Ask::text('seal', 'Sealed with', false),
                Ask::tick(
                    'gas_touched',
                    'A gas line was touched or moved',
                    false,
                    'then a qualified leak test is owed',
                ),
                Ask::photo('photo', 'Of the hole before anything goes through'),
            ],
            cautions: [
                Caution::Cutting,
                ...$joins ? [Caution::Joins] : [],
                ...$zone?->is('gas') === true ? [Caution::Gas] : [],
                ...$through === 'the roof' ? [Caution::Roof] : [],
            ],
            pieces: 1.0,
        );
    }

    /** @return list<Step> */
    private function insides(): array
    {
        $steps = [];
        foreach ($this->site->difference->set as $id => $facts) {
            if (!$this->site->difference->isInside($id)) {
                continue;
            }
            $label = $this->site->label($id);
            $screw = in_array('bondScrew', $facts, true);
            $out = $screw && !$this->site->after->parts[$id]->flag('bondScrew');
            $steps[] = new Step(
                $this->site->id(Kind::Inside, $id),
                $this->site->stage,
                Kind::Inside,
                $screw ? ($out ? "Bonding screw out of {$label}" : "Bonding screw into {$label}") : "Inside {$label}",
                'what is changed in a device is allowed by its maker or not done',
                [$id],
                where: $this->site->where($id),
                does: $screw
                    ? ['The screw or strap taped inside the cover, with the reason']
                    : ['Waited as long as its maker says, measured across its capacitors'],
                asks: [
                    Isolating::readsDead('charge_v', 'Charge left in it'),
                    Ask::text('allowed', 'Where its instructions allow it'),
                    Ask::tick('every_mode', 'Every mode of it goes on the list of what is tested again'),
                    Ask::photo('photo', 'With the cover off'),
                ],
                cautions: [Caution::Charged],
                who: Competence::Lead,
            );
        }

        return $steps;
    }
}
