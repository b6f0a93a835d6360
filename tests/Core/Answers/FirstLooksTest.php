<?php

declare(strict_types=1);

use Hollin\Core\Answers\FirstLooks;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** @return array<string, array<string, mixed>> place => what was ranked */
function looksOf(stdClass $document, array $views = ['as_found']): array
{
    $ranked = (new FirstLooks($document, $views))->ranked();

    return array_combine(array_map(fn(array $l): string => $l['component'] . $l['what'], $ranked), $ranked);
}

it('ranks every assumed value, the weightiest first', function (): void {
    $document = Rigs::demo('grafting');
    $looks = looksOf($document);
    $weights = array_column($looks, 'weight');
    $sorted = $weights;
    rsort($sorted);
    expect($weights)
        ->toBe($sorted)
        ->and($looks)
        ->toHaveKey('feeder_main/cable/size')
        ->and(count($looks))
        ->toBe(substr_count((string) json_encode($document->asFound), '"basis":"assumed"'));
});

it('says what flips, and it does flip when it is put so by hand', function (): void {
    $document = Rigs::job(Sample::survey('c_outlets', '/breakerA', ['value' => 15, 'basis' => 'assumed']));
    $look = looksOf($document)['c_outlets/breakerA'];
    expect($look['tried'])
        ->toBe([20, 30])
        ->and($look['weight'])
        ->toBeGreaterThan(0)
        ->and($look['flips'][0])
        ->toContain('too large for its wire');
    $other = Rigs::edit($document, Sample::survey('c_outlets', '/breakerA', ['value' => 30, 'basis' => 'assumed']));
    $titles = fn(stdClass $d): array => array_map(
        fn($f): string => $f->toArray()['title'],
        (new Judge(Rigs::asFound($d)))->findings,
    );
    expect($titles($other))
        ->toContain('Breaker or fuse too large for its wire')
        ->and($titles($document))
        ->not->toContain('Breaker or fuse too large for its wire');
});

it('leaves at the bottom what flips nothing, and that is so', function (): void {
    $document = Rigs::job();
    $idle = array_filter(looksOf($document), fn(array $l): bool => $l['weight'] === 0 && $l['tried'] !== []);
    expect($idle)->not->toBe([]);
    $ids = fn(stdClass $d): array => array_map(
        fn($f): string => $f->toArray()['id'] . $f->severity()->value,
        (new Judge(Rigs::asFound($d)))->findings,
    );
    foreach (array_slice($idle, 0, 4) as $look) {
        foreach ($look['tried'] as $value) {
            $other = Rigs::edit(
                $document,
                Sample::survey($look['component'], $look['what'], ['value' => $value, 'basis' => 'assumed']),
            );
            expect($ids($other))->toEqualCanonicalizing($ids($document));
        }
    }
});

it('weighs a size that would be bought otherwise', function (): void {
    $document = Rigs::edit(
        Rigs::job(Sample::choose('in_line')),
        Sample::survey('house', '/unitAh', ['value' => 100, 'basis' => 'assumed']),
    );
    $plan = looksOf($document, ['as_found', 'p/whole']);
    expect(count($plan))->toBeGreaterThan(20);
});

it('stops when it is told to', function (): void {
    $asked = 0;
    $ranked = (new FirstLooks(Rigs::job(), ['as_found']))->ranked(function (int $done, int $of) use (&$asked): bool {
        $asked++;
        expect($of)->toBeGreaterThan($done);

        return $done < 3;
    });
    expect(count($ranked))->toBe(3)->and($asked)->toBe(4);
});
