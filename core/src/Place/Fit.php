<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

/** Whether what is meant for a zone finds room in it: through its opening, with air around it, beside one another. */
final readonly class Fit
{
    /**
     * @param list<Item> $items that stand in the zone
     * @param array<string, float> $bendM item => room that its stiffest cable needs to turn
     */
    public function __construct(private Zone $zone, private array $items, private array $bendM = []) {}

    /**
     * @return array{verdict: string, lines: list<array{item: string, words: string, stops: bool}>,
     *      faces: array<string, array{w: float, h: float, at: list<array{id: string, x: float, y: float, w: float,
     *      h: float}>}>} fits, tight, cannot or unknown; where each stands on its face
     */
    public function judged(): array
    {
        $lines = [];
        $cannot = false;
        foreach ($this->items as $item) {
            foreach ($this->alone($item) as [$words, $stops]) {
                $lines[] = ['item' => $item->id, 'words' => $words, 'stops' => $stops];
                $cannot = $cannot || $stops;
            }
        }
        $faces = [];
        $verdicts = [];
        foreach ($this->faces() as $face => [$w, $h, $items]) {
            $packed = Pack::of(
                $w,
                $h,
                array_map(
                    fn(Item $i): array => [
                        'id' => $i->id,
                        'w' => $i->foot()[0],
                        'h' => $i->foot()[1],
                        'skirt' => $i->clearanceM,
                        'turns' => $face === 'floor' || $i->turns(),
                    ],
                    $items,
                ),
            );
            $faces[$face] = ['w' => $w, 'h' => $h, 'at' => $packed['at']];
            $verdicts[] = $packed['verdict'];
            if ($packed['verdict'] !== 'fits' && !$cannot && count($items) > 1) {
                $lines[] = [
                    'item' => '',
                    'words' =>
                        $packed['verdict'] === 'cannot'
                            ? sprintf('not all of them find room beside one another on its %s', $face)
                            : sprintf('no way was found to place them all on its %s; it may exist', $face),
                    'stops' => $packed['verdict'] === 'cannot',
                ];
            }
        }

        return [
            'verdict' => match (true) {
                $cannot || in_array('cannot', $verdicts, true) => 'cannot',
                in_array('unknown', $verdicts, true) => 'unknown',
                $lines !== [] => 'tight',
                default => 'fits',
            },
            'lines' => $lines,
            'faces' => $faces,
        ];
    }

    /** @return array<string, array{float, float, list<Item>}> face => its sides, what is on it */
    private function faces(): array
    {
        $faces = [];
        foreach ($this->items as $item) {
            $wall = $item->held() === 'wall';
            $face = $wall ? 'wall' : 'floor';
            $faces[$face] ??= [$this->zone->widthM, $wall ? $this->zone->heightM : $this->zone->depthM, []];
            $faces[$face][2][] = $item;
        }

        return $faces;
    }

    /** @return list<array{string, bool}> what is wrong with it alone, and whether that stops it */
    private function alone(Item $item): array
    {
        $sides = $item->sides;
        if ($sides === null) {
            return [];
        }
        $said = [];
        $opening = $this->zone->opening();
        $sorted = $sides;
        sort($sorted);
        if ($opening !== null && ($sorted[0] > $opening[0] || $sorted[1] > $opening[1])) {
            $said[] = [
                sprintf(
                    '%s × %s does not pass the opening of %s × %s',
                    self::cm($sorted[0]),
                    self::cm($sorted[1]),
                    self::cm($opening[0]),
                    self::cm($opening[1]),
                ),
                true,
            ];
        }
        $off = $item->held() === 'wall' ? $this->zone->depthM : $this->zone->heightM;
        $needs = $item->off() + $item->clearanceM;
        if ($needs > $off + 1e-9) {
            $said[] = [
                sprintf('%s with its clearance, and there are %s', self::cm($needs), self::cm($off)) .
                ($this->liesDown($item) ? '; laid down it would go, where its maker allows that' : ''),
                $item->off() > $off,
            ];
        }
        [$w, $h] = $item->foot();
        $face = [$this->zone->widthM, $item->held() === 'wall' ? $this->zone->heightM : $this->zone->depthM];
        $c = 2 * $item->clearanceM;
        $turns = $item->held() !== 'wall' || $item->turns();
        $straight = $w + $c <= $face[0] + 1e-9 && $h + $c <= $face[1] + 1e-9;
        $across = $turns && $h + $c <= $face[0] + 1e-9 && $w + $c <= $face[1] + 1e-9;
        if (!$straight && !$across) {
            $bare = ($w <= $face[0] && $h <= $face[1]) || ($turns && $h <= $face[0] && $w <= $face[1]);
            $said[] = [
                sprintf(
                    '%s × %s and %s all round do not go on %s × %s',
                    self::cm($w),
                    self::cm($h),
                    self::cm($item->clearanceM),
                    self::cm($face[0]),
                    self::cm($face[1]),
                ),
                !$bare,
            ];
        }
        $bend = $this->bendM[$item->id] ?? 0.0;
        $room = max($face) - min($w, $h);
        if ($bend > $room + 1e-9) {
            $said[] = [
                sprintf('its cable needs %s to turn, and %s are left beside it', self::cm($bend), self::cm($room)),
                false,
            ];
        }

        return $said;
    }

    /** Whether it would go in on another of its sides, with its air. */
    private function liesDown(Item $item): bool
    {
        $zone = [$this->zone->widthM, $this->zone->depthM, $this->zone->heightM];
        $sides = array_map(fn(float $s): float => $s + 2 * $item->clearanceM, $item->sides ?? []);
        sort($zone);
        sort($sides);

        return $item->turns() &&
            count($sides) === 3 &&
            $sides[0] <= $zone[0] &&
            $sides[1] <= $zone[1] &&
            $sides[2] <= $zone[2];
    }

    private static function cm(float $m): string
    {
        return sprintf('%.0f cm', 100 * $m);
    }
}
