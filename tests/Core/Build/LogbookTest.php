<?php

declare(strict_types=1);

use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Baseline;
use Hollin\Core\Build\Compiled;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Logbook;
use Hollin\Core\Build\OpenItem;
use Hollin\Core\Build\SurveyReading;
use Hollin\Core\Build\Times;
use Hollin\Core\Build\Work;
use Hollin\Core\Job\Values;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;
use Tests\Works;

function aWork(): Work
{
    static $work = null;

    return $work ??= Compiled::inARow([Works::demo('tideline', 'line')]);
}

/**
 * A line of the logbook.
 *
 * @param array<string, mixed> $says
 */
function line(
    int $number,
    EntryKind $kind,
    string $step,
    array $says = [],
    string $tablet = 'one',
    ?int $seen = null,
    string $at = '2026-11-27T09:00:00Z',
): Entry {
    return new Entry(
        "uuid-{$number}",
        $number,
        $kind,
        $step,
        new Values($says === [] ? new stdClass() : Rigs::object($says)),
        $at,
        $tablet === 'one' ? 'Idris' : 'Posy',
        $tablet,
        $seen ?? $number - 1,
    );
}

/** @return list<OpenItem> what a step has left open */
function openAt(Logbook $log, string $step): array
{
    return array_values(array_filter($log->open, fn(OpenItem $o): bool => $o->step === $step));
}

/** @return list<Entry> every required thing of a step recorded as it should be, then done */
function whole(int &$n, string $id): array
{
    return Works::whole(aWork(), $id, $n);
}

it('opens steps as what they wait for is done, and a gate only when it is proven', function (): void {
    $gate = Works::step(aWork(), Kind::Isolate)->id;
    $dead = Works::step(aWork(), Kind::ProveDead)->id;
    $n = 0;
    $lines = [];
    foreach (aWork()->steps as $id => $step) {
        if ($id === $gate) {
            break;
        }
        array_push($lines, ...whole($n, $id));
    }
    $log = new Logbook(aWork(), $lines);
    expect($log->steps[$gate]->status)->toBe('open')->and($log->steps[$dead]->status)->toBe('waiting');

    // Said to be done, with one source not ticked: what hangs below stays shut.
    $half = [...$lines, ...array_slice(whole($n, $gate), 1)];
    $log = new Logbook(aWork(), $half);
    expect($log->steps[$gate]->status)
        ->toBe('incomplete')
        ->and($log->steps[$gate]->missing[0])
        ->toContain('not recorded')
        ->and($log->steps[$dead]->status)
        ->toBe('waiting');

    $log = new Logbook(aWork(), [...$lines, ...whole($n, $gate)]);
    expect($log->steps[$gate]->status)->toBe('done')->and($log->steps[$dead]->status)->toBe('open');
});

it('takes a reading out of its band for no proof', function (): void {
    $dead = Works::step(aWork(), Kind::ProveDead);
    $point = array_values(array_filter($dead->asks, fn($a): bool => $a->kind === 'number'))[0];
    $n = 0;
    $lines = [...Works::upTo(aWork(), $dead->id, $n), ...whole($n, $dead->id)];
    array_splice($lines, -1, 0, [line(++$n, EntryKind::Value, $dead->id, ['ask' => $point->id, 'number' => 118.0])]);
    $log = new Logbook(aWork(), $lines);
    expect($log->steps[$dead->id]->status)
        ->toBe('incomplete')
        ->and($log->steps[$dead->id]->missing)
        ->toBe(["{$point->words}: not as it should be"]);
});

it(
    'passes a gate without proof only by name and reason, and keeps that open and in the way of the hand-over',
    function (): void {
        $gate = Works::step(aWork(), Kind::Materials)->id;
        $log = new Logbook(aWork(), [line(1, EntryKind::Override, $gate, ['words' => 'the sleeves come tomorrow'])]);
        expect($log->steps[$gate]->status)->toBe('overridden');
        [$item] = array_values(array_filter($log->open, fn(OpenItem $o): bool => $o->kind === 'overridden'));
        expect($item->words)
            ->toContain('the sleeves come tomorrow')
            ->and($item->whose)
            ->toBe('Idris')
            ->and($item->blocks)
            ->toBeTrue();
        $log = new Logbook(aWork(), [
            line(1, EntryKind::Override, $gate, ['words' => 'the sleeves come tomorrow']),
            line(2, EntryKind::Closed, '', ['item' => $item->id, 'words' => 'they came']),
        ]);
        expect(array_map(fn(OpenItem $o): string => $o->id, $log->open))->not->toContain($item->id);
    },
);

