<?php

declare(strict_types=1);

use Hollin\Core\Parts\CutList;

/** The true minimum by trying every assignment: for few runs. */
function fewest(float $stock, array $runs): int
{
    rsort($runs);
    $best = count($runs);
    $place = function (int $n, array $left) use (&$place, &$best, $runs, $stock): void {
        if (count($left) >= $best) {
            return;
        }
        if ($n === count($runs)) {
            $best = count($left);

            return;
        }
        foreach ($left as $i => $room) {
            if ($room >= $runs[$n] - 1e-9) {
                $next = $left;
                $next[$i] -= $runs[$n];
                $place($n + 1, $next);
            }
        }
        $place($n + 1, [...$left, $stock - $runs[$n]]);
    };
    $place(0, []);

    return $best;
}

/** Whether a list cuts just these runs and no piece is longer than the stock. */
function cutsAll(CutList $list, array $runs): void
{
    $cut = array_merge(...$list->pieces);
    sort($cut);
    sort($runs);
    expect(count($cut))->toBe(count($runs));
    foreach ($runs as $n => $run) {
        expect($cut[$n])->toEqualWithDelta($run, 1e-3);
    }
    foreach ($list->pieces as $piece) {
        expect(array_sum($piece))->toBeLessThanOrEqual($list->stock + 1e-6);
    }
}

it('cuts the worked examples from as few pieces as can be (SZ-10)', function (
    float $stock,
    array $runs,
    int $pieces,
    float $waste,
): void {
    $list = CutList::of($stock, $runs);
    expect(count($list->pieces))->toBe($pieces)->and($list->proved)->toBeTrue();
    expect($list->atLeast)->toBe($pieces)->and($list->waste())->toEqualWithDelta($waste, 1e-6);
    cutsAll($list, $runs);
})->with([
    'a' => [25, [14, 13.5, 13, 13, 11, 11, 10.5, 10, 8, 7, 6.5, 6, 5, 4, 3.5, 3], 6, 11],
    'b: seven exceed half' => [25, [...array_fill(0, 7, 13), ...array_fill(0, 5, 9), 4, 4, 4], 7, 27],
    'c: no second 13 beside 12' => [25, [12, 12, 8, 8, 8, 7, 7, 7, 4, 2], 4, 25],
    'd: where first fit takes three' => [25, [10, 10, 8, 8, 7, 7], 2, 0],
    'e: where greedy takes four' => [10, [4.6, 4.6, 3.4, 3.4, 2.7, 2.7, 2.1, 2.1, 1.2, 1.2, 0.9, 0.9], 3, 0.2],
]);

it('agrees with trying every way, on drawn lists', function (int $seed): void {
    mt_srand($seed);
    for ($n = 0; $n < 12; $n++) {
        $runs = array_map(fn(): float => mt_rand(2, 45) / 2, range(1, mt_rand(3, 9)));
        $list = CutList::of(25, $runs);
        $true = fewest(25, $runs);
        expect(count($list->pieces))->toBe($true, json_encode($runs))->and($list->proved)->toBeTrue();
        expect(CutList::bound(25000, array_map(fn(float $r): int => (int) ($r * 1000), $runs)))->toBeLessThanOrEqual(
            $true,
        );
        cutsAll($list, $runs);
    }
})->with(range(1, 8));

it('proves sixty runs minimal, or says how far from the bound it may be', function (int $seed): void {
    mt_srand($seed);
    $runs = array_map(fn(): float => mt_rand(3, 60) / 4, range(1, 60));
    $list = CutList::of(25, $runs);
    cutsAll($list, $runs);
    expect(count($list->pieces))->toBeGreaterThanOrEqual($list->atLeast);
    if (!$list->proved) {
        expect((count($list->pieces) - $list->atLeast) / $list->atLeast)->toBeLessThanOrEqual(0.03);
    }
})->with(range(100, 115));

it('never splices, counts each cut, and refuses what does not come out of the stock', function (): void {
    expect(fn() => CutList::of(25, [12, 26]))->toThrow(InvalidArgumentException::class, 'never splice');
    expect(fn() => CutList::of(25, [0.0]))->toThrow(InvalidArgumentException::class);
    expect(fn() => CutList::of(0, [1.0]))->toThrow(InvalidArgumentException::class);
    expect(count(CutList::of(10, [5, 5])->pieces))->toBe(1);
    expect(count(CutList::of(10, [5, 4.99], 0.01)->pieces))->toBe(1);
    // The saw takes what would have been the second five's last hundredth.
    expect(count(CutList::of(10, [5, 5], 0.01)->pieces))->toBe(2);
    expect(CutList::of(25, [])->pieces)->toBe([]);
});
