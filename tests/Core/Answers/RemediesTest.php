<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Answers\Remedies;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\Severity;
use Hollin\Core\Rules\Work;
use Tests\Rigs;
use Tests\Seeds;

/** @return array<string, Finding> by identity */
function judgedAnew(stdClass $document, string $view): array
{
    $findings =
        (new JobAnswers($document))->judged($view)[1]->findings ?? throw new RuntimeException("no view {$view}");

    return array_combine(array_map(fn(Finding $f): string => $f->identity(), $findings), $findings);
}

/** @return list<array<string, mixed>> what is offered against the first finding of a rule */
function offered(stdClass $document, string $rule, string $view = 'p/whole', string $about = ''): array
{
    foreach (judgedAnew($document, $view) as $id => $finding) {
        if ($finding->rule->id === $rule && str_contains($finding->hit->text, $about)) {
            return (new Remedies($document))->of($view, $id) ?? [];
        }
    }
    throw new RuntimeException("nothing found by {$rule}");
}

it('offers only what helps and does no harm, cheapest first', function (Closure $document): void {
    $document = $document();
    $remedies = new Remedies($document);
    $tried = 0;
    foreach (array_slice((new JobAnswers($document))->views, 1) as $view) {
        $before = judgedAnew($document, $view['id']);
        foreach ($before as $id => $finding) {
            $ranks = [];
            foreach ($remedies->of($view['id'], $id) ?? [] as $offer) {
                $tried++;
                // As the interface posts it, judged with nothing kept.
                $after = judgedAnew(Rigs::edit($document, $offer['intent']), $view['id']);
                $what = "{$finding->rule->id}: {$offer['label']}";
                $left = $after[$id] ?? null;
                expect(
                    match (true) {
                        $left === null => 'clears',
                        $left->severity()->rank() > $finding->severity()->rank() => 'lessens',
                        default => 'eases',
                    },
                )->toBe($offer['result'], $what);
                foreach ($after as $new => $brought) {
                    if ($brought->severity() === Severity::Danger && $brought->ways->kind !== 'outside') {
                        expect(isset($before[$new]) && $before[$new]->severity() === Severity::Danger)->toBeTrue(
                            "{$what} brings {$brought->hit->text}",
                        );
                    }
                    expect($brought->rule->id)->not->toBe('does_not_apply', $what);
                }
                $ranks[] = [
                    array_search($offer['result'], ['clears', 'lessens', 'eases'], true),
                    array_filter(
                        $offer['brings'],
                        fn(array $b): bool => !$b['outside'] && $b['severity'] !== 'advice',
                    ) === []
                        ? 0
                        : 1,
                    Work::from($offer['work'])->rank(),
                ];
            }
            $sorted = $ranks;
            sort($sorted);
            expect($ranks)->toBe($sorted);
        }
    }
    expect($tried)->toBeGreaterThan(0);
})->with(
    fn() => [
        'first demo rig' => [fn() => Rigs::demo('grafting')],
        'second demo rig' => [fn() => Rigs::demo('archive')],
        ...array_map(fn(int $seed) => [fn() => Rigs::varied($seed)], Seeds::of(6)),
    ],
);

it('offers a smaller breaker before a new cable in a wall', function (): void {
    $offers = offered(
        Rigs::job(
            Sample::choose('in_line'),
            Sample::survey('c_outlets', '/cable/size', ['value' => 'awg:16', 'basis' => 'read_off']),
        ),
        'conductor_protection',
        about: 'outlets',
    );
    expect(array_column($offers, 'label'))
        ->toBe(['Use a 10 A breaker for Inside outlets', 'Run 14 AWG for Inside outlets'])
        ->and(array_column($offers, 'work'))
        ->toBe(['device', 'wall_cable']);
});