it('shows two tablets that say different things, and believes neither until somebody settles it', function (): void {
    $step = Works::step(aWork(), Kind::Land, 'main_fuse');
    $ask = $step->asks[0]->id;
    $one = line(1, EntryKind::Value, $step->id, ['ask' => $ask, 'number' => 14.0], 'one', 0);
    $two = line(2, EntryKind::Value, $step->id, ['ask' => $ask, 'number' => 41.0], 'two', 0);
    $log = new Logbook(aWork(), [$one, $two]);
    expect($log->steps[$step->id]->conflicts[$ask])
        ->toHaveCount(2)
        ->and(array_column($log->steps[$step->id]->conflicts[$ask], 'by'))
        ->toBe(['Idris', 'Posy'])
        ->and(implode(' ', $log->steps[$step->id]->missing))
        ->toContain('recorded twice');
    // The same twice is no conflict, nor is a correction by somebody who saw the first.
    $same = line(2, EntryKind::Value, $step->id, ['ask' => $ask, 'number' => 14.0], 'two', 0);
    $aware = line(2, EntryKind::Value, $step->id, ['ask' => $ask, 'number' => 41.0], 'two', 1);
    expect((new Logbook(aWork(), [$one, $same]))->steps[$step->id]->conflicts)
        ->toBe([])
        ->and((new Logbook(aWork(), [$one, $aware]))->steps[$step->id]->conflicts)
        ->toBe([]);
    $settled = line(3, EntryKind::Value, $step->id, ['ask' => $ask, 'number' => 14.0], 'one', 2);
    $log = new Logbook(aWork(), [$one, $two, $settled]);
    expect($log->steps[$step->id]->conflicts)
        ->toBe([])
        ->and($log->steps[$step->id]->answers[$ask]['value'])
        ->toBe(14.0);
});

it('reopens what was done when the plan says something else', function (): void {
    $id = Works::step(aWork(), Kind::Land, 'bank')->id;
    $n = 0;
    $lines = whole($n, $id);
    expect((new Logbook(aWork(), $lines))->steps[$id]->status)->toBe('done');
    $document = Rigs::edit(Rigs::demo('tideline'), [
        'kind' => 'plan_set',
        'plan' => 'line',
        'component' => 'bank',
        'path' => '/stud',
        'value' => 'm8',
    ]);
    $other = Works::of($document, 'line');
    $log = new Logbook($other, $lines);
    expect($log->steps[$id]->status)
        ->toBe('reopened')
        ->and(array_map(fn(OpenItem $o): string => $o->id, $log->open))
        ->toContain("reopened_{$id}");
});

it('owes a qualified leak test once a gas line was touched', function (): void {
    $id = Works::step(aWork(), Kind::Furniture)->id;
    $log = new Logbook(aWork(), [line(1, EntryKind::Value, $id, ['ask' => 'gas_touched', 'tick' => true])]);
    expect($log->open[0]->words)->toContain('Leak test')->and($log->open[0]->blocks)->toBeTrue();
});

it(
    'keeps what else is written: arrivals, pins, wires, defects, substitutes, differences, open items',
    function (): void {
        $run = Works::step(aWork(), Kind::Run)->id;
        $log = new Logbook(aWork(), [
            line(1, EntryKind::Arrival, '', ['key' => 'inverter', 'date' => '2026-12-01']),
            line(2, EntryKind::Arrival, '', ['key' => 'inverter', 'here' => true]),
            line(3, EntryKind::Pin, $run, ['date' => '2026-12-03']),
            line(4, EntryKind::Wire, '', ['where' => 'behind the sink', 'jacket' => 'white, no print', 'cut' => true]),
            line(5, EntryKind::Defect, '', ['words' => 'inlet cover cracked']),
            line(6, EntryKind::Substitute, '', [
                'key' => 'fuse',
                'words' => '300 A',
                'why' => 'no 400 A',
                'due' => '2026-12-20',
            ]),
            line(7, EntryKind::Differs, '', ['component' => 'ld_bank_fuse', 'what' => 'length', 'built' => '0.2 m']),
            line(8, EntryKind::Open, '', [
                'words' => 'second battery',
                'kind' => 'waiting',
                'event' => 'bank grows',
                'capW' => 2100,
                'blocks' => false,
                'whose' => 'owner',
            ]),
        ]);
        expect($log->arrivals['inverter'])
            ->toBe(['date' => '2026-12-01', 'here' => true])
            ->and($log->pins)
            ->toBe([$run => '2026-12-03'])
            ->and($log->wires[0]['where'])
            ->toBe('behind the sink')
            ->and($log->differences[0]['built'])
            ->toBe('0.2 m')
            ->and(array_map(fn(OpenItem $o): string => $o->kind, $log->open))
            ->toBe(['defect', 'temporary', 'waiting'])
            ->and($log->open[1]->toArray('2026-12-21')['late'])
            ->toBeTrue()
            ->and($log->open[2]->capW)
            ->toBe(2100.0);
    },
);

