<?php

declare(strict_types=1);

use Hollin\Core\Answers\JobAnswers;
use Hollin\Core\Plan\Arrangements\Arrangements;
use Hollin\Core\Rules\Sample;
use Tests\Rigs;

/*
 * Whatever is planned, the wall has a place and a paint for all of it: nothing hangs in the air,
 * nothing is drawn twice, and the what-is-live table says the same as the paint.
 */

/** @return array<string, array{stdClass}> every arrangement with every fate of the converter that it offers */
function everyPlanned(): array
{
    $made = [];
    foreach (Arrangements::all() as $id => $class) {
        foreach (array_keys($class::options()['converter']->choices ?? ['left' => '']) as $fate) {
            $options = [
                'converter' => $fate,
                'continuousW' => 2000,
                'circuits' => ['c_outlets' => true, 'c_wet' => true],
                'circuit' => 'c_outlets',
                'outputNeutral' => 'bonded',
            ];
            $known = array_intersect_key($options, $class::options() + ['circuits' => true]);
            if ($id !== 'subpanel') {
                unset($known['circuits']);
            }
            $room = $id === 'back_fed' ? [Sample::survey('main_panel', '/slots', 12)] : [];
            $made["{$id}, converter {$fate}"] = [
                fn() => Rigs::job(
                    ...$room,
                    ...[['kind' => 'choose_arrangement', 'plan' => 'p', 'recipe' => $id, 'options' => $known]],
                ),
            ];
        }
    }
    $made['the map archive'] = [fn() => Rigs::demo('archive')];
    $made['the van'] = [fn() => Rigs::demo('tideline')];

    return $made;
}

it('draws every part once, every cable between parts that are there', function (stdClass $document): void {
    $answers = new JobAnswers($document);
    foreach ($answers->views as $view) {
        $answer = $answers->answer($view['hash']);
        $wall = json_decode((string) json_encode($answer['wall']), true);
        foreach ($wall['plates'] as $id => $plate) {
            expect($plate['label'])
                ->not->toBe('', $id)
                ->and($plate['lines'])
                ->toBeArray()
                ->and(isset($answer['labels'][(string) preg_replace('/__outlets$/', '', $id)]))
                ->toBeTrue($id);
        }
        $links = array_column($wall['links'], 'id');
        expect(count(array_unique($links)))->toBe(count($links));
        foreach ($wall['links'] as $link) {
            foreach (['from', 'to'] as $end) {
                $at = $link[$end]['c'];
                expect(isset($wall['plates'][$at]) || in_array($at, ['frame', 'earth'], true))->toBeTrue(
                    "{$view['id']}: {$link['id']} {$end} {$at}",
                );
                if (isset($link[$end]['row'])) {
                    expect(array_column($wall['trays'][$at]['rows'], 'circuit'))->toContain($link[$end]['row']);
                }
            }
        }
        foreach ($wall['trays'] as $tray => $contents) {
            $places = array_map(
                fn(array $r): string => $r['slot'] .
                    $r['half'] .
                    ($r['kind'] === 'circuit' && ($r['indent'] ?? 0) > 0 ? $r['circuit'] : ''),
                array_filter($contents['rows'], fn(array $r): bool => $r['slot'] > 0 && $r['kind'] !== 'free'),
            );
            expect(count(array_unique($places)))->toBe(count($places), $tray);
        }
    }
})->with(fn() => everyPlanned());

it('paints every cable, circuit and device in every state, as the table says', function (stdClass $document): void {
    $answers = new JobAnswers($document);
    foreach ($answers->views as $view) {
        $answer = json_decode((string) json_encode($answers->answer($view['hash'])), true);
        foreach ($answer['states'] as $state) {
            $paint = $answer['paint'][$state['id']];
            foreach ($answer['wall']['links'] as $link) {
                expect(isset($paint['links'][$link['id']]))->toBeTrue("{$view['id']}, {$state['id']}: {$link['id']}");
                if ($link['gate'] !== null) {
                    expect(isset($paint['positions'][$link['gate']]))->toBeTrue("gate {$link['gate']}");
                }
            }
            foreach ($answer['table'] as $row) {
                $cell = $row['cells'][$state['id']];
                expect($paint['circuits'][$row['circuit']]['kind'])
                    ->toBe($cell['kind'], "{$row['label']} in {$state['title']}")
                    ->and($paint['circuits'][$row['circuit']]['source'])
                    ->toBe($cell['source']);
            }
            foreach ($answer['controls'] as $control) {
                $at = $paint['positions'][$control['id']]['position'] ?? null;
                expect($at === null || isset($control['positions'][$at]))->toBeTrue("{$control['id']} at {$at}");
            }
            foreach ($paint['moves'] ?? [] as $move) {
                expect($move['atS'])->toBeGreaterThanOrEqual(0)->and($move['words'])->not->toBe('');
            }
        }
    }
})->with(fn() => everyPlanned());

it('counts a finding where its witness says, and lights parts that are there', function (stdClass $document): void {
    $answers = new JobAnswers($document);
    foreach ($answers->views as $view) {
        $answer = json_decode((string) json_encode($answers->answer($view['hash'])), true);
        $states = array_column($answer['states'], 'id');
        foreach ($answer['findings'] as $finding) {
            expect(array_diff($finding['witness']['states'], $states))->toBe([], $finding['title']);
            foreach ($finding['components'] as $component) {
                expect(isset($answer['labels'][$component]))->toBeTrue("{$finding['title']} names {$component}");
            }
            foreach ($finding['figures'] as $figure) {
                expect($figure['unit'])
                    ->toBeString()
                    ->and(trim($figure['arithmetic']))
                    ->not->toBe('')
                    ->and(trim($figure['source']))
                    ->not->toBe('');
            }
        }
    }
})->with(fn() => everyPlanned());
