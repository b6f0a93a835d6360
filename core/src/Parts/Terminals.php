<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Part;
use Hollin\Core\Network\TerminalWords;
use Hollin\Core\Reference\ConductorSize;
use Hollin\Core\Reference\Stud;

/** Terminals that lugs go on: which stud, which lug lies nearest the plate, what it is tightened with. */
final readonly class Terminals
{
    public function __construct(private Graph $before, private Graph $after) {}

    /**
     * Terminals with a lead that is new or changed, the heaviest first.
     *
     * @return list<array{terminal: string, label: string, stud: ?string, torqueNm: ?array{float, float}, ofMaker: bool,
     *      lugs: list<array{size: string, lead: string, label: string}>, wrong: list<string>}>
     */
    public function all(): array
    {
        $landed = [];
        $fresh = [];
        foreach ($this->after->partsOf('lead') as $id => $lead) {
            for ($n = 1; $n <= max(1, (int) $lead->number('cable/parallel', 1)); $n++) {
                foreach (['from', 'to'] as $end) {
                    $landed[$lead->text($end)][] = $lead;
                    $fresh[$lead->text($end)] =
                        ($fresh[$lead->text($end)] ?? false) || $this->isNew((string) $id, $lead);
                }
            }
        }
        $said = [];
        foreach (array_intersect_key($landed, array_filter($fresh)) as $terminal => $leads) {
            $part = $this->after->partAt(explode('.', (string) $terminal)[0]);
            if ($part !== null) {
                $said[] = $this->terminal((string) $terminal, $part, $leads);
            }
        }
        usort($said, fn(array $a, array $b): int => count($b['lugs']) <=> count($a['lugs']));

        return $said;
    }

    /** The stud at an end of a lead; null where nobody has said. */
    public function studAt(string $terminal): ?Stud
    {
        $part = $this->after->partAt(explode('.', $terminal)[0]);

        return $part === null ? null : Stud::tryFrom($part->text('stud'));
    }

    private function isNew(string $id, Part $lead): bool
    {
        $was = $this->before->partAt($id);

        $facts = fn(Part $p): array => [
            $p->text('from'),
            $p->text('to'),
            $p->text('cable/size'),
            $p->number('cable/parallel', 1),
        ];

        return $was === null || $facts($was) !== $facts($lead);
    }

    /**
     * @param list<Part> $leads
     * @return array{terminal: string, label: string, stud: ?string, torqueNm: ?array{float, float}, ofMaker: bool,
     *      lugs: list<array{size: string, lead: string, label: string}>, wrong: list<string>}
     */
    private function terminal(string $terminal, Part $part, array $leads): array
    {
        // The largest current lies nearest the plate; with the same stud that is the largest lug.
        usort($leads, fn(Part $a, Part $b): int => self::area($b) <=> self::area($a));
        $stud = $this->studAt($terminal);
        $own = $part->numberOrNull('torqueNm');
        $wrong = [];
        if (count($leads) > Stud::MOST_LUGS && !$part->is('bus_bar', 'frame')) {
            $wrong[] = sprintf('%d lugs on one stud, and at most %d may be', count($leads), Stud::MOST_LUGS);
        }
        $studs = $part->numberOrNull('studs');
        if ($studs !== null && count($leads) > $studs) {
            $wrong[] = sprintf('%d lugs, and its stud takes %g', count($leads), $studs);
        }
        $most = $part->text('largestLug');
        if ($most !== '' && self::area($leads[0]) > ConductorSize::of($most)->areaMm2 + 0.01) {
            $wrong[] = sprintf(
                '%s, and it takes at most %s',
                self::spoken($leads[0]),
                ConductorSize::of($most)->spoken(),
            );
        }
        $end = explode('.', $terminal, 2)[1] ?? '';

        return [
            'terminal' => $terminal,
            'label' => trim($part->label . ', ' . TerminalWords::one($end), ', '),
            'stud' => $stud?->label(),
            'torqueNm' => $own !== null ? [$own, $own] : $stud?->torqueNm(),
            'ofMaker' => $own !== null,
            'lugs' => array_map(
                fn(Part $l): array => ['size' => self::spoken($l), 'lead' => $l->id, 'label' => $l->label],
                $leads,
            ),
            'wrong' => $wrong,
        ];
    }

    private static function area(Part $lead): float
    {
        return ConductorSize::of($lead->text('cable/size'))->areaMm2;
    }

    private static function spoken(Part $lead): string
    {
        return ConductorSize::of($lead->text('cable/size'))->spoken();
    }
}
