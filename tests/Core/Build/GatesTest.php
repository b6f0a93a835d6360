<?php

declare(strict_types=1);

use Hollin\Core\Build\Ask;
use Hollin\Core\Build\Entry;
use Hollin\Core\Build\EntryKind;
use Hollin\Core\Build\Kind;
use Hollin\Core\Build\Logbook;
use Hollin\Core\Build\OpenItem;
use Hollin\Core\Build\Reason;
use Hollin\Core\Build\Step;
use Hollin\Core\Build\Work;
use Hollin\Core\Rules\Sample;
use Tests\Works;

/*
 * Whose hands are in the box: what a logbook may say, a gate between them and volts opens by its proof alone.
 */

const A_REASON = 'the sleeves come tomorrow, the bar stays covered until then';

/**
 * Every gate of a kind that nobody passes, in every plan of the demo workshop, with all that comes before it done.
 *
 * @return Generator<string, array{Work, Step, list<Entry>, int}>
 */
function absoluteGates(): Generator
{
    foreach (Works::plans() as [$name, $plan]) {
        $work = Works::of(Tests\Rigs::demo($name), $plan);
        foreach ($work->steps as $id => $step) {
            if ($step->kind->isAbsolute()) {
                $n = 0;
                yield "{$name} {$plan} {$id}" => [$work, $step, Works::upTo($work, (string) $id, $n), $n];
            }
        }
    }
}

/** A value that is wrong. @return array<string, mixed> */
function wrongOf(Ask $ask): array
{
    return match ($ask->kind) {
        'tick' => ['tick' => false],
        'number' => ['number' => ($ask->high ?? ($ask->low ?? 0.0)) + ($ask->high === null ? -30.0 : 117.7)],
        default => ['words' => 'asdf'],
    };
}

it('passes no gate between hands and volts by a word, whatever is wrong or missing there', function (): void {
    $tried = 0;
    foreach (absoluteGates() as $name => [$work, $step, $before, $n]) {
        foreach ($step->asks as $one) {
            if (!$one->required) {
                continue;
            }
            foreach (['wrong', 'missing'] as $how) {
                $lines = $before;
                $m = $n;
                foreach (Works::whole($work, $step->id, $m) as $line) {
                    $about = $line->says->text('ask') === $one->id;
                    if (!$about) {
                        $lines[] = $line;
                    } elseif ($how === 'wrong') {
                        $lines[] = Works::line(
                            $line->number,
                            EntryKind::Value,
                            $step->id,
                            ['ask' => $one->id] + wrongOf($one),
                        );
                    }
                }
                $lines[] = Works::line(++$m, EntryKind::Override, $step->id, ['words' => A_REASON]);
                $lines[] = Works::line(++$m, EntryKind::Value, $step->id, ['ask' => Ask::SIGNED, 'words' => A_REASON]);
                $lines[] = Works::line(++$m, EntryKind::Value, $step->id, ['ask' => Ask::UNREAD, 'words' => A_REASON]);
                $lines[] = Works::line(++$m, EntryKind::Done, $step->id, ['mark' => $step->mark()]);
                $log = new Logbook($work, $lines);
                $state = $log->steps[$step->id];
                expect($state->isPassed(true))->toBeFalse("{$name}: {$one->words} {$how}, {$state->status}");
                foreach ($work->links as $link) {
                    if ($link->before === $step->id) {
                        expect($log->steps[$link->after]->status)->toBe('waiting', "{$name}: {$link->after}");
                    }
                }
                $tried++;
            }
        }
        $m = $n;
        $proven = new Logbook($work, [...$before, ...Works::whole($work, $step->id, $m)]);
        expect($proven->steps[$step->id]->status)->toBe('done', $name);
    }
    expect($tried)->toBeGreaterThan(150);
})->group('slow');

