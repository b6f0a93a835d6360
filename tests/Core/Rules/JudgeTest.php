<?php

declare(strict_types=1);

use Hollin\Core\Rules\Claims;
use Hollin\Core\Rules\Finding;
use Hollin\Core\Rules\Judge;
use Hollin\Core\Rules\Prevented;
use Hollin\Core\Rules\RuleBook;
use Hollin\Core\Rules\Sample;
use Hollin\Core\Rules\StateRule;
use Hollin\Core\Rules\Unclaimed;
use Tests\Rigs;
use Tests\Seeds;

/** @return array<string, Prevented> */
function preventedIn(Judge $judge): array
{
    return array_combine(array_map(fn(Prevented $p): string => $p->title, $judge->prevented), $judge->prevented);
}

it('tells memory from hardware', function (): void {
    $left = Rigs::findings(
        Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'left']))),
        'charging_loop',
    );
    $byHand = Rigs::findings(
        Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'by_hand']))),
        'charging_loop',
    );
    expect($left[0]->ways->kind)
        ->toBe('always')
        // Nobody forgot anything: the inverter was left on beside shore, and the pedestal died.
        ->and($byHand[0]->ways->kind)
        ->toBe('outage')
        ->and($byHand[0]->ways->words)
        ->toContain('pedestal ')
        ->toContain('shore, inverter on');
    $noShore = Rigs::job(Sample::choose('in_line', ['converter' => 'by_hand']), [
        'kind' => 'survey_remove',
        'component' => 'shore',
    ]);
    $forgotten = Rigs::findings(Rigs::planned($noShore), 'charging_loop');
    expect($forgotten[0]->ways->kind)
        ->toBe('slips')
        ->and($forgotten[0]->ways->pairs[0]['slips'])
        ->toBe(1)
        ->and($forgotten[0]->ways->words)
        ->toContain('Converter breaker on');
});

it('names the interlock and what undoes it', function (): void {
    $prevented = preventedIn(new Judge(Rigs::planned(Rigs::job(Sample::choose('in_line')))));
    expect($prevented)
        ->toHaveKeys(['two sources joined', 'live inlet pins', 'two neutral-ground bonds', 'no bond while inverting'])
        ->and($prevented['two sources joined']->words)
        ->toContain('Inverter/charger 3000 VA; undone by one failure: pass-through contacts')
        ->and($prevented['no bond while inverting']->words)
        ->toContain('stuck open');
});

it('says when the protection survives any single failure', function (): void {
    // Inlet pins as found: nothing inside makes 120 V, so no claim is made at all.
    expect(preventedIn(new Judge(Rigs::asFound(Rigs::job()))))->not->toHaveKey('live inlet pins');
    // Without the inverter's pass-through nothing could be welded: its own output stays apart.
    $document = Rigs::job(Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]), [
        'kind' => 'plan_remove',
        'plan' => 'p',
        'component' => 'inverter_feed',
    ]);
    $prevented = preventedIn(new Judge(Rigs::planned($document)));
    expect($prevented['two sources joined']->undoneBy)
        ->toBe([])
        ->and($prevented['two sources joined']->words)
        ->toContain('survives any single failure');
});

it('gives an identity that does not change with wording, order or other findings', function (): void {
    $document = Rigs::job(Sample::choose('in_line', ['converter' => 'left']));
    $before = Rigs::findings(Rigs::planned($document), 'charging_loop')[0];
    $renamed = Rigs::edit($document, Sample::survey('converter', '/label', 'Old box'));
    $after = Rigs::findings(Rigs::planned($renamed), 'charging_loop')[0];
    expect($after->identity())->toBe($before->identity())->and($after->hit->text)->not->toBe($before->hit->text);
});

it('finds the pass-by double bond of a common neutral', function (): void {
    $findings = Rigs::findings(
        Rigs::planned(Rigs::job(Sample::choose('in_line', ['neutral' => 'common']))),
        'bond_count',
    );
    $kinds = array_map(fn(Finding $f): string => $f->ways->kind, $findings);
    // Always on a dead pedestal, and for the relay's waiting time when a good supply is plugged in.
    expect($kinds)->toContain('always');
});