it('comes to the same however lines of different steps are interleaved', function (): void {
    $n = 0;
    $ids = array_slice(array_keys(aWork()->steps), 0, 8);
    $blocks = array_map(fn(string $id): array => whole($n, $id), $ids);
    $straight = array_merge(...$blocks);
    mt_srand(5);
    for ($case = 0; $case < 20; $case++) {
        $rest = $blocks;
        $mixed = [];
        while (($rest = array_filter($rest)) !== []) {
            $mixed[] = array_shift($rest[array_rand($rest)]);
        }
        $a = new Logbook(aWork(), $straight);
        $b = new Logbook(aWork(), $mixed);
        foreach (array_keys(aWork()->steps) as $id) {
            expect($b->steps[$id]->status)->toBe($a->steps[$id]->status);
        }
    }
});

it('refuses lines that say nothing, with where', function (mixed $kind, mixed $step, mixed $says, string $where): void {
    $problems = Entry::problems(
        $kind,
        $step,
        is_array($says) && $says !== [] ? Rigs::object($says) : ($says === [] ? new stdClass() : null),
    );
    expect(array_map(fn($p): string => $p->pointer, $problems))->toContain($where);
})->with([
    'no such kind' => ['dance', 's', [], '/kind'],
    'a step left out' => ['done', null, ['mark' => 'x'], '/step'],
    'nothing given' => ['value', 's', ['ask' => 'a'], '/says'],
    'two things given' => ['value', 's', ['ask' => 'a', 'number' => 1, 'tick' => true], '/says'],
    'a day that is none' => ['arrival', '', ['key' => 'a', 'date' => '2026-02-30'], '/says/date'],
    'words for a figure' => ['value', 's', ['ask' => 'a', 'number' => 'twelve'], '/says/number'],
    'something unknown' => ['note', 's', ['words' => 'x', 'colour' => 'red'], '/says'],
    'no object' => ['note', 's', null, '/says'],
]);

it('learns from the times that were recorded, the more of them the more', function (): void {
    $step = Works::step(aWork(), Kind::Mount, 'bypass');
    $usual = (new Times())->of($step);
    $once = (new Times(['mount' => [60.0]]))->of($step);
    $often = (new Times(['mount' => array_fill(0, 30, 60.0)]))->of($step);
    // 25 min usual, 0.4 of a piece; one record weighs a quarter, thirty weigh ten elevenths.
    expect($usual['likely'])
        ->toBe(10.0)
        ->and($once['likely'])
        ->toBe(round(0.4 * (25 * 0.75 + 60 * 0.25), 1))
        ->and($often['likely'])
        ->toBe(round((0.4 * (25 * 3 + 60 * 30)) / 33, 1))
        ->and($often['records'])
        ->toBe(30);
    $n = 0;
    $log = new Logbook(aWork(), [
        line(1, EntryKind::Start, $step->id, [], at: '2026-11-27T09:00:00Z'),
        line(2, EntryKind::Done, $step->id, ['mark' => $step->mark()], at: '2026-11-27T09:20:00Z'),
    ]);
    expect($log->took())->toBe(['mount' => [50.0]]);
});

