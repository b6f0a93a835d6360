<?php

declare(strict_types=1);

namespace Hollin\Core\Parts;

use Hollin\Core\Network\Part;

/** What a plan costs: its list with a price and a time to each line, tools apart, and what has no price. */
final readonly class Costs
{
    /** To take out a part that goes, min. Common practice, no source. */
    private const TAKE_OUT_MIN = 20.0;

    /** To learn a rig, isolate it, prove it and hand it over, min. Common practice, no source. */
    private const AROUND_MIN = 180.0;

    private Candidates $candidates;

    /**
     * @param array<string, Offer> $offers
     * @param array<string, string> $chosen component => code of the offer that is taken for it
     * @param ?float $hour what an hour of work costs; null where the workshop has not said
     */
    public function __construct(
        private array $offers,
        private Wishes $wishes,
        private array $chosen = [],
        private ?float $hour = null,
    ) {
        $this->candidates = new Candidates($offers, $wishes);
    }

    /**
     * @param array<string, mixed> $list of {@see TakeOff}
     * @param array<string, Part> $parts that are new
     * @return array<string, mixed>
     */
    public function of(array $list, array $parts): array
    {
        $lines = [
            ...$this->units($parts),
            ...$this->cables($list),
            ...$this->lugs($list['lugs']),
            ...$this->fuses($list['fuses']),
            ...$this->small($list['small']),
            ...$this->labels(count($list['labels'])),
        ];
        $minutes = array_sum(array_column($lines, 'minutes'));
        $out = count($list['out']) * self::TAKE_OUT_MIN;
        $material = array_sum(array_column($lines, 'total'));
        $hours = ($minutes + $out + self::AROUND_MIN) / 60;

        return [
            'lines' => $lines,
            'tools' => $this->tools($list),
            'material' => round($material, 2),
            'hours' => round($hours, 2),
            'hoursOf' => [
                'fitting' => round($minutes / 60, 2),
                'takingOut' => round($out / 60, 2),
                'around' => self::AROUND_MIN / 60,
            ],
            'hour' => $this->hour,
            'labour' => $this->hour === null ? null : round($hours * $this->hour, 2),
            'total' => $this->hour === null ? null : round($material + $hours * $this->hour, 2),
            'without' => array_values(
                array_map(
                    fn(array $l): string => $l['label'],
                    array_filter($lines, fn(array $l): bool => $l['total'] === null),
                ),
            ),
            'assumed' => count(array_filter($lines, fn(array $l): bool => $l['assumed'])),
        ];
    }

    /**
     * Offers for each new part that there is a choice of, and what a stopgap would cost.
     *
     * @param array<string, Part> $parts
     * @return list<array<string, mixed>>
     */
    public function choices(array $parts): array
    {
        $choices = [];
        foreach ($parts as $id => $part) {
            $found = $this->candidates->of($part);
            if (count($found) < 2 || $part->is('dc_fuse')) {
                continue;
            }
            $choices[] = [
                'component' => (string) $id,
                'label' => $part->label,
                'taken' => $this->taken((string) $id, $part)?->code,
                'candidates' => array_map(
                    fn(array $c): array => $c + ['stopgap' => $this->stopgap((string) $id, $part, $c)],
                    array_slice($found, 0, 8),
                ),
            ];
        }

        return $choices;
    }

    /** The offer that is taken for a part: the chosen one, or the cheapest that has all it must. */
    private function taken(string $id, Part $part): ?Offer
    {
        $chosen = $this->offers[$this->chosen[$id] ?? ''] ?? null;
        if ($chosen !== null && $chosen->is($part->type)) {
            return $chosen;
        }
        foreach ($this->candidates->of($part) as $found) {
            if ($found['verdict'] !== 'lacks' && $found['price'] !== null) {
                return $this->offers[$found['code']];
            }
        }

        return null;
    }

    /**
     * Something less now and the right thing later, beside the right thing now.
     *
     * @param array{code: string, price: ?float, verdict: string} $lesser
     */
    private function stopgap(string $id, Part $part, array $lesser): ?string
    {
        $right = $this->taken($id, $part);
        $price = $right?->price();
        if (
            $right === null ||
            $price === null ||
            $lesser['verdict'] !== 'lacks' ||
            $lesser['price'] === null ||
            $lesser['price'] >= $price
        ) {
            return null;
        }
        $minutes = $right->number('minutes') ?? 0.0;
        $again = $this->hour === null ? 0.0 : (($minutes + self::TAKE_OUT_MIN) / 60) * $this->hour;

        return sprintf(
            'as a stopgap: %.0f now, %.0f with the right one later%s, instead of %.0f',
            $lesser['price'],
            $lesser['price'] + $price + $again,
            $this->hour === null ? '' : sprintf(' and %.1f h again', ($minutes + self::TAKE_OUT_MIN) / 60),
            $price,
        );
    }

    /**
     * @param array<string, Part> $parts
     * @return list<array<string, mixed>>
     */
    private function units(array $parts): array
    {
        $lines = [];
        foreach ($parts as $id => $part) {
            if ($part->is('lead', 'feeder', 'circuit', 'frame_bond', 'dc_fuse', 'instruction')) {
                continue;
            }
            $count = $part->is('battery_bank') ? $part->number('parallel', 1) * $part->number('series', 1) : 1.0;
            $offer = $this->taken((string) $id, $part);
            $lines[] = $this->line('part', $part->label, $count, 'each', $offer, (string) $id, $count);
            if ($part->is('solar_charger')) {
                $panels = $part->number('series', 1) * $part->number('parallel', 1);
                $lines[] = $this->line(
                    'part',
                    "{$part->label}, panels of {$part->number('panelW')} W",
                    $panels,
                    'each',
                    $this->cheapest(
                        fn(Offer $o): bool => $o->is('solar_panel') &&
                            ($o->number('watts') ?? 0.0) >= $part->number('panelW') - 1e-6,
                    ),
                    '',
                    $panels,
                );
            }
        }

        return $lines;
    }

    /**
     * @param array<string, mixed> $list
     * @return list<array<string, mixed>>
     */
    private function cables(array $list): array
    {
        $lines = [];
        foreach ($list['cables'] as $cable) {
            $sheath = ['sheathed' => 'nm_b', 'cord' => 'cord'][$cable['kind']] ?? 'fine';
            $offer = $this->cheapest(
                fn(Offer $o): bool => $o->is('cable') &&
                    $o->text('size') === $cable['size'] &&
                    $o->text('sheath') === $sheath,
            );
            $pieces = count($cable['pieces']);
            $lines[] = $this->line(
                'cable',
                sprintf('%s, %s', $cable['spoken'], self::CABLES[$cable['kind']]),
                round($pieces * $list['stockM'], 2),
                'm',
                $offer,
                '',
                $cable['totalM'],
            );
        }

        return $lines;
    }

    private const CABLES = [
        'positive' => 'positive leads',
        'negative' => 'negative leads',
        'bond' => 'bonds',
        'sheathed' => 'sheathed cable',
        'cord' => 'cord',
    ];

    /**
     * @param list<array{size: string, spoken: string, kind: string, stud: ?string, count: int}> $lugs
     * @return list<array<string, mixed>>
     */
    private function lugs(array $lugs): array
    {
        $lines = [];
        $sleeves = [];
        foreach ($lugs as $lug) {
            $offer = $this->cheapest(
                fn(Offer $o): bool => $o->is('lug') &&
                    $o->text('size') === $lug['size'] &&
                    ($lug['stud'] === null || $o->text('stud') === $lug['stud']),
            );
            $lines[] = $this->line(
                'lug',
                sprintf('Lugs %s%s', $lug['spoken'], $lug['stud'] === null ? ', stud not known' : " {$lug['stud']}"),
                (float) $lug['count'],
                'each',
                $offer,
                '',
                (float) $lug['count'],
            );
            $sleeves[$lug['size']] = [($sleeves[$lug['size']][0] ?? 0) + $lug['count'], $lug['spoken']];
        }
        foreach ($sleeves as $size => [$count, $spoken]) {
            $lines[] = $this->line(
                'lug',
                "Sleeves {$spoken}",
                (float) $count,
                'each',
                $this->cheapest(fn(Offer $o): bool => $o->is('sleeve') && $o->text('size') === $size),
                '',
                (float) $count,
            );
        }

        return $lines;
    }

    /**
     * @param list<array{label: string, family: string, ratingA: float, count: int, spares: int}> $fuses
     * @return list<array<string, mixed>>
     */
    private function fuses(array $fuses): array
    {
        $lines = [];
        foreach ($fuses as $fuse) {
            $lines[] = $this->line(
                'fuse',
                $fuse['label'],
                (float) ($fuse['count'] + $fuse['spares']),
                'each',
                $this->cheapest(
                    fn(Offer $o): bool => $o->is('dc_fuse') &&
                        $o->text('family') === $fuse['family'] &&
                        $o->number('ratingA') === $fuse['ratingA'],
                ),
                '',
                (float) $fuse['count'],
            );
            if (!str_contains($fuse['family'], 'breaker')) {
                $lines[] = $this->line(
                    'fuse',
                    "Holders for {$fuse['label']}",
                    (float) $fuse['count'],
                    'each',
                    $this->cheapest(
                        fn(Offer $o): bool => $o->is('fuse_holder') && $o->text('family') === $fuse['family'],
                    ),
                    '',
                    (float) $fuse['count'],
                );
            }
        }

        return $lines;
    }

    /**
     * @param list<array{kind: string, label: string, count: int}> $small
     * @return list<array<string, mixed>>
     */
    private function small(array $small): array
    {
        return array_map(
            fn(array $s): array => $this->line(
                'label',
                $s['label'],
                (float) $s['count'],
                'each',
                $this->cheapest(fn(Offer $o): bool => $o->is($s['kind'])),
                '',
                (float) $s['count'],
            ),
            $small,
        );
    }

    /** @return list<array<string, mixed>> */
    private function labels(int $count): array
    {
        return $count === 0
            ? []
            : [
                $this->line(
                    'label',
                    'Labels',
                    (float) $count,
                    'each',
                    $this->cheapest(fn(Offer $o): bool => $o->is('label')),
                    '',
                    (float) $count,
                ),
            ];
    }

    /**
     * What the work is done with, where the workshop has none: not counted.
     *
     * @param array<string, mixed> $list
     * @return list<array{name: string, price: ?float}>
     */
    private function tools(array $list): array
    {
        $tools = array_filter($this->offers, fn(Offer $o): bool => $o->is('tool'));
        $lugs = array_filter($list['lugs'], fn(array $l): bool => $l['count'] > 0) !== [];

        return array_values(
            array_map(
                fn(Offer $o): array => ['name' => $o->name(), 'price' => $o->price()],
                array_filter($tools, fn(Offer $o): bool => $lugs || $o->text('upToSize') === ''),
            ),
        );
    }

    /** @param callable(Offer): bool $fits */
    private function cheapest(callable $fits): ?Offer
    {
        $best = null;
        foreach ($this->offers as $offer) {
            if ($fits($offer) && ($best === null || ($offer->price() ?? INF) < ($best->price() ?? INF))) {
                $best = $offer;
            }
        }

        return $best;
    }

    /** @return array<string, mixed> */
    private function line(
        string $group,
        string $label,
        float $quantity,
        string $unit,
        ?Offer $offer,
        string $component,
        float $fitted,
    ): array {
        $price = $offer?->price();

        return [
            'group' => $group,
            'label' => $label,
            'component' => $component,
            'quantity' => $quantity,
            'unit' => $unit,
            'code' => $offer?->code,
            'offer' => $offer?->name(),
            'each' => $price,
            'total' => $price === null ? null : round($price * $quantity, 2),
            'minutes' => round($fitted * ($offer?->number('minutes') ?? 0.0), 1),
            'assumed' => $offer !== null && $offer->isAssumed(),
        ];
    }
}
