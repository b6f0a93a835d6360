<?php

declare(strict_types=1);

use Hollin\Core\Place\Pack;

/** @param list<array{int, int, int, bool}> $pieces width, height, skirt, may be turned */
function packed(int $w, int $h, array $pieces): array
{
    return Pack::of(
        $w,
        $h,
        array_map(
            fn(array $p, int $n): array => [
                'id' => "p{$n}",
                'w' => (float) $p[0],
                'h' => (float) $p[1],
                'skirt' => (float) $p[2],
                'turns' => $p[3],
            ],
            $pieces,
            array_keys($pieces),
        ),
    );
}

/**
 * Every whole-numbered place of every piece, tried: with whole sides and skirts one exists wherever any does.
 *
 * @param list<array{int, int, int, bool}> $pieces
 * @param list<array{int, int, int, int, int}> $placed
 */
function findsRoom(int $w, int $h, array $pieces, array $placed = []): bool
{
    $piece = array_shift($pieces);
    if ($piece === null) {
        return true;
    }
    [$a, $b, $skirt, $turns] = $piece;
    foreach ($turns ? [[$a, $b], [$b, $a]] : [[$a, $b]] as [$pw, $ph]) {
        for ($x = $skirt; $x + $pw + $skirt <= $w; $x++) {
            for ($y = $skirt; $y + $ph + $skirt <= $h; $y++) {
                foreach ($placed as [$ox, $oy, $ow, $oh, $os]) {
                    $gap = max($skirt, $os);
                    if (
                        $x < $ox + $ow + $gap &&
                        $ox < $x + $pw + $gap &&
                        $y < $oy + $oh + $gap &&
                        $oy < $y + $ph + $gap
                    ) {
                        continue 2;
                    }
                }
                if (findsRoom($w, $h, $pieces, [...$placed, [$x, $y, $pw, $ph, $skirt]])) {
                    return true;
                }
            }
        }
    }

    return false;
}

it('finds room exactly where trying every place does', function (): void {
    mt_srand(20);
    $verdicts = ['fits' => 0, 'cannot' => 0];
    for ($case = 0; $case < 400; $case++) {
        $w = mt_rand(4, 9);
        $h = mt_rand(4, 9);
        $pieces = [];
        for ($n = mt_rand(1, 4); $n > 0; $n--) {
            $pieces[] = [mt_rand(1, 5), mt_rand(1, 5), mt_rand(0, 1), mt_rand(0, 1) === 1];
        }
        $found = packed($w, $h, $pieces);
        $verdicts[$found['verdict']]++;
        expect($found['verdict'])->toBe(findsRoom($w, $h, $pieces) ? 'fits' : 'cannot', json_encode([$w, $h, $pieces]));
    }
    expect(min($verdicts))->toBeGreaterThan(80);
});

it('says where each stands, inside and clear of the others', function (): void {
    $found = packed(10, 6, [[4, 3, 1, false], [3, 2, 1, true], [2, 1, 0, false]]);
    expect($found['verdict'])->toBe('fits')->and($found['at'])->toHaveCount(3);
    $skirts = ['p0' => 1, 'p1' => 1, 'p2' => 0];
    foreach ($found['at'] as $n => $a) {
        $s = $skirts[$a['id']];
        expect($a['x'])
            ->toBeGreaterThanOrEqual($s)
            ->and($a['x'] + $a['w'] + $s)
            ->toBeLessThanOrEqual(10)
            ->and($a['y'] + $a['h'] + $s)
            ->toBeLessThanOrEqual(6);
        foreach (array_slice($found['at'], $n + 1) as $b) {
            $gap = max($s, $skirts[$b['id']]);
            $apart =
                $a['x'] >= $b['x'] + $b['w'] + $gap ||
                $b['x'] >= $a['x'] + $a['w'] + $gap ||
                $a['y'] >= $b['y'] + $b['h'] + $gap ||
                $b['y'] >= $a['y'] + $a['h'] + $gap;
            expect($apart)->toBeTrue();
        }
    }
});

it('gives up on many pieces rather than search for ever, and says so', function (): void {
    $pieces = array_fill(0, 14, [3, 2, 1, true]);
    expect(packed(15, 15, $pieces)['verdict'])->toBeIn(['unknown', 'fits', 'cannot']);
    // Twice its area is told at once.
    expect(packed(5, 5, [[5, 5, 0, false], [5, 5, 0, false]])['verdict'])->toBe('cannot');
});
