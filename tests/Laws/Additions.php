<?php

declare(strict_types=1);

namespace Tests\Laws;

use Random\Engine\Mt19937;
use Random\Randomizer;
use stdClass;

/** What has nothing to do with the hazards of a rig, added to it; and what no finding names, taken away. */
final class Additions
{
    private readonly Randomizer $random;

    private function __construct(private readonly Specimen $rig)
    {
        $this->random = new Randomizer(new Mt19937(crc32($rig->title())));
    }

    /**
     * @param list<array<string, mixed>> $findings of the rig as it is
     * @return list<Addition>
     */
    public static function of(Specimen $rig, array $findings): array
    {
        $of = new self($rig);

        return [...$of->parts(), ...$of->words(), ...$of->halves(), ...$of->takenAway($findings)];
    }

    /**
     * @param list<array{0: string, 1: string, 2?: string, 3?: mixed}> $edits
     * @param list<string> $loose
     * @param array<string, string> $names
     */
    private function edits(string $name, string $target, array $edits, array $loose = [], array $names = []): Addition
    {
        return new Addition(
            $name,
            $target,
            fn(): stdClass => $this->rig->edited($edits),
            (new Step($name, $target, $edits))->fits(),
            $names,
            $loose,
        );
    }

    /** @return \Generator<int, Addition> */
    private function parts(): \Generator
    {
        $bars = Steps::bars($this->rig);
        if ($bars !== null) {
            $sun = Steps::between($this->rig, 'solar charger on the bar', Steps::sun($bars[2]), 30, 'awg:8');
            $socket = ['type' => 'side_inlet', 'label' => 'Added socket', 'panelW' => 100, 'panelVoc' => 22];
            $side = Steps::between($this->rig, 'side socket', $socket + ['controller' => 'panel'], 30, 'awg:8');
            foreach ([$sun, $side] as $step) {
                if ($step !== null) {
                    yield $this->edits($step->name, $step->target, $step->edits, ['charging_lost', 'charge_held_back']);
                }
            }
        }
        foreach ($this->rig->parts as $id => $part) {
            if (
                $part['type'] === 'battery_bank' &&
                Specimen::plain($part['chemistry']) === 'lfp' &&
                !isset($part['cold'])
            ) {
                $touches = ['charging_lost', 'charged_cold', 'load_dump', 'array_first', 'restless'];
                yield $this->edits(
                    'cold-cell limit',
                    (string) $id,
                    [['set', (string) $id, 'cold', 'blocks']],
                    $touches,
                );
            }
        }
        $inlet = [
            'type' => 'inlet',
            'label' => 'Added inlet',
            'ratingA' => 30,
            'form' => 'inlet',
            'cord' => ['size' => 'awg:10', 'lengthM' => 7.6, 'sheath' => 'cord'],
        ];
        $panel = [
            'type' => 'panel',
            'label' => 'Added panel',
            'role' => 'sub',
            'slots' => 4,
            'bondScrew' => false,
            'bondedToFrame' => true,
        ];
        $box = ['type' => 'splice_box', 'label' => 'Added box', 'volumeCm3' => 600, 'clamps' => true];
        foreach (
            ['second inlet never used' => $inlet, 'spare panel' => $panel, 'spare box' => $box]
            as $name => $part
        ) {
            $id = $this->rig->free('law_part');
            yield $this->edits($name, $id, [['fit', $id, '', $part]]);
        }
        yield $this->second();
    }

    /** A battery with its fuse and its lamp, joined with nothing else. */
    private function second(): Addition
    {
        $names = ['law_bank', 'law_fuse', 'law_lamp', 'law_l1', 'law_l2', 'law_l3'];
        [$bank, $fuse, $lamp, $l1, $l2, $l3] = array_map($this->rig->free(...), $names);
        $battery = ['type' => 'battery_bank', 'label' => 'Added battery', 'chemistry' => 'agm', 'unitV' => 12];

        return $this->edits(
            'second battery system',
            $bank,
            [
                ['fit', $bank, '', $battery + ['unitAh' => 50, 'series' => 1, 'parallel' => 1]],
                [
                    'fit',
                    $fuse,
                    '',
                    ['type' => 'dc_fuse', 'label' => 'Added fuse', 'family' => 'class_t', 'ratingA' => 30],
                ],
                ['fit', $lamp, '', ['type' => 'dc_load', 'label' => 'Added lamp', 'use' => 'other', 'amps' => 1]],
                ['fit', $l1, '', Steps::lead("{$bank}.pos", "{$fuse}.in", 'awg:8', 0.1, 'positive')],
                ['fit', $l2, '', Steps::lead("{$fuse}.out", "{$lamp}.pos", 'awg:8', 1, 'positive')],
                ['fit', $l3, '', Steps::lead("{$bank}.neg", "{$lamp}.neg", 'awg:8', 1, 'negative')],
            ],
            ['charging_lost'],
        );
    }

    /** @return \Generator<int, Addition> another scenario, other names, another order in the file */
    private function words(): \Generator
    {
        if (get_object_vars($this->rig->document->needs->scenarios ?? new stdClass()) !== []) {
            $more = function (stdClass $needs): void {
                $needs->scenarios->law_none = (object) [
                    'title' => 'Added evening',
                    'order' => 99,
                    'running' => new stdClass(),
                ];
            };
            yield new Addition('another load scenario', 'needs', fn(): stdClass => $this->rig->edited([], $more));
        }
        $named = array_filter($this->rig->parts, fn(array $part): bool => strlen($part['label'] ?? '') > 3);
        foreach ($this->picked(array_keys($named)) as $id) {
            $old = ['qzxpart' => mb_strtolower($named[$id]['label'])];
            yield $this->edits('a part renamed', $id, [['set', $id, 'label', 'Qzxpart']], [], $old);
        }
        foreach (['1', '2'] as $order) {
            yield new Addition('another order in the file', $order, $this->shuffled(...));
        }
    }

