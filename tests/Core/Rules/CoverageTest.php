<?php

declare(strict_types=1);

use Database\Seeders\LargeRig;
use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Network\Device;
use Hollin\Core\Network\Graph;
use Hollin\Core\Network\Role;
use Hollin\Core\Rules\Coverage;
use Hollin\Core\Rules\Extent;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\Search;
use Hollin\Core\States\Contraction;
use Hollin\Core\States\Engine;
use Hollin\Core\States\Setting;
use Tests\Rigs;
use Tests\Small;

it('words what was looked at, and says whole of nothing less', function (
    Coverage $coverage,
    bool $whole,
    string $words,
): void {
    expect($coverage->isWhole())->toBe($whole)->and($coverage->words())->toBe($words);
})->with([
    'all' => [new Coverage(Extent::All, 98304, 194, 352), true, '98 304 states checked'],
    'too many' => [
        new Coverage(Extent::TwoSlips, 7.66e39, 1266, 900),
        false,
        'too many to check: of about 10^40 states the named ones and those within two slips of them',
    ],
    'some left' => [
        new Coverage(Extent::All, 2 ** 70, 1, 1, ['Switch 1', 'Switch 2']),
        false,
        'not all of about 10^21 states checked; 2 controls always as they usually are: Switch 1, Switch 2',
    ],
]);

it('leaves switches as they usually are where there are too many to reckon with, and says which', function (): void {
    $graph = new Graph();
    Small::battery($graph, 'b', 0.003);
    foreach (range(1, 70) as $i) {
        $graph->device(
            new Device(
                "s{$i}",
                "s{$i}",
                "Switch {$i}",
                'switch',
                ['on' => 'on', 'off' => 'off'],
                $i % 2 === 0 ? 'on' : 'off',
            ),
        );
        $graph->contact("s{$i}.pole", "s{$i}", 'b.pos', "x{$i}.pos", Role::DcPositive, "s{$i}", ['on']);
    }
    $network = new Contraction($graph);
    $situation = (new Engine($network))->settle(
        new Setting(array_map(fn(Device $d): string => $d->normal, $graph->devices), []),
    )->situation;
    expect($network->left)->toHaveCount(8)->and($network->kept)->toHaveCount(62);
    foreach ($graph->devices as $id => $device) {
        $i = substr($id, 1);
        // As a single switch would have it, left or not.
        expect($situation->isClosed("s{$i}.pole"))
            ->toBe($device->normal === 'on')
            ->and($situation->joined('b.pos', "x{$i}.pos"))
            ->toBe($device->normal === 'on');
    }
    // What somebody has moved is not among them.
    expect((new Contraction($graph, moved: array_keys($network->left)))->left)
        ->toHaveCount(8)
        ->not->toHaveKeys(array_keys($network->left));
});

it('opens a rig that is far too large, and does not claim more than it looked at', function (): void {
    $rig =
        (new JobAnswers(LargeRig::document(52, 0)))->rig('as_found') ??
        throw new RuntimeException('the demo has changed');
    $proof = (new Search($rig))->proof;
    $answer = $proof->coverage->toArray();
    foreach ($proof->prevented as $prevented) {
        expect($prevented->proven)->toBeFalse()->and($prevented->words)->toContain('as far as was checked');
    }
    expect($answer['all'])
        ->toBeFalse()
        ->and($answer['extent'])
        ->toBe('two_slips')
        ->and($answer['left'])
        ->not->toBe([])
        ->and($answer['words'])
        ->toContain('controls always as they usually are: ')
        ->and($answer['reduced'])
        ->toBeGreaterThan(0)
        ->toBeLessThan(100_000);
});

it('counts the settings that it goes through', function (): void {
    $rig =
        (new JobAnswers(LargeRig::document(0, 0)))->rig('line/whole') ??
        throw new RuntimeException('the demo has changed');
    $proof = (new Search($rig))->proof;
    $coverage = $proof->coverage;
    $apart = new Hollin\Core\States\DirectSide($rig->engine, $rig->named);
    $told = $apart->told;
    $walk = new Hollin\Core\States\Enumeration($rig->engine, $apart->controls);
    expect(array_filter($proof->prevented, fn($p): bool => !$p->proven || str_contains($p->words, 'as far as')))
        ->toBe([])
        ->and($proof->prevented)
        ->not->toBe([]);
    expect($coverage->isWhole())
        ->toBeTrue()
        ->and($coverage->settings)
        ->toBe($walk->reduced() * count($apart->told) + count($apart->joined))
        ->and(iterator_count($walk->settings(reset($told)['setting'])))
        ->toBe($walk->reduced());
});

it('finds within two slips what it finds within two slips of everything', function (): void {
    // A breaker fed backwards with no interlock: forgetting the main joins two sources. Twenty switches that lead
    // nowhere make too many settings of it.
    $near = function (int $switches): array {
        $spare = [];
        for ($i = 0; $i < $switches; $i++) {
            $part = ['type' => 'ac_switch', 'label' => "Spare switch {$i}", 'poles' => 'two', 'ratingA' => 20];
            $spare[] = Sample::add("spare_{$i}", $part);
        }
        $judge = new Judge(
            Rigs::planned(
                Rigs::job(
                    ['kind' => 'survey_remove', 'component' => 'c_water'],
                    Sample::choose('back_fed', ['converter' => 'left', 'interlocked' => false]),
                    ...$spare,
                ),
            ),
        );
        $found = [];
        foreach ($judge->findings as $finding) {
            if (in_array($finding->ways->kind, ['always', 'slips'], true)) {
                $found["{$finding->rule->id}|{$finding->hit->key}"] = $finding->ways->pairs[0]['slips'];
            }
        }
        ksort($found);

        return [$judge->proof->coverage->extent, $found];
    };
    [$all, $found] = $near(0);
    [$some, $foundNear] = $near(20);
    expect($all)
        ->toBe(Extent::All)
        ->and($some)
        ->toBe(Extent::TwoSlips)
        ->and($found['joined_sources|inverter.inverter|shore.supply'] ?? null)
        ->toBe(1)
        ->and($foundNear)
        ->toBe($found);
});
