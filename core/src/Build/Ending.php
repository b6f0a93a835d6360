<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;

/** What ends a stage: what disappears proven and closed over, labels, proof in every state, the first drive. */
final readonly class Ending
{
    /** A crimp with its stud, in ohm, at most. From memory: 0.1 to 0.5 mΩ where it is sound. */
    private const CRIMP_OHM = 0.0005;

    /**
     * @param list<Label> $labels that go on at the end
     * @param int $onCables labels that are on their cables by then
     * @param list<Part> $opened units that were there and were opened
     */
    public function __construct(
        private Site $site,
        private array $labels,
        private int $onCables,
        private array $opened,
    ) {}

    /** @return list<Step> */
    public function steps(): array
    {
        return array_values(
            array_filter([
                ...$this->runs(),
                $this->states(),
                $this->labels(),
                $this->furniture(),
                $this->cleanUp(),
                $this->firstDrive(),
            ]),
        );
    }

    /**
     * What is measured on a run under its load. Its resistance is held against that of its copper, from cold to as warm
     * as its insulation bears, and a crimp at each end; half as much more for what a meter adds (common practice, no
     * source).
     *
     * @return list<Ask>
     */
    private function underLoad(string $cable): array
    {
        $label = $this->site->label($cable);
        $asks = [
            Ask::number("amps_{$cable}", "{$label}: amps through it", 'A', 0.01),
            Ask::number("drop_{$cable}", "{$label}: drop along one conductor, end to end", 'V', 0.0),
        ];
        foreach ($this->site->after->elementsOf($cable) as $element) {
            if ($element->cable !== null) {
                $asks[] = Ask::ratio(
                    "ohm_{$cable}",
                    "{$label}: its resistance",
                    'mΩ',
                    round(1000 * 0.5 * $element->cable->ohm(20), 2),
                    round(1000 * (1.5 * $element->cable->ohm(75) + 2 * self::CRIMP_OHM), 2),
                    "drop_{$cable}",
                    "amps_{$cable}",
                    'drop by amps, against its length and size',
                );
                break;
            }
        }

        return $asks;
    }

    /** @return list<Step> runs that disappear: under their load, photographed, then closed over */
    private function runs(): array
    {
        $concealed = [];
        foreach ($this->site->difference->run + $this->site->difference->replaced as $id => $_) {
            if ($this->site->goes((string) $id, 'wall')) {
                $concealed[(string) $id] = $this->site->after->parts[$id]->label;
            }
        }
        if ($concealed === []) {
            return [];
        }
        $ids = array_map(strval(...), array_keys($concealed));
        $list = array_map(fn(string $l): array => ['words' => $l, 'why' => ''], array_values($concealed));

        return [
            new Step(
                $this->site->id(Kind::ProveRun),
                $this->site->stage,
                Kind::ProveRun,
                'Prove what disappears, under its load',
                'a bad joint behind a lining is found by smell',
                cables: $ids,
                does: ['With the load it is made for, drop measured from end to end, joints felt for heat'],
                lists: $list,
                tools: ['meter', 'clamp', 'thermometer'],
                asks: [
                    ...array_merge(...array_map($this->underLoad(...), $ids)),
                    Ask::number('warmest', 'Warmest joint above its surroundings', 'K', 0.0, 30.0),
                ],
                cautions: [Caution::Probing],
                pieces: (float) count($concealed),
            ),
            new Step(
                $this->site->id(Kind::Photo),
                $this->site->stage,
                Kind::Photo,
                'Photograph the runs with a tape beside them',
                'the next drill will thank you',
                cables: $ids,
                lists: $list,
                asks: [Ask::photo('photo', 'The whole way of each')],
                pieces: (float) count($concealed),
                who: Competence::Apprentice,
            ),
            new Step(
                $this->site->id(Kind::Lining),
                $this->site->stage,
                Kind::Lining,
                'Close the lining',
                '',
                cables: $ids,
                does: ['No screw where the tape says there is a cable'],
                asks: [Ask::tick('closed', 'Lining closed, screws short')],
                cautions: [Caution::Cutting],
            ),
        ];
    }

    private function states(): Step
    {
        $asks = [];
        foreach ($this->site->is->named as $id => $state) {
            $asks[] = Ask::tick("state_{$id}", "{$state->letter} {$state->title}");
        }
        foreach ($this->opened as $part) {
            $asks[] = Ask::tick("modes_{$part->id}", "Every mode of {$part->label} again: it was opened");
        }

        return new Step(
            $this->site->id(Kind::ProveStates),
            $this->site->stage,
            Kind::ProveStates,
            "Prove “{$this->site->title}” in every state",
            'a rig is proven at the end of every stage, not at the end of the last',
            does: ['Each with its readings under load; a state that cannot be had today stays open by name'],
            tools: ['meter', 'clamp', 'plug-in tester'],
            asks: $asks,
            cautions: [Caution::Probing, Caution::Monoxide, Caution::SwapLead],
            pieces: (float) count($asks),
        );
    }

    private function labels(): ?Step
    {
        $count = count($this->labels);

        return $count + $this->onCables === 0
            ? null
            : new Step(
                $this->site->id(Kind::Labels),
                $this->site->stage,
                Kind::Labels,
                $count === 0 ? 'Labels looked at' : ($count === 1 ? 'One label on' : "{$count} labels on"),
                'whoever opens it next was not there',
                does: $this->onCables === 0 ? [] : ["{$this->onCables} are on their cables: each read at its end"],
                asks: [Ask::tick('on', 'Each where it belongs'), Ask::photo('photo', 'Of the panel door', false)],
                labels: $this->labels,
                pieces: (float) max(1, $count),
                who: Competence::Apprentice,
            );
    }

    private function furniture(): Step
    {
        return new Step(
            $this->site->id(Kind::Furniture),
            $this->site->stage,
            Kind::Furniture,
            'Furniture back, doors and slides through their way',
            'what touches a cable shows now, not on the road',
            asks: [
                Ask::tick('passes', 'Doors, drawers, slides and beds through their whole way, nothing touches'),
                Ask::tick('reach', 'Switches, breakers and fuses reached with everything in'),
                Ask::tick(
                    'gas_touched',
                    'A gas line was touched or moved',
                    false,
                    'then a qualified leak test is owed',
                ),
            ],
            cautions: [Caution::StartsItself],
            who: Competence::Apprentice,
        );
    }

    private function cleanUp(): Step
    {
        return new Step(
            $this->site->id(Kind::CleanUp),
            $this->site->stage,
            Kind::CleanUp,
            'Clear up and count',
            'a tool that is missing lies on a bar',
            does: ['Swarf out of every cabinet, holes in the floor closed, gauges and leads counted'],
            asks: [
                Ask::tick('counted', 'Tools counted, swarf out'),
                Ask::tick('swap_lead', 'No lead that swaps polarity left in it'),
            ],
            cautions: [Caution::SwapLead, Caution::People],
            who: Competence::Apprentice,
        );
    }

    private function firstDrive(): Step
    {
        $roof = array_filter(
            $this->site->difference->fitted,
            fn(Part $p): bool => $p->is('solar_charger', 'inlet', 'side_inlet'),
        );

        return new Step(
            $this->site->id(Kind::FirstDrive),
            $this->site->stage,
            Kind::FirstDrive,
            'After the first drive: torque and joint temperature again',
            'the road shakes loose what was tight in the shop',
            lists: $roof === []
                ? []
                : [
                    [
                        'words' => 'On the roof: whistle, lifted edges, sealant',
                        'why' => implode(', ', array_column($roof, 'label')),
                    ],
                ],
            tools: ['torque wrench', 'thermometer'],
            asks: [
                Ask::tick('torque', 'Every new joint again'),
                Ask::number('warmest', 'Warmest joint above its surroundings, under load', 'K', 0.0, 30.0),
                ...$roof === [] ? [] : [Ask::tick('whistle', 'No whistle, no lifted edge')],
            ],
        );
    }
}