it('takes another way of opening for its tick, in words of substance, and no words for a figure', function (): void {
    foreach (absoluteGates() as $name => [$work, $step, $before, $n]) {
        foreach ($step->asks as $one) {
            if ($one->otherwise === '') {
                continue;
            }
            $with = function (string $words) use ($work, $step, $before, $n, $one): string {
                $lines = $before;
                $m = $n;
                foreach (Works::whole($work, $step->id, $m) as $line) {
                    $lines[] =
                        $line->says->text('ask') === $one->id
                            ? Works::line($line->number, EntryKind::Value, $step->id, [
                                'ask' => $one->otherwise,
                                'words' => $words,
                            ])
                            : $line;
                }

                return (new Logbook($work, $lines))->steps[$step->id]->status;
            };
            $good = 'lead off at the bus bar behind the cover, lug bagged and tagged';
            expect($with($good))->toBe($one->kind === 'tick' ? 'done' : 'incomplete', "{$name}: {$one->words}");
            expect($with('asdf'))->not->toBe('done', "{$name}: {$one->words}");
        }
    }
})->group('slow');

it('passes no gate that still waits, neither by proof nor by a reason', function (): void {
    $work = Works::of(Tests\Rigs::demo('tideline'), 'line');
    foreach ($work->steps as $id => $step) {
        if (!$step->kind->isGate() || ($work->waits()[$id] ?? []) === []) {
            continue;
        }
        $n = 0;
        $whole = Works::whole($work, (string) $id, $n);
        $log = new Logbook($work, [
            ...$whole,
            Works::line(++$n, EntryKind::Override, (string) $id, ['words' => A_REASON]),
        ]);
        expect($log->steps[$id]->status)->toBe('waiting', (string) $id);
        // What was written while it waited passes it no more once what it waited for is done.
        $m = $n;
        $late = new Logbook($work, [...$whole, ...Works::upTo($work, (string) $id, $m)]);
        expect($late->steps[$id]->doneAt)->toBeNull((string) $id);
    }
});

it('takes sources in their order, each after the one before', function (): void {
    $work = Works::of(Tests\Rigs::demo('causeway'), 'dcdc');
    $step = Works::step($work, Kind::Isolate);
    $n = 0;
    $before = Works::upTo($work, $step->id, $n);
    [$first, $second] = $step->asks;
    $tick = fn(int $n, Ask $ask, bool $on = true): Entry => Works::line($n, EntryKind::Value, $step->id, [
        'ask' => $ask->id,
        'tick' => $on,
    ]);
    $log = new Logbook($work, [...$before, $tick(++$n, $second)]);
    expect($log->steps[$step->id]->answers)
        ->not->toHaveKey($second->id)
        ->and($log->shut)
        ->toBe(["uuid-{$n}" => "First: {$first->words}."]);
    $log = new Logbook($work, [...$before, $tick(++$n, $first), $tick(++$n, $second)]);
    expect($log->steps[$step->id]->answers)->toHaveKey($second->id);
});

it('shows on the way what a lead has passed over, with the figure', function (): void {
    $work = Works::of(Tests\Rigs::job(Sample::choose('in_line', ['parallel' => 2, 'unitAh' => 100])));
    $gate = Works::step($work, Kind::Match);
    $ask = $gate->asks[0];
    $n = 0;
    $log = new Logbook($work, [
        ...Works::upTo($work, $gate->id, $n),
        Works::line(++$n, EntryKind::Value, $gate->id, ['ask' => $ask->id, 'number' => $ask->high + 3]),
        Works::line(++$n, EntryKind::Override, $gate->id, ['words' => A_REASON]),
    ]);
    $item = array_values(array_filter($log->open, fn(OpenItem $o): bool => $o->id === "override_{$gate->id}"))[0];
    expect($log->steps[$gate->id]->status)
        ->toBe('overridden')
        ->and($item->words)
        ->toContain(A_REASON)
        ->toContain(sprintf('%s %s', $ask->words, $ask->high + 3))
        ->and($item->blocks)
        ->toBeTrue();
});

it('knows a reason from a key held down', function (string $words, bool $says): void {
    expect(Reason::lacks($words) === null)->toBe($says);
})->with([
    ['asdf', false],
    ['asdf asdf asdf asdf asdf', false],
    ['', false],
    ['ok ok ok', false],
    ['................................', false],
    ['later', false],
    [A_REASON, true],
    ['lug comes on Friday, bar covered', true],
]);