describe('readings of the rig as it was found', function (): void {
    $baseline = fn() => Works::step(aWork(), Kind::Baseline);

    it('are asked for one by one: the same as the survey asks for, with what is expected', function () use (
        $baseline,
    ): void {
        $asked = array_filter($baseline()->asks, fn(Ask $a): bool => $a->finds);
        $points = Baseline::of(Rigs::asFound(Rigs::demo('tideline')));
        expect(array_map(fn(Ask $a): string => $a->id, array_values($asked)))
            ->toBe(array_map(fn(Baseline $b): string => "base.{$b->id}", $points))
            ->not->toBe([]);
        foreach ($points as $n => $point) {
            $ask = array_values($asked)[$n];
            // The step's own judgement and the survey's: whatever is read, they say the same.
            $words = $point->options();
            foreach ([-1.0, 0.0, 0.5, 5.0, 12.6, 13.6, 19.9, 20.0, 105.9, 106.0, 120.0, 127.1] as $value) {
                if ($point->unit !== '') {
                    expect($ask->isRight($value))->toBe($point->verdict($value, null) === 'as expected', $point->id);
                }
            }
            foreach ($point->unit === 'Ω' ? [Ask::OPEN] : $words as $word) {
                expect($ask->isRight($word))->toBe($point->verdict(null, $word) === 'as expected', $point->id);
            }
        }
    });

    it('hold nothing up when something was broken already: it stands among the open items', function () use (
        $baseline,
    ): void {
        $step = $baseline();
        $n = 0;
        $lines = whole($n, $step->id);
        $lines[] = line(++$n, EntryKind::Value, $step->id, ['ask' => 'base.bond_main_panel', 'number' => 0.2]);
        $lines[] = line(++$n, EntryKind::Value, $step->id, ['ask' => 'base.frame_main_panel', 'number' => 0.2]);
        $log = new Logbook(aWork(), $lines);
        $open = array_values(array_filter($log->open, fn(OpenItem $o): bool => $o->kind === 'defect'));
        expect($log->steps[$step->id]->status)
            ->toBe('done')
            ->and($open)
            ->toHaveCount(1)
            ->and($open[0]->words)
            ->toBe('Was so before: Main panel, neutral bar to ground bar, dead, 0.2 Ω')
            ->and($open[0]->blocks)
            ->toBeFalse();
    });

    it('open nothing while they are not taken: either each is read or somebody says why not', function () use (
        $baseline,
    ): void {
        $step = $baseline();
        $asked = array_values(array_filter($step->asks, fn(Ask $a): bool => $a->finds));
        $lines = [line(1, EntryKind::Done, $step->id, ['mark' => $step->mark()])];
        $log = new Logbook(aWork(), $lines);
        expect($log->steps[$step->id]->status)
            ->toBe('incomplete')
            ->and($log->steps[$step->id]->isPassed(true))
            ->toBeFalse()
            ->and($log->steps[$step->id]->missing)
            ->toBe(array_map(fn(Ask $a): string => "{$a->words}: not recorded", $asked));
        // A blank is no reason.
        $lines[] = line(2, EntryKind::Value, $step->id, ['ask' => Ask::UNREAD, 'words' => ' ']);
        expect((new Logbook(aWork(), $lines))->steps[$step->id]->status)->toBe('incomplete');
        $lines[] = line(3, EntryKind::Value, $step->id, ['ask' => Ask::UNREAD, 'words' => 'no pedestal here']);
        $lines[] = line(4, EntryKind::Value, $step->id, ['ask' => $asked[0]->id, 'number' => 12.7]);
        $log = new Logbook(aWork(), $lines);
        $open = openAt($log, $step->id);
        expect($log->steps[$step->id]->status)
            ->toBe('done')
            ->and($open)
            ->toHaveCount(1)
            ->and($open[0]->words)
            ->toBe(
                'Not read before the work: ' .
                    implode('; ', array_map(fn(Ask $a): string => $a->words, array_slice($asked, 1))) .
                    '. No pedestal here',
            );
    });

    it('that the survey took already are not asked for twice', function () use ($baseline): void {
        $step = $baseline();
        $read = [];
        foreach (Baseline::of(Rigs::asFound(Rigs::demo('tideline'))) as $n => $point) {
            $read[] = new SurveyReading(
                "survey-{$n}",
                $point->id,
                $point->unit === '' ? null : 1.0,
                $point->unit === '' ? $point->options()[0] : null,
                'meter 3',
                'Maren',
                '2026-11-27T08:00:00Z',
            );
        }
        $ask = Ask::READING . $read[0]->point;
        $value = function (array $lines, array $read) use ($step, $ask): array {
            $log = new Logbook(aWork(), SurveyReading::among($lines, $read, $step->id));
            $state = $log->steps[$step->id];

            return [
                $state->missing === [],
                $state->answers[$ask]['value'] ?? null,
                array_column($state->conflicts[$ask] ?? [], 'value'),
            ];
        };
        $beside = fn(string $at, string $uuid = 'beside'): Entry => new Entry(
            $uuid,
            7,
            EntryKind::Value,
            $step->id,
            new Values(Rigs::object(['ask' => $ask, 'number' => 12.4])),
            $at,
            'Idris',
            'one',
            6,
        );
        expect($value([], $read))
            ->toBe([true, 1.0, []])
            // What is read beside the rig afterwards counts instead; and the other way round.
            ->and($value([$beside('2026-11-27T09:00:00Z')], $read))
            ->toBe([true, 12.4, []])
            ->and($value([$beside('2026-11-27T07:00:00Z')], $read))
            ->toBe([true, 1.0, []])
            // One that came out of the logbook is not put in again.
            ->and($value([$beside('2026-11-27T07:00:00Z', 'survey-0')], $read))
            ->toBe([true, 12.4, []]);
    });
});