it('never sets a limit past what the cable, the inlet or the cord may carry', function (): void {
    // A 50 A pedestal ahead of a 30 A inlet, its cord and 10 AWG.
    $document = Rigs::job(
        [
            'kind' => 'set_need',
            'path' => '/scenarios',
            'value' => Rigs::object([
                'some' => ['title' => 'Some', 'order' => 1, 'running' => ['c_fridge.element' => true]],
            ]),
        ],
        Sample::survey('shore', '/supplies', ['big' => ['ratingA' => 50]]),
        Sample::choose('in_line', ['inputLimitA' => 10, 'chargerA' => 150]),
    );
    $finding = array_values(
        array_filter(judgedAnew($document, 'p/whole'), fn(Finding $f): bool => $f->rule->id === 'charge_held_back'),
    )[0];
    expect($finding->hit->remedies)
        ->toHaveCount(1)
        ->and($finding->hit->remedies[0]->intent['value'])
        ->toEqual(30.0);
});

it('has something against what used to have nothing', function (array $edits, string $rule, string $label): void {
    expect(array_column(offered(Rigs::job(...$edits), $rule), 'label'))->toContain($label);
})->with([
    'an overload' => [
        [
            [
                'kind' => 'set_need',
                'path' => '/scenarios',
                'value' => Rigs::object([
                    'hot' => [
                        'title' => 'Hot',
                        'order' => 1,
                        'running' => ['c_air.unit' => true, 'c_water.element' => true, 'c_fridge.element' => true],
                    ],
                ]),
            ],
            Sample::choose('in_line'),
        ],
        'overload',
        'Leave Fridge element out of "Hot"',
    ],
    'what starts by itself' => [
        [Sample::choose('in_line')],
        'starts_by_itself',
        'Switch Air conditioner off by hand when inverting',
    ],
    'a circuit with two breakers' => [
        [...Hollin\Core\Rules\FedTwice::definition()->samples[0]->edits],
        'fed_twice',
        'Take Feed 12 out',
    ],
    'a parted neutral' => [
        [
            Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
            Sample::move('c_outlets', 'main_panel', 'neutral'),
        ],
        'split_return',
        'Move the neutral of Inside outlets to Inverter panel',
    ],
    'a bank that charges itself past a transfer switch' => [
        [Sample::choose('transfer_whole', ['converter' => 'left'])],
        'charging_loop',
        'Plan it with Converter 55 A moved ahead of the transfer point',
    ],
    'the same, by a contactor that lets go late' => [
        [Sample::choose('transfer_whole', ['converter' => 'left'])],
        'charging_loop',
        'Plan it with Converter 55 A fed through a contactor, coil on the outside supply',
    ],
    'an inverter that floats' => [
        [Sample::choose('transfer_whole', ['converter' => 'left', 'outputNeutral' => 'floating'])],
        'bond_count',
        'Bond the neutral of Inverter 3000 W at the unit',
    ],
]);

it('knows nothing of a finding or a view that is not there', function (): void {
    $remedies = new Remedies(Rigs::job(Sample::choose('in_line')));
    expect($remedies->of('p/whole', 'nothing'))->toBeNull()->and($remedies->of('q/whole', 'nothing'))->toBeNull();
});

it('tries what is as found in a plan of its own, and leaves the document as it was', function (): void {
    $document = Rigs::job(Sample::survey('main_panel', '/bondScrew', ['value' => true, 'basis' => 'read_off']));
    $text = json_encode($document);
    $offers = offered($document, 'bond_count', 'as_found');
    expect(array_column($offers, 'label'))
        ->toBe(['Take the bonding screw out of Main panel'])
        ->and($offers[0]['intent'])
        ->not->toHaveKey('plan')
        ->and(json_encode($document))
        ->toBe($text);
});