    private function shuffled(): stdClass
    {
        $document = Specimen::copy($this->rig->document);
        $document->asFound->components = $this->mixed($document->asFound->components);
        foreach (get_object_vars($document->plans) as $plan) {
            $orders = array_column(
                array_map(get_object_vars(...), get_object_vars($plan->changes ?? new stdClass())),
                'order',
            );
            // Changes without an order of their own go by their place in the file.
            if (count(array_unique($orders)) === count(get_object_vars($plan->changes ?? new stdClass()))) {
                $plan->changes = $this->mixed($plan->changes ?? new stdClass());
            }
        }

        return $document;
    }

    private function mixed(stdClass $map): stdClass
    {
        $mixed = new stdClass();
        foreach ($this->random->shuffleArray(array_keys(get_object_vars($map))) as $key) {
            $mixed->{$key} = $map->{$key};
        }

        return $mixed;
    }

    /** @param list<int|string> $of @return list<string> two of them */
    private function picked(array $of): array
    {
        return array_map(strval(...), array_slice($this->random->shuffleArray($of), 0, 2));
    }

    /** @return \Generator<int, Addition> a cable in two pieces, a bank as two halves in parallel */
    private function halves(): \Generator
    {
        $long = array_filter(
            $this->rig->parts,
            fn(array $part, int|string $id): bool => $part['type'] === 'lead' &&
                $this->rig->value((string) $id, 'cable/lengthM') >= 0.3,
            ARRAY_FILTER_USE_BOTH,
        );
        foreach ($this->picked(array_keys($long)) as $id) {
            [$bar, $more] = [$this->rig->free('law_joint'), $this->rig->free('law_rest')];
            $half = round($this->rig->value($id, 'cable/lengthM') / 2, 4);
            $rest = ['from' => "{$bar}.stud"] + $long[$id];
            unset($rest['jointMilliohm']);
            $rest['cable'] = ['lengthM' => $half] + Specimen::plain($long[$id]['cable']);
            $pole = $long[$id]['pole'] ?? 'positive';
            yield $this->edits(
                'a cable cut in two',
                $id,
                [
                    [
                        'fit',
                        $bar,
                        '',
                        ['type' => 'bus_bar', 'label' => 'Added joint', 'pole' => $pole, 'ratingA' => 1000],
                    ],
                    ['fit', $more, '', $rest],
                    ['set', $id, 'to', "{$bar}.stud"],
                    ['set', $id, 'cable/lengthM', $half],
                ],
                ['*'],
            );
        }
        foreach ($this->rig->parts as $id => $part) {
            $id = (string) $id;
            $parallel = $part['type'] === 'battery_bank' ? $this->rig->value($id, 'parallel') ?? 1 : 1;
            if ($parallel > 1 && $parallel % 2 === 0 && !isset($part['linkMilliohm']) && !isset($part['takenOff'])) {
                [$other, $l1, $l2] = array_map($this->rig->free(...), ['law_half', 'law_h1', 'law_h2']);
                yield $this->edits(
                    'a bank as two halves',
                    $id,
                    [
                        [
                            'fit',
                            $other,
                            '',
                            ['parallel' => intdiv($parallel, 2), 'label' => "{$part['label']}, other half"] + $part,
                        ],
                        ['set', $id, 'parallel', intdiv($parallel, 2)],
                        ['fit', $l1, '', Steps::lead("{$id}.pos", "{$other}.pos", 'awg:4/0', 0.02, 'positive')],
                        ['fit', $l2, '', Steps::lead("{$id}.neg", "{$other}.neg", 'awg:4/0', 0.02, 'negative')],
                    ],
                    ['*'],
                );
            }
        }
    }

    /**
     * What no finding mentions and nothing refers to.
     *
     * @param list<array<string, mixed>> $findings
     * @return \Generator<int, Addition>
     */
    private function takenAway(array $findings): \Generator
    {
        $said = [];
        foreach ($findings as $f) {
            $ends = [...$f['witness']['path'], ...$f['witness']['elements']];
            foreach ([...$f['components'], ...array_map(fn(string $e): string => explode('.', $e)[0], $ends)] as $id) {
                $said[$id] = true;
            }
        }
        $kinds = ['circuit', 'dc_circuit', 'dc_load', 'inlet', 'splice_box', 'side_inlet', 'generator'];
        $texts = array_map(
            fn(array $p): string => (string) json_encode(array_diff_key($p, ['label' => 1, 'note' => 1])),
            $this->rig->parts,
        );
        $needs = (string) json_encode($this->rig->document->needs);
        $alone = [];
        foreach ($this->rig->parts as $id => $part) {
            $refers = fn(string $text): bool => str_contains($text, "\"{$id}\"") || str_contains($text, "\"{$id}.");
            $others = array_diff_key($texts, [$id => true]);
            // A generator that no finding mentions is one way more in which a hazard may come about.
            if (
                !isset($part['feeds']) &&
                !isset($said[$id]) &&
                in_array($part['type'], $kinds, true) &&
                !$refers($needs) &&
                array_filter($others, $refers) === []
            ) {
                $alone[] = (string) $id;
            }
        }
        foreach ($this->picked($alone) as $id) {
            yield $this->edits(
                'taken away what none mentions',
                $id,
                [['remove', $id]],
                ['overload', 'restless', 'separator_chatters'],
            );
        }
    }
}