it('keeps what was broken already with its photograph, at the step where it was seen', function (): void {
    $id = Works::step(aWork(), Kind::TakeOut)->id;
    $sha = str_repeat('c', 64);
    $log = new Logbook(aWork(), [
        line(1, EntryKind::Defect, $id, [
            'words' => 'neutral browned',
            'sha256' => $sha,
            'arrows' => ['a1' => ['x' => 0.1, 'y' => 0.2, 'toX' => 0.5, 'toY' => 0.6]],
        ]),
        line(2, EntryKind::Wire, '', ['where' => 'behind the pump', 'sha256' => str_repeat('d', 64)]),
    ]);
    expect($log->open[0]->photo)
        ->toBe($sha)
        ->and($log->open[0]->step)
        ->toBe($id)
        ->and(array_column($log->photos, 'ask'))
        ->toBe(['defect', 'wire'])
        ->and($log->photos[0]['arrows'])
        ->toEqual([['x' => 0.1, 'y' => 0.2, 'toX' => 0.5, 'toY' => 0.6]])
        ->and($log->photos[1]['words'])
        ->toBe('behind the pump');
});

it('takes a clearance that falls short once it is signed for, and keeps it in sight', function (): void {
    $step = Works::step(aWork(), Kind::DryFit, 'inverter');
    $n = 0;
    $lines = whole($n, $step->id);
    $lines[] = line(++$n, EntryKind::Value, $step->id, ['ask' => 'clear_cm', 'number' => 4]);
    expect((new Logbook(aWork(), $lines))->steps[$step->id]->status)->toBe('incomplete');
    $lines[] = line(++$n, EntryKind::Value, $step->id, ['ask' => Ask::SIGNED, 'words' => '6 cm short, fan fitted']);
    $log = new Logbook(aWork(), $lines);
    $open = openAt($log, $step->id);
    expect($log->steps[$step->id]->status)
        ->toBe('done')
        ->and($open)
        ->toHaveCount(1)
        ->and($open[0]->words)
        ->toContain('4 cm, signed for: 6 cm short, fan fitted')
        ->and($open[0]->blocks)
        ->toBeFalse();
    // What is enough needs nobody's name.
    $lines[] = line(++$n, EntryKind::Value, $step->id, ['ask' => 'clear_cm', 'number' => 12]);
    expect(openAt(new Logbook(aWork(), $lines), $step->id))->toBe([]);
});

it('reckons what follows from the figures, and lets nobody write another', function (): void {
    $work = Works::of(Rigs::job(Sample::choose('in_line', ['parallel' => 2, 'unitAh' => 100])));
    $step = Works::step($work, Kind::Match);
    $value = fn(int $n, string $ask, float $number): Entry => line($n, EntryKind::Value, $step->id, [
        'ask' => $ask,
        'number' => $number,
    ]);
    $n = 100;
    $before = Works::upTo($work, $step->id, $n);
    $state = fn(Entry ...$lines) => (new Logbook($work, [...$before, ...array_values($lines)]))->steps[$step->id];
    $done = line(9, EntryKind::Done, $step->id, ['mark' => $step->mark()]);
    expect($state($value(1, 'unit_1', 13.4), $done)->missing)
        ->toBe(['Battery 2: not recorded'])
        ->and($state($value(1, 'unit_1', 13.4), $value(2, 'unit_2', 13.6), $value(3, 'apart', 0.01), $done))
        ->status->toBe('incomplete')
        ->missing->toBe(['Largest difference: not as it should be'])
        ->and($state($value(1, 'unit_1', 13.4), $value(2, 'unit_2', 13.45), $done))
        ->status->toBe('done')
        ->answers->apart->value->toBe(0.05);
});

it('has no material gate passed while something is on its way, unless something stands in for it', function (): void {
    $step = Works::step(aWork(), Kind::Materials);
    $n = 0;
    $lines = whole($n, $step->id);
    $material = $step->lists[0];
    $status = fn(Entry ...$more): string => (new Logbook(aWork(), [...$lines, ...array_values($more)]))->steps[
        $step->id
    ]->status;
    $away = line(90, EntryKind::Arrival, '', ['key' => $material['key'], 'date' => '2026-12-02']);
    expect($status())
        ->toBe('done')
        ->and($status($away))
        ->toBe('incomplete')
        ->and($status($away, line(91, EntryKind::Arrival, '', ['key' => $material['key'], 'here' => true])))
        ->toBe('done')
        ->and(
            $status(
                $away,
                line(91, EntryKind::Substitute, '', ['key' => $material['words'], 'words' => 'x', 'why' => 'y']),
            ),
        )
        ->toBe('done');
});
