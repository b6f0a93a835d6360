<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;
use Hollin\Core\Network\TerminalWords;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\CrimpPull;

/** What comes before a source is opened: what must be here, baseline readings, the bench, dry fits, lugs, tags. */
final readonly class Readying
{
    /** Amps that a bench charger gives. Common practice, no source. */
    private const BENCH_A = 20.0;

    /** Shipped so far charged that this share is left to put in. Common practice, no source. */
    private const SHIPPED_EMPTY = 0.7;

    /** What has positions to be tried on the bench, before it hangs. */
    private const ON_THE_BENCH = [
        'contactor',
        'transfer_switch',
        'ac_switch',
        'bypass',
        'panel',
        'separator',
        'cut_off',
    ];

    /** @param list<Baseline> $baseline readings to take before anything is disconnected */
    public function __construct(private Site $site, private Materials $materials, private array $baseline) {}

    /** @return list<Step> */
    public function steps(): array
    {
        return array_values(
            array_filter([
                $this->materials(),
                $this->baseline(),
                ...$this->bench(),
                ...$this->charging(),
                ...$this->dryFits(),
                ...$this->crimps(),
                $this->tags(),
            ]),
        );
    }

    private function materials(): Step
    {
        $lines = $this->materials->lines();

        return new Step(
            $this->site->id(Kind::Materials),
            $this->site->stage,
            Kind::Materials,
            'Everything is here and fits',
            'what is missing is found with the rig in pieces otherwise',
            lists: array_map(
                fn(array $l): array => ['words' => $l['words'], 'why' => $l['why'], 'key' => $l['key']],
                $lines,
            ),
            asks: [
                Ask::tick('all_here', 'Counted, held against the list, nothing missing'),
                Ask::text('substitutes', 'What stands in for something, why, and when it is looked at again', false),
            ],
            who: Competence::Apprentice,
        );
    }

    private function baseline(): ?Step
    {
        return $this->baseline === [] || $this->site->difference->isNothing()
            ? null
            : new Step(
                $this->site->id(Kind::Baseline),
                $this->site->stage,
                Kind::Baseline,
                'Baseline readings',
                'once something is disconnected nobody can tell what was broken before',
                does: ['What is not as expected was so before: it goes into the survey and among the open items'],
                tools: ['meter', 'plug-in tester'],
                asks: [
                    ...array_map(Ask::reading(...), $this->baseline),
                    Ask::text(
                        Ask::UNREAD,
                        'Could not be read, and why',
                        false,
                        'no pedestal, a dead battery: what was not read stays among the open items',
                    ),
                    Ask::text('instrument', 'Meter used', false),
                ],
                cautions: [Caution::Probing, Caution::People],
                pieces: (float) count($this->baseline),
                who: Competence::Apprentice,
            );
    }

    /** @return list<Step> */
    private function bench(): array
    {
        $steps = [];
        foreach ($this->site->difference->fitted as $id => $part) {
            if (!$part->is(...self::ON_THE_BENCH)) {
                continue;
            }
            $does = $asks = [];
            foreach ($this->site->after->devices as $device) {
                if ($device->component !== $id || $device->job === 'breaker') {
                    continue;
                }
                foreach ($device->positions as $position => $words) {
                    $closed = [];
                    foreach ($this->site->after->elements as $element) {
                        if ($element->device === $device->id && in_array($position, $element->closedIn, true)) {
                            $closed[] =
                                $this->end($element->a, (string) $id) . ' to ' . $this->end($element->b, (string) $id);
                        }
                    }
                    $asks[] = Ask::tick(
                        "position_{$device->job}_{$position}",
                        ucfirst($words) .
                            ': ' .
                            ($closed === [] ? 'nothing joined' : 'joins ' . implode(', ', array_unique($closed))),
                    );
                }
            }
            if ($part->is('contactor')) {
                $asks[] = Ask::tick('dead_coil', 'Its coil lead lifted: it falls back, and the drawing says what then');
            }
            if ($part->is('panel')) {
                $does[] = 'Bonding screw and strap looked for and out; neutral bar to case open';
                $asks[] = Ask::number('neutral_case', 'Neutral bar to case', 'Ω', 1e5, null, false);
            }
            if ($asks === []) {
                continue;
            }
            $steps[] = new Step(
                $this->site->id(Kind::BenchProve, (string) $id),
                $this->site->stage,
                Kind::BenchProve,
                "Prove {$part->label} on the bench",
                'a wrong contact is found with the cover off and no rig around it',
                [(string) $id],
                where: 'bench',
                does: $does,
                tools: ['meter', 'supply for its coil'],
                asks: $asks,
            );
        }

        return $steps;
    }

    /** A terminal in words: where it belongs to another part, with that. */
    private function end(string $terminal, string $of): string
    {
        $words = TerminalWords::of($this->site->after)[$terminal] ?? $terminal;
        $own = $this->site->label($of) . ': ';

        return str_starts_with($words, $own) ? substr($words, strlen($own)) : $words;
    }

    /** @return list<Step> each battery of a bank of several, alone and full */
    private function charging(): array
    {
        $steps = [];
        foreach ($this->site->difference->fitted as $id => $part) {
            $units = (int) ($part->number('parallel', 1) * $part->number('series', 1));
            if (!$part->is('battery_bank') || $units < 2) {
                continue;
            }
            $lead = $part->text('chemistry') !== 'lfp';
            for ($n = 1; $n <= $units; $n++) {
                $steps[] = new Step(
                    $this->site->id(Kind::ChargeAlone, "{$id}_{$n}"),
                    $this->site->stage,
                    Kind::ChargeAlone,
                    "Charge battery {$n} of {$part->label} alone to full",
                    'joined at different charge, the fuller one empties into the other with all its links let through',
                    [(string) $id],
                    where: 'bench',
                    does: ['Until its charger says full and the current has fallen, then an hour of rest'],
                    tools: [sprintf('charger for %s, %g A', $lead ? 'lead' : 'lithium', self::BENCH_A)],
                    asks: [
                        Ask::rested('rested_v', 'Volts after an hour of rest', $part),
                        Ask::text('serial', 'Serial number', false),
                    ],
                    cautions: $lead ? [Caution::Acid, Caution::Posts] : [Caution::Posts],
                    unattendedMin: round(60 * (($part->number('unitAh') * self::SHIPPED_EMPTY) / self::BENCH_A + 1)),
                    who: Competence::Apprentice,
                );
            }
        }

        return $steps;
    }

    /** @return list<Step> */
    private function dryFits(): array
    {
        $steps = [];
        $parts = array_filter($this->site->difference->fitted, self::takesRoom(...));
        foreach ($this->site->together($parts) as $key => $group) {
            $ids = array_map(strval(...), array_keys($group));
            $clear = max([0.0, ...array_map(fn(string $id): float => $this->site->item($id)->clearanceM ?? 0.0, $ids)]);
            $steps[] = new Step(
                $this->site->id(Kind::DryFit, (string) $key),
                $this->site->stage,
                Kind::DryFit,
                'Dry fit ' . Site::called($group),
                'a hole that is drilled stays drilled',
                $ids,
                where: $this->site->where($ids[0]),
                does: [
                    'Held in place with its cables bent as they will be, doors and drawers moved, furniture back in',
                    'Both faces of the board looked at: screws, cables and tanks behind it',
                ],
                lists: count($group) < 2
                    ? []
                    : array_map(fn(Part $p): array => ['words' => $p->label, 'why' => ''], array_values($group)),
                tools: ['tape', 'cardboard of its size'],
                asks: [
                    Ask::number(
                        'clear_cm',
                        'Smallest clearance measured',
                        'cm',
                        $clear > 0 ? round($clear * 100) : null,
                        null,
                        true,
                        $clear > 0 ? 'less is signed for by the lead' : 'what its maker asks for is not known here',
                        Ask::SIGNED,
                    ),
                    Ask::tick('both_faces', 'Both faces of the board looked at'),
                    Ask::tick('reach', 'Terminals, breaker and remote can be reached with everything back'),
                    Ask::tick('furniture', 'Furniture, doors and slides pass'),
                    Ask::text(Ask::SIGNED, 'A clearance that falls short: by how much, and why it may (a lead)', false),
                ],
                cautions: $this->site->zone($ids[0])?->is('water') === true ? [Caution::Water] : [],
                pieces: 1.0 + 0.3 * (count($group) - 1),
            );
        }

        return $steps;
    }

    public static function takesRoom(Part $part): bool
    {
        return !$part->is('dc_load', 'stop_line', 'tow_plug', 'side_inlet', 'alternator', 'double_male_cord') &&
            !($part->is('generator') && $part->text('mount') === 'portable');
    }

    /** @return list<Step> leads made up on the bench, by size */
    private function crimps(): array
    {
        $sizes = [];
        foreach ($this->site->difference->run + $this->site->difference->replaced as $id => $_) {
            $part = $this->site->after->parts[$id];
            if ($part->is('lead', 'frame_bond') && $part->text('cable/size') !== '') {
                $sizes[$part->text('cable/size')][] = (string) $id;
            }
        }
        $steps = [];
        foreach ($sizes as $size => $cables) {
            $count = 0.0;
            $lists = [];
            foreach ($cables as $id) {
                $lead = $this->site->after->parts[$id];
                $count += 2 * max(1, $lead->number('cable/parallel', 1));
                $studs = array_map(
                    fn(string $end): string => $this->site->terminals->studAt($lead->text($end))?->label() ??
                        'stud not known',
                    ['from', 'to'],
                );
                $lists[] = [
                    'words' => sprintf('%s: lugs for %s and %s', $lead->label, $studs[0], $studs[1]),
                    'why' => sprintf('route %.2f m', $lead->number('cable/lengthM')),
                ];
            }
            $pull = CrimpPull::newton((string) $size);
            $spoken = ConductorSize::of((string) $size)->spoken();
            $steps[] = new Step(
                $this->site->id(Kind::Crimp, preg_replace('/[^a-z0-9]+/', '_', (string) $size) ?? ''),
                $this->site->stage,
                Kind::Crimp,
                sprintf('Crimp %d lugs on %s', $count, $spoken),
                'on the bench there is room for the tool',
                cables: $cables,
                where: 'bench',
                does: [
                    'Measured along the way, with a loop at each end; sleeve on before the lug',
                    'Cut square, stripped to the depth of the barrel; looked into the inspection hole, then shrunk',
                    ...$pull === null ? [] : [sprintf('Each pulled: stands %.0f N for a minute', $pull)],
                ],
                lists: $lists,
                tools: ["cutter for {$spoken}", "crimper and die for {$spoken}", 'heat gun'],
                takes: ["{$count} lugs {$spoken}", "{$count} sleeves"],
                asks: [
                    Ask::tick('pulled', 'Each pulled, looked at, sleeved and labelled at both ends'),
                    Ask::photo('photo', 'Of the crimps', false),
                ],
                pieces: $count,
                who: Competence::Apprentice,
            );
        }

        return $steps;
    }

    /** Cables that leave their place are told apart while they are still in it. */
    private function tags(): ?Step
    {
        $lists = [];
        $direct = false;
        foreach ($this->site->difference->pulled + $this->site->difference->landed as $id => $_) {
            $cable = $this->site->before->parts[$id] ?? $this->site->after->parts[$id];
            $isDirect = $cable->is('lead', 'frame_bond');
            $direct = $direct || $isDirect;
            $goes = isset($this->site->difference->pulled[$id]);
            $lists[] = [
                'words' => $cable->label . ($goes ? ': goes' : ': lands elsewhere'),
                'why' => $isDirect ? 'plus or minus by meter, not by colour' : 'hot, neutral and ground of one cable',
            ];
        }

        return $lists === []
            ? null
            : new Step(
                $this->site->id(Kind::Tag),
                $this->site->stage,
                Kind::Tag,
                sprintf('Tag both ends of %d %s', count($lists), count($lists) === 1 ? 'cable' : 'cables'),
                'a cable is told apart while it is still where it belongs',
                cables: array_map(
                    strval(...),
                    array_keys($this->site->difference->pulled + $this->site->difference->landed),
                ),
                does: [
                    'Size read off the jacket, which way it goes, plus or minus measured',
                    'A photograph of each place',
                ],
                lists: $lists,
                tools: ['tags', 'meter'],
                asks: [
                    Ask::tick('tagged', 'Both ends of each tagged and photographed'),
                    ...$direct
                        ? [Ask::tick('polarity', 'Plus and minus of each lead measured, not read off its colour')]
                        : [],
                    Ask::photo('photo', 'Of the places before'),
                ],
                cautions: $direct ? [Caution::Colours, Caution::Probing] : [Caution::Probing],
                pieces: (float) count($lists),
                who: Competence::Apprentice,
            );
    }
}