it('computes the loss of a loop as by hand', function (): void {
    // 55 A × 13.6 V = 748 W; 748 × (1 ÷ (0.88 × 0.85) − 1) = 252 W, plus 25 W idle; 277 × 24 ÷ 12.8 = 519 Ah a day.
    $finding = Rigs::findings(
        Rigs::planned(Rigs::job(Sample::choose('in_line', ['converter' => 'left']))),
        'charging_loop',
    )[0];
    expect($finding->hit->figures[0]->value)
        ->toEqualWithDelta(277.0, 0.5)
        ->and($finding->hit->figures[1]->value)
        ->toEqualWithDelta(519.4, 1.0);
});

it('joined sources: sums voltages over impedances', function (): void {
    $document = Rigs::job(
        Sample::choose('in_line'),
        Sample::set('feeder_main', '/to', ['at' => 'main_panel', 'port' => 'line']),
    );
    $finding = Rigs::findings(Rigs::planned($document), 'joined_sources')[0];
    // 240 V ÷ (0.12 Ω service + 120 V ÷ (6000 W ÷ 120 V) = 2.4 Ω inverter)
    expect($finding->hit->figures[0]->value)->toEqualWithDelta(240 / 2.52, 0.01);
});

it('puts what follows from a cause beneath it', function (): void {
    $document = Rigs::job(
        ['kind' => 'set_need', 'path' => '/offGrid/c_outlets', 'value' => true],
        Sample::choose('subpanel', ['circuits' => ['c_outlets' => true]]),
        Sample::move('c_outlets', 'main_panel', 'neutral'),
    );
    $findings = (new Judge(Rigs::planned($document)))->findings;
    $cause = array_values(
        array_filter(
            $findings,
            fn(Finding $f): bool => $f->rule->id === 'split_return' &&
                $f->ways->kind === 'always' &&
                $f->hit->key === 'c_outlets|no return',
        ),
    )[0];
    $following = array_filter($findings, fn(Finding $f): bool => $f->toArray()['because'] === $cause->identity());
    expect(array_map(fn(Finding $f): string => $f->rule->id, array_values($following)))
        ->toContain('live_pins')
        ->toContain('lost_circuit');
});

describe('on generated rigs', function (): void {
    it('a witness evaluated again shows the same hazard', function (int $seed): void {
        $rig = Rigs::planned(Rigs::generated($seed));
        $rules = [];
        foreach (RuleBook::rules() as $rule) {
            $rules[$rule::definition()->id] = $rule;
        }
        foreach ((new Judge($rig))->findings as $finding) {
            $rule = $rules[$finding->rule->id];
            if (!($rule instanceof StateRule) || $finding->setting === null || $finding->ways->kind === 'passing') {
                continue;
            }
            $again = $rule->hits($rig->engine->settle($finding->setting)->situation, $rig);
            expect(array_map(fn($h): string => $h->key, $again))->toContain($finding->hit->key);
        }
        expect(true)->toBeTrue();
    })
        ->with(Seeds::of(40))
        ->group('drawn');

    it('a remedy takes its finding away, undoing it brings it back', function (int $seed): void {
        $document = Rigs::generated($seed);
        $tried = 0;
        foreach ((new Judge(Rigs::planned($document)))->findings as $finding) {
            // One that needs the arrangement around it is held by the test of what is offered.
            foreach (array_filter($finding->hit->remedies, fn($r): bool => $r->isWhole()) as $remedy) {
                if ($tried++ > 5) {
                    break 2;
                }
                $mended = Rigs::edit($document, $remedy->intent + ['plan' => 'p']);
                $left = array_map(
                    fn(Finding $f): string => $f->identity(),
                    array_filter(
                        (new Judge(Rigs::planned($mended)))->findings,
                        fn(Finding $f): bool => $f->ways->kind === $finding->ways->kind,
                    ),
                );
                expect($left)->not->toContain($finding->identity(), "{$finding->rule->id}: {$remedy->label}");
                $back = Hollin\Core\Job\Patch::apply($mended, Hollin\Core\Job\Patch::between($mended, $document));
                expect($back == $document)->toBeTrue();
                $again = array_map(
                    fn(Finding $f): string => $f->identity(),
                    (new Judge(Rigs::planned($back)))->findings,
                );
                expect($again)->toContain($finding->identity());
            }
        }
        expect(true)->toBeTrue();
    })
        ->with(array_map(fn(int $seed): int => 40 + $seed, Seeds::of(30)))
        ->group('drawn');
});

