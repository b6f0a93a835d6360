<?php

declare(strict_types=1);

namespace Hollin\Core\Build;

use Hollin\Core\Network\Part;
use Hollin\Core\Parts\TakeOff;

/** What must be here before a stage begins, and what about it is not known yet or does not fit. */
final readonly class Materials
{
    /** @var array<string, mixed> */
    private array $list;

    public function __construct(private Site $site)
    {
        $this->list = (new TakeOff($site->before, $site->after))->toArray(self::STOCK_M);
    }

    /** Cable is bought by the roll for this list; only its totals are read, m. */
    private const STOCK_M = 30.0;

    /**
     * What is laid out, line by line; the key names it for its date of arrival.
     *
     * @return list<array{key: string, component: string, words: string, why: string}>
     */
    public function lines(): array
    {
        $lines = [];
        foreach ($this->site->difference->fitted as $id => $part) {
            if ($part->is('dc_fuse')) {
                continue;
            }
            $lines[] = ['key' => (string) $id, 'component' => (string) $id, 'words' => $part->label, 'why' => ''];
        }
        foreach ($this->list['cables'] as $cable) {
            $lines[] = [
                'key' => "cable_{$cable['kind']}_" . preg_replace('/[^a-z0-9]+/', '_', $cable['size']),
                'component' => '',
                'words' => sprintf('%s, %s, %.2f m', $cable['spoken'], self::CABLES[$cable['kind']], $cable['totalM']),
                'why' => sprintf('%d cuts', count($cable['runs'])),
            ];
        }
        foreach ($this->list['lugs'] as $lug) {
            $lines[] = [
                'key' => 'lug_' . preg_replace('/[^a-z0-9]+/', '_', "{$lug['size']}_{$lug['kind']}_{$lug['stud']}"),
                'component' => '',
                'words' => sprintf(
                    '%d lugs %s for %s, with sleeves',
                    $lug['count'],
                    $lug['spoken'],
                    $lug['stud'] === null ? 'a stud nobody has named' : $lug['studWords'],
                ),
                'why' => $lug['kind'],
            ];
        }
        foreach ($this->list['fuses'] as $fuse) {
            $lines[] = [
                'key' => 'fuse_' . preg_replace('/[^a-z0-9]+/', '_', strtolower($fuse['label'])),
                'component' => '',
                'words' => sprintf(
                    '%d × %s, and %d spare, with holders',
                    $fuse['count'],
                    $fuse['label'],
                    $fuse['spares'],
                ),
                'why' => implode(', ', $fuse['of']),
            ];
        }
        foreach ($this->list['small'] as $small) {
            $lines[] = [
                'key' => $small['kind'],
                'component' => '',
                'words' => "{$small['count']} {$small['label']}",
                'why' => '',
            ];
        }

        return $lines;
    }

    private const CABLES = [
        'positive' => 'positive leads',
        'negative' => 'negative leads',
        'bond' => 'bonds',
        'sheathed' => 'sheathed',
        'cord' => 'cord',
    ];

    /**
     * What stands in the way of beginning, in words: not measured, no stud, no mounting, a supply it wants.
     *
     * @return list<array{kind: string, words: string}>
     */
    public function doubts(): array
    {
        /** @var list<string> $missing */
        $missing = $this->list['missing'];
        $doubts = array_map(fn(string $w): array => ['kind' => 'missing', 'words' => $w], $missing);
        foreach ($this->site->difference->fitted as $id => $part) {
            if (!Readying::takesRoom($part) || $part->is('splice_box', 'bus_bar', 'dc_fuse', 'shunt')) {
                continue;
            }
            $item = $this->site->item((string) $id);
            if ($item?->after === null) {
                $doubts[] = ['kind' => 'mounting', 'words' => "{$part->label}: nobody has said where it stands."];
            } elseif (!$item->is('backed') && $item->held() !== 'floor') {
                $doubts[] = [
                    'kind' => 'mounting',
                    'words' => "{$part->label}: hangs, and nothing is said to back it.",
                ];
            }
        }

        return [...$doubts, ...$this->range()];
    }

    /** @return list<array{kind: string, words: string}> conductors that a screw may not take */
    private function range(): array
    {
        $doubts = [];
        foreach ($this->site->difference->landings() as $id => $cables) {
            $part = $this->site->after->partAt($id);
            if ($part === null || !$part->is('contactor', 'ac_switch', 'bypass', 'transfer_switch', 'surge_unit')) {
                continue;
            }
            $sizes = array_map(fn(string $c): string => $this->site->size($this->cable($c)), $cables);
            $doubts[] = [
                'kind' => 'range',
                'words' => sprintf(
                    '%s: read on it that its terminals take %s.',
                    $part->label,
                    implode(' and ', array_unique(array_filter($sizes))),
                ),
            ];
        }

        return $doubts;
    }

    private function cable(string $id): Part
    {
        return $this->site->after->parts[$id];
    }
}
