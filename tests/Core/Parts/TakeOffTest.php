<?php

declare(strict_types=1);

use Hollin\Core\Parts\TakeOff;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/** What a plan takes, with more edits. */
function taken(array ...$edits): array
{
    $document = Rigs::job(Sample::choose('in_line', ['parallel' => 2]), ...$edits);

    return (new TakeOff(Rigs::asFound($document)->graph, Rigs::planned($document)->graph))->toArray(7.62);
}

it('has every new lead once, with slack and a loop at each end, and two lugs to each', function (): void {
    $list = taken();
    $leads = array_values(
        array_filter($list['cables'], fn(array $c): bool => in_array($c['kind'], ['positive', 'negative'], true)),
    );
    expect($leads)->not->toBe([]);
    foreach ($leads as $cable) {
        foreach ($cable['runs'] as $run) {
            expect($run['cutM'])->toEqualWithDelta(1.1 * $run['lengthM'] + 0.2, 0.006);
        }
        $lugs = array_values(
            array_filter(
                $list['lugs'],
                fn(array $l): bool => $l['size'] === $cable['size'] && $l['kind'] === $cable['kind'],
            ),
        );
        expect($lugs[0]['count'])->toBe(2 * count($cable['runs']));
        expect(array_sum(array_map(count(...), $cable['pieces'])))->toBe(count($cable['runs']));
    }
    $document = Rigs::job(Sample::choose('in_line', ['parallel' => 2]));
    $rig = Rigs::planned($document)->graph;
    $before = Rigs::asFound($document)->graph;
    $new = array_filter($rig->parts, fn($p): bool => $p->is('lead') && !isset($before->parts[$p->id]));
    expect(array_sum(array_map(fn(array $c): int => count($c['runs']), $leads)))->toBeGreaterThanOrEqual(count($new));
});

it('cuts two runs for two conductors side by side', function (): void {
    $one = array_sum(array_map(fn(array $c): int => count($c['runs']), taken()['cables']));
    $two = array_sum(
        array_map(
            fn(array $c): int => count($c['runs']),
            taken(Sample::set('ld_bar_inv', '/cable/parallel', 2))['cables'],
        ),
    );
    expect($two)->toBe($one + 1);
});

it('takes what is new and nothing that is there', function (): void {
    $list = taken();
    $labels = array_column($list['parts'], 'label');
    expect($labels)->not->toContain('Main panel')->not->toContain('Inlet');
    expect(array_column($list['parts'], 'type'))->toContain('inverter_charger')->toContain('battery_bank');
    expect($list['fuses'][0]['spares'])->toBe(1)->and($list['missing'])->not->toBe([]);
    expect($list['out'])->not->toBe([]);
    $document = Rigs::job();
    $nothing = new TakeOff(Rigs::asFound($document)->graph, Rigs::asFound($document)->graph);
    expect($nothing->toArray(10)['cables'])->toBe([])->and($nothing->toArray(10)['parts'])->toBe([]);
});

it('says of a run that is longer than the stock that it is, and leaves it out of the cuts', function (): void {
    $long = taken(Sample::set('ld_bar_inv', '/cable/lengthM', ['value' => 9, 'basis' => 'measured']));
    $cable = array_values(array_filter($long['cables'], fn(array $c): bool => $c['tooLong'] !== []))[0];
    expect(count($cable['tooLong']))->toBe(1);
    expect(array_sum(array_map(count(...), $cable['pieces'])))->toBe(count($cable['runs']) - 1);
});

it('asks for lengths that nobody has measured', function (): void {
    $guessed = taken(Sample::set('ld_bar_inv', '/cable/lengthM', ['value' => 2, 'basis' => 'assumed']));
    expect(implode(' ', $guessed['missing']))
        ->toContain('Lengths nobody has measured')
        ->toContain('Studs, for the holes of the lugs')
        ->toContain('a tray and straps');
});

it(
    'holds leads every eighteen inches (ABYC E-11) and sheathed cable every four and a half feet (NEC 334.30)',
    function (): void {
        expect(TakeOff::LEAD_HELD_M / 0.0254)->toEqualWithDelta(18, 0.05);
        expect(TakeOff::SHEATHED_HELD_M / 0.3048)->toEqualWithDelta(4.5, 0.01);
        $short = array_column(taken(Sample::set('ld_bar_inv', '/cable/lengthM', 0.4))['small'], 'count', 'kind');
        $long = array_column(taken(Sample::set('ld_bar_inv', '/cable/lengthM', 2.2))['small'], 'count', 'kind');
        // 0.4 m is held once, 2.2 m five times; a screw to each.
        expect($long['clamp'] - $short['clamp'])
            ->toBe(4)
            ->and($long['screw'] - $short['screw'])
            ->toBe(4);
    },
);