it('claims of every hazard of a state who keeps it off, or says why nobody does', function (): void {
    foreach (RuleBook::rules() as $rule) {
        if ($rule instanceof StateRule) {
            expect($rule instanceof Claims)->toBe(!($rule instanceof Unclaimed), $rule::class);
            $rule instanceof Unclaimed ? expect(strlen($rule::whyUnclaimed()))->toBeGreaterThan(40) : null;
        }
    }
});

it('finds what a welded contact does while a supply is being qualified', function (): void {
    // Neutral and hot part in the unit alone: welded, its output and shore stand on one wire until the 15 s are over.
    $joined = array_values(
        array_filter(
            (new Judge(Rigs::planned(Rigs::demo('tideline'), 'some')))->prevented,
            fn($p): bool => $p->rule === 'joined_sources' &&
                str_contains($p->title, 'Shore') &&
                str_contains($p->title, 'Inverter/charger'),
        ),
    );
    expect($joined)
        ->toHaveCount(1)
        ->and($joined[0]->words)
        ->toContain('welded closed, for 15 s')
        ->and($joined[0]->undoneBy[0]['state'])
        ->not->toBe('');
    // The lock-out coil that no longer pulls in lets the bank charge itself.
    $loops = array_values(
        array_filter(
            (new Judge(Rigs::planned(Rigs::demo('tideline'), 'line')))->prevented,
            fn($p): bool => $p->rule === 'charging_loop',
        ),
    );
    expect($loops[0]->words)
        ->toContain('Converter lock-out dead: it never leaves "coil released"')
        ->and($loops[0]->by)
        ->toContain('Converter lock-out');
});

it('says in which state a finding shows, or that it does in every one', function (): void {
    $findings = (new Judge(
        Rigs::planned(
            Rigs::job(
                Sample::choose('in_line', ['converter' => 'left']),
                Sample::survey('c_outlets', '/cable/size', ['value' => 'awg:16', 'basis' => 'read_off']),
            ),
        ),
    ))->findings;
    $words = fn(string $rule): array => array_values(
        array_unique(
            array_map(
                fn(Finding $f): string => $f->stateWords,
                array_filter($findings, fn(Finding $f): bool => $f->rule->id === $rule),
            ),
        ),
    );
    // One that a named state shows, one of how it is built, one that only a faulty pedestal brings.
    expect($words('charging_loop'))
        ->toBe(['inverting'])
        ->and($words('conductor_protection'))
        ->toBe(['in every state'])
        ->and($words('reversed_polarity'))
        ->toBe(['hot and neutral reversed']);
});

it('looks at a faulty pedestal with one slip beside it: a surge unit that somebody has bypassed', function (
    bool $bypass,
    array $found,
): void {
    $guarded = array_map(function (array $edit) use ($bypass): array {
        if (is_array($edit['component'] ?? null) && $edit['component']['type'] === 'surge_unit' && $bypass) {
            $edit['component']['bypass'] = true;
        }

        return $edit;
    }, Hollin\Core\Rules\ReversedPolarity::guarded());
    $shorted = Rigs::findings(
        Rigs::asFound(Rigs::job(Sample::survey('main_panel', '/bondScrew', true), ...$guarded)),
        'short_circuit',
    );
    expect(
        array_map(
            fn(Finding $f): array => [$f->ways->kind, $f->ways->pairs[0]['slips'], $f->ways->pairs[0]['words']],
            $shorted,
        ),
    )->toBe($found);
})->with([
    'with a bypass' => [true, [['outside', 1, 'hot and neutral reversed, and one slip: Surge unit bypass bypassed']]],
    'without' => [false, []],
]);
