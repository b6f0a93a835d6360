<?php

declare(strict_types=1);

namespace Hollin\Core\Place;

/**
 * Rectangles on a face, each with a clear skirt: whether all of them find room, and where. Whatever fits can be pushed
 * left and down until each stands at its skirt from a wall or from another, so that trying those places in every order
 * is trying everything.
 */
final class Pack
{
    private const MOST_TRIES = 200_000;

    private int $tries = 0;

    /** @param list<array{id: string, w: float, h: float, skirt: float, turns: bool}> $pieces */
    private function __construct(
        private readonly float $w,
        private readonly float $h,
        private readonly array $pieces,
    ) {}

    /**
     * @param list<array{id: string, w: float, h: float, skirt: float, turns: bool}> $pieces sides in m
     * @return array{verdict: string, at: list<array{id: string, x: float, y: float, w: float, h: float}>} fits, cannot,
     *      or unknown where the search was given up
     */
    public static function of(float $w, float $h, array $pieces): array
    {
        $area = 0.0;
        foreach ($pieces as $piece) {
            $area += $piece['w'] * $piece['h'];
        }
        if ($area > $w * $h * (1 + 1e-9)) {
            return ['verdict' => 'cannot', 'at' => []];
        }
        // The largest first: what does not fit shows soonest.
        usort($pieces, fn(array $a, array $b): int => $b['w'] * $b['h'] <=> $a['w'] * $a['h']);
        $pack = new self($w, $h, $pieces);
        $at = $pack->place([], array_keys($pieces));

        return [
            'verdict' => $at !== null ? 'fits' : ($pack->tries >= self::MOST_TRIES ? 'unknown' : 'cannot'),
            'at' => $at ?? [],
        ];
    }

    /**
     * @param list<array{id: string, x: float, y: float, w: float, h: float, skirt: float}> $placed
     * @param list<int> $left
     * @return ?list<array{id: string, x: float, y: float, w: float, h: float}>
     */
    private function place(array $placed, array $left): ?array
    {
        if ($left === []) {
            return array_map(
                fn(array $p): array => [
                    'id' => $p['id'],
                    'x' => $p['x'],
                    'y' => $p['y'],
                    'w' => $p['w'],
                    'h' => $p['h'],
                ],
                $placed,
            );
        }
        foreach ($left as $n => $which) {
            $piece = $this->pieces[$which];
            $rest = $left;
            array_splice($rest, $n, 1);
            foreach ($this->turned($piece) as [$w, $h]) {
                [$xs, $ys] = $this->corners($placed, $piece['skirt']);
                foreach ($ys as $y) {
                    foreach ($xs as $x) {
                        if (++$this->tries >= self::MOST_TRIES) {
                            return null;
                        }
                        $spot = ['id' => $piece['id'], 'x' => $x, 'y' => $y, 'w' => $w, 'h' => $h];
                        $spot['skirt'] = $piece['skirt'];
                        if ($this->isFree($spot, $placed)) {
                            $found = $this->place([...$placed, $spot], $rest);
                            if ($found !== null) {
                                return $found;
                            }
                        }
                    }
                }
            }
        }

        return null;
    }

    /**
     * @param array{id: string, w: float, h: float, skirt: float, turns: bool} $piece
     * @return list<array{float, float}>
     */
    private function turned(array $piece): array
    {
        return $piece['turns'] && $piece['w'] !== $piece['h']
            ? [[$piece['w'], $piece['h']], [$piece['h'], $piece['w']]]
            : [[$piece['w'], $piece['h']]];
    }

    /**
     * @param list<array{id: string, x: float, y: float, w: float, h: float, skirt: float}> $placed
     * @return array{list<float>, list<float>}
     */
    private function corners(array $placed, float $skirt): array
    {
        $xs = [$skirt];
        $ys = [$skirt];
        foreach ($placed as $p) {
            $xs[] = $p['x'] + $p['w'] + max($skirt, $p['skirt']);
            $ys[] = $p['y'] + $p['h'] + max($skirt, $p['skirt']);
        }
        sort($xs);
        sort($ys);

        return [array_values(array_unique($xs)), array_values(array_unique($ys))];
    }

    /**
     * @param array{id: string, x: float, y: float, w: float, h: float, skirt: float} $spot
     * @param list<array{id: string, x: float, y: float, w: float, h: float, skirt: float}> $placed
     */
    private function isFree(array $spot, array $placed): bool
    {
        $s = $spot['skirt'];
        if ($spot['x'] + $spot['w'] + $s > $this->w + 1e-9 || $spot['y'] + $spot['h'] + $s > $this->h + 1e-9) {
            return false;
        }
        foreach ($placed as $p) {
            $gap = max($s, $p['skirt']) - 1e-9;
            $apart =
                $spot['x'] >= $p['x'] + $p['w'] + $gap ||
                $p['x'] >= $spot['x'] + $spot['w'] + $gap ||
                $spot['y'] >= $p['y'] + $p['h'] + $gap ||
                $p['y'] >= $spot['y'] + $spot['h'] + $gap;
            if (!$apart) {
                return false;
            }
        }

        return true;
    }
}