it('groups beneath a finding only what goes with it', function (stdClass $document): void {
    $ids = fn(stdClass $d, string $view): array => array_column(
        array_map(fn(Finding $f): array => $f->toArray(), (new JobAnswers($d))->judged($view)[1]->findings),
        'because',
        'id',
    );
    $cleared = 0;
    foreach (array_keys((array) $document->plans) as $plan) {
        $view = "{$plan}/" . array_key_last((array) $document->plans->{$plan}->stages);
        $because = $ids($document, $view);
        foreach (
            array_filter($because, fn(?string $cause): bool => array_key_exists($cause ?? '', $because))
            as $id => $cause
        ) {
            foreach ((new Remedies($document))->of($view, $cause) ?? [] as $offer) {
                if ($offer['result'] === 'clears') {
                    $after = Rigs::edit($document, $offer['intent'] + ['plan' => $plan]);
                    expect($ids($after, $view))->not->toHaveKey($id);
                    $cleared++;
                    break;
                }
            }
        }
    }
    expect($cleared)->toBeGreaterThan(0);
})->with([
    'a demo rig' => fn(): stdClass => Rigs::demo('grafting'),
    'a neutral left behind' => fn(): stdClass => Rigs::job(
        Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
        Sample::move('c_outlets', 'main_panel', 'neutral'),
    ),
]);

it('fits a surge unit into the first cable behind the inlet, and the wrong volts stay outside', function (): void {
    $document = Rigs::job();
    $offer = array_values(
        array_filter(
            offered($document, 'pedestal_volts'),
            fn(array $o): bool => str_contains($o['label'], 'surge unit'),
        ),
    )[0];
    $done = Rigs::edit($document, $offer['intent'], false);
    $parts = Hollin\Core\Plan\Planned::atLast($done, 'p');
    expect($parts->feeder_main->to->at)
        ->toBe('surge_guard')
        ->and($parts->surge_guard_on->to->at)
        ->toBe('main_panel')
        ->and(Rigs::findings(Rigs::planned($done), 'pedestal_volts'))
        ->toBe([]);
});

describe('what one lead can do', function (): void {
    $labels = fn(stdClass $document, string $rule, string $about = ''): array => array_column(
        offered($document, $rule, 'p/whole', $about),
        'label',
    );

    it('takes out the lead that shorts a battery, and no other', function () use ($labels): void {
        $sample = Hollin\Core\Rules\DirectShort::definition()->samples;
        expect($labels(Rigs::job(...$sample[0]->edits), 'dc_short'))->toBe(['Take out Lead stray']);
    });

    it('lands leads the right way round', function () use ($labels): void {
        $sample = Hollin\Core\Rules\DirectPolarity::definition()->samples[0];
        $document = Rigs::job(...$sample->edits);
        $offers = offered($document, 'dc_polarity');
        expect(array_column($offers, 'label'))->toContain('Exchange positive and negative at Inverter/charger 3000 VA');
        $after = judgedAnew(Rigs::edit($document, $offers[0]['intent']), 'p/whole');
        expect(array_filter($after, fn(Finding $f): bool => $f->rule->id === 'dc_polarity'))->toBe([]);
    });

    it('counts what was not counted, and takes out the way around a shunt', function () use ($labels): void {
        $offered = [];
        foreach (Hollin\Core\Rules\ShuntBypassed::definition()->samples as $sample) {
            if ($sample->found) {
                array_push($offered, ...$labels(Rigs::job(...$sample->edits), 'shunt_bypassed'));
            }
        }
        expect($offered)->toContain('Take out Second bond');
        expect(array_filter($offered, fn(string $o): bool => str_contains($o, 'on Shunt: load')))->not->toBe([]);
    });

    it('runs the lead that is missing, its length assumed', function (): void {
        $sample = Hollin\Core\Rules\DirectReturn::definition()->samples[0];
        $document = Rigs::job(...$sample->edits);
        $offers = offered($document, 'dc_return', 'as_found');
        expect($offers[0]['label'])->toStartWith('Run its negative, like the lead that is there, to');
        $planned = Rigs::edit($document, ['plan' => 'p'] + $offers[0]['intent']);
        $lead = Hollin\Core\Plan\Planned::atLast($planned, 'p')->fan_return;
        expect($lead->cable->lengthM->basis)->toBe('assumed');
    });
});
