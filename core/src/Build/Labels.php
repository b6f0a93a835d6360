<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Panels;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\TerminalWords;
use Hollin\Core\Reference\FuseFamily;

/** The labels of a stage, in words that the owner understands, from the wiring as it will be. */
final readonly class Labels
{
    /** What can hold two sources at once. */
    private const BOXES = [
        'panel',
        'bypass',
        'transfer_switch',
        'contactor',
        'splice_box',
        'ac_switch',
        'inverter_charger',
        'surge_unit',
    ];

    /** Facts of a circuit that its breaker's label tells alone. */
    private const SLOT = ['hot/slot', 'hot/half'];

    /** The end of a circuit that nobody stands before. */
    private const LOAD = 'its outlets';

    /** @param array<string, array{words: string, capW: float}> $caps inverter => what holds it below its name */
    public function __construct(private Site $site, private array $caps = []) {}

    /** @return list<Label> */
    public function all(): array
    {
        if ($this->site->difference->isNothing()) {
            return [];
        }

        return [
            ...$this->cables(),
            ...$this->breakers(),
            ...$this->switches(),
            ...$this->fuses(),
            ...$this->boxes(),
            ...$this->limits(),
            ...$this->directories(),
        ];
    }

    /** @return list<Label> one for each end, saying where the other is */
    private function cables(): array
    {
        $labels = [];
        $difference = $this->site->difference;
        foreach ($difference->run + $difference->replaced + $difference->landed as $id => $_) {
            $id = (string) $id;
            $cable = $this->site->after->parts[$id];
            $ends = $this->ends($cable);
            $moved = $difference->landed[$id] ?? [];
            if (
                !isset($difference->run[$id], $difference->replaced[$id]) &&
                $moved !== [] &&
                array_diff($moved, self::SLOT) === []
            ) {
                continue;
            }
            foreach ($ends as $n => $end) {
                if ($end === self::LOAD) {
                    continue;
                }
                $labels[] = new Label(
                    "cable_{$id}_{$n}",
                    'cable',
                    $cable->label,
                    array_values(
                        array_filter([
                            'to ' . $ends[1 - $n],
                            trim(
                                $this->site->size($cable) .
                                    ($cable->text('pole') === '' ? '' : ", {$cable->text('pole')}") .
                                    ($cable->is('circuit', 'feeder') ? ', 120 V' : ''),
                                ', ',
                            ),
                        ]),
                    ),
                    "at {$end}",
                    $id,
                );
            }
        }

        return $labels;
    }

    /** @return array{string, string} */
    private function ends(Part $cable): array
    {
        $words = TerminalWords::of($this->site->after);
        $said = fn(string $t): string => isset($words[$t])
            ? str_replace(': ', ', ', $words[$t])
            : $this->site->label(explode('.', $t)[0]);
        if ($cable->is('lead')) {
            return [$said($cable->text('from')), $said($cable->text('to'))];
        }
        if ($cable->is('frame_bond')) {
            return [$said($cable->text('from')), 'the frame'];
        }
        $ends = Difference::endsOf($cable);
        $from = $ends['from'] ?? ($ends['hot'] ?? '');
        $to = $ends['to'] ?? ($ends['feeds'] ?? '');

        return [
            $from === '' ? 'its source' : $this->site->label($from),
            $to === '' ? self::LOAD : $this->site->label($to),
        ];
    }

    /** @return list<Label> of circuits that are new or moved */
    private function breakers(): array
    {
        $labels = [];
        foreach ($this->site->after->circuits as $id => $circuit) {
            $was = $this->site->before->parts[$id] ?? null;
            $is = $this->site->after->parts[$id] ?? null;
            if ($is === null || $circuit->panel === null || $is->numberOrNull('breakerA') === null) {
                continue;
            }
            $facts = $was === null ? ['hot/panel'] : $was->differing($is);
            if (array_intersect($facts, ['hot/panel', 'hot/slot', 'hot/half', 'breakerA']) !== []) {
                $labels[] = new Label(
                    "breaker_{$id}",
                    'breaker',
                    $circuit->label,
                    [sprintf('%g A, slot %d%s', $is->number('breakerA'), $circuit->slot, $circuit->half)],
                    $this->site->label($circuit->panel),
                    (string) $id,
                );
            }
        }

        return $labels;
    }

    /** @return list<Label> switches of batteries: what opens, and what does not */
    private function switches(): array
    {
        $labels = [];
        foreach ($this->site->difference->fitted as $id => $part) {
            if (!$part->is('dc_switch')) {
                continue;
            }
            $pole = null;
            foreach ($this->site->after->elementsOf((string) $id) as $element) {
                $pole ??= $element->device === null ? null : $element;
            }
            if ($pole === null) {
                continue;
            }
            $still = Ways::feedsBehind($this->site->after, $pole, $pole->b);
            $off = array_diff(Ways::feedsBehind($this->site->after, $pole, $pole->a), $still);
            $labels[] = new Label(
                "switch_{$id}",
                'disconnect',
                $part->label,
                [
                    $off === []
                        ? 'Open: parts the battery from what hangs on it'
                        : 'Open: off are ' . implode(', ', $off),
                    $still === []
                        ? 'Nothing else feeds behind it'
                        : 'Open, and still feeding behind it: ' . implode(', ', $still),
                ],
                $this->site->where((string) $id) === '' ? 'beside it' : $this->site->where((string) $id),
                (string) $id,
            );
        }

        return $labels;
    }

    /** @return list<Label> */
    private function fuses(): array
    {
        $labels = [];
        $set = array_intersect_key($this->site->after->parts, $this->site->difference->set);
        foreach ($this->site->difference->fitted + $set as $id => $part) {
            if ($part->is('dc_fuse')) {
                $family = FuseFamily::tryFrom($part->text('family'));
                $labels[] = new Label(
                    "fuse_{$id}",
                    'fuse',
                    $part->label,
                    [
                        trim(sprintf('%g A %s', $part->number('ratingA'), $family?->label() ?? '')),
                        'Another only of the same kind and size: a larger one lets the cable burn',
                    ],
                    $this->site->where((string) $id) === '' ? 'beside it' : $this->site->where((string) $id),
                    (string) $id,
                );
            }
        }

        return $labels;
    }

    /** @return list<Label> boxes that two sources lead to */
    private function boxes(): array
    {
        $labels = [];
        $touched = array_flip([
            ...$this->site->difference->touched(),
            ...array_keys($this->site->difference->landings()),
        ]);
        foreach ($this->site->after->partsOf(...self::BOXES) as $id => $part) {
            $sources = Ways::sourcesAt($this->site->after, (string) $id);
            if (count($sources) < 2 || !isset($touched[$id])) {
                continue;
            }
            $labels[] = new Label(
                "sources_{$id}",
                'sources',
                'Two sources in this box',
                ['Fed from ' . implode(' and from ', $sources), 'Opening one does not make this dead'],
                "on {$part->label}",
                (string) $id,
            );
        }

        return $labels;
    }

    /** @return list<Label> what something really gives */
    private function limits(): array
    {
        $labels = [];
        foreach ($this->site->is->rig->components as $id => $component) {
            if (!isset($this->site->difference->fitted[$id])) {
                continue;
            }
            foreach ($component->limits() as $n => $limit) {
                $labels[] = new Label(
                    "limit_{$id}_{$n}",
                    'limit',
                    $this->site->label((string) $id),
                    [
                        sprintf('%s%g %s', $limit->assumed ? '~' : '', $limit->value, $limit->unit),
                        ucfirst($limit->means),
                    ],
                    'inside the panel door',
                    (string) $id,
                );
            }
        }
        foreach ($this->caps as $id => $cap) {
            $labels[] = new Label(
                "cap_{$id}",
                'limit',
                sprintf('At most %.0f W for now', $cap['capW']),
                [$this->site->label($id) . ' is held back by a part that is to be replaced', 'More than that opens it'],
                'beside its receptacles and its switch',
                $id,
            );
        }

        return $labels;
    }

    /** @return list<Label> of panels whose circuits change */
    private function directories(): array
    {
        $labels = [];
        foreach (Panels::of($this->site->after) as $id => $panel) {
            $rows = $this->rows($this->site->after, (string) $id);
            if ($rows === [] || $rows === $this->rows($this->site->before, (string) $id)) {
                continue;
            }
            $labels[] = new Label(
                "directory_{$id}",
                'directory',
                $panel->label,
                $rows,
                'inside its door',
                (string) $id,
            );
        }

        return $labels;
    }

    /** @return list<string> slot by slot */
    private function rows(Graph $graph, string $panel): array
    {
        $rows = [];
        foreach ($graph->circuits as $id => $circuit) {
            if ($circuit->panel === $panel) {
                $rows[sprintf('%03d%s', $circuit->slot, $circuit->half)] = sprintf(
                    '%d%s  %s%s',
                    $circuit->slot,
                    $circuit->half,
                    $circuit->label,
                    $circuit->breakerA === null ? '' : sprintf(', %g A', $circuit->breakerA),
                );
            }
        }
        ksort($rows);

        return array_values($rows);
    }
}
